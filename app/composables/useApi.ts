import type { ProblemDetails } from '#shared/contracts/problem'

/** An answer of the server that was not the one hoped for, with the fields it concerns. */
export class ApiProblem extends Error {
  override name = 'ApiProblem'

  constructor(readonly problem: ProblemDetails) {
    super(problem.detail ?? problem.title)
  }

  /** What is wrong with one field, by its path. */
  field(path: string): string | undefined {
    return this.problem.errors?.find(e => e.path === path)?.message
  }
}

const OFFLINE: ProblemDetails = { type: 'about:blank', title: 'The house does not answer. Is Mantel still running? Nothing was written.', status: 0 }

/** One call to the server. @throws ApiProblem */
export async function callApi<T>(path: string, options: { method?: 'GET' | 'POST' | 'PUT' | 'DELETE', body?: unknown } = {}): Promise<T> {
  const response = await fetch(path, {
    method: options.method ?? 'GET',
    ...(options.body !== undefined && { body: JSON.stringify(options.body), headers: { 'content-type': 'application/json' } }),
  }).catch(() => null)
  if (!response) throw new ApiProblem(OFFLINE)
  const body = await response.json().catch(() => null) as unknown
  if (!response.ok) throw new ApiProblem((body as ProblemDetails | null) ?? { ...OFFLINE, status: response.status })
  return body as T
}
