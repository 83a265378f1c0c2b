import { z } from 'zod'

/** The name of a state that was told, as it is sent back; see `tokenOf`. */
export const Token = z.string().min(1).max(120)
