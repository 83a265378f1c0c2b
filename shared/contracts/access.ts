import { z } from 'zod'

/** POST /api/access */
export const Enter = z.strictObject({ passphrase: z.string().min(1, 'Write the passphrase').max(500) })

/** GET /api/access */
export interface AccessView {
  /** The house can be reached from other machines, so that one comes in with a passphrase. */
  closed: boolean
  entered: boolean
}
