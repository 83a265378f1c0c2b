import { z } from 'zod'

/** Errors of the API: problem details (RFC 9457) with the fields they concern. */
export const ProblemDetails = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number(),
  detail: z.string().optional(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
})
export type ProblemDetails = z.infer<typeof ProblemDetails>
