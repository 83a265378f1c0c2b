import type { ProblemDetails } from '#shared/contracts/problem'

/** Thrown by handlers and services; becomes problem+json. Nothing has been written when it is thrown. */
export class ProblemError extends Error {
  override name = 'ProblemError'
  readonly problem: ProblemDetails

  constructor(
    status: number,
    title: string,
    errors?: { path: string; message: string }[],
    readonly headers: Record<string, string> = {},
  ) {
    super(title)
    this.problem = {
      type: 'about:blank',
      title,
      status,
      ...(errors?.length && { detail: errors.map(e => e.message).join('. '), errors }),
    }
  }
}
