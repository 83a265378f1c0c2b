import { z } from 'zod'

/** Names a state that was told: which run of the server, which version, which day. */
export const Token = z.string().min(1).max(120)
