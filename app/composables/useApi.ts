import type { ProblemDetails } from '#shared/contracts/problem'

/** An answer of the server that was not the one hoped for, with the fields it concerns. */
export class ApiProblem extends Error {
  override name = 'ApiProblem'

  constructor(readonly problem: ProblemDetails) {
    super(problem.detail ?? problem.title)
  }

  /** No answer came: a write may have happened or not. */
  get unanswered(): boolean {
    return this.problem.status === 0
  }

  /** What is wrong with one field, by its path. */
  field(path: string): string | undefined {
    return this.problem.errors?.find(e => e.path === path)?.message
  }
}

const NO_ANSWER: ProblemDetails = {
  type: 'about:blank',
  title: 'The house does not answer. Is Mantel still running?',
  status: 0,
}
const NOT_KNOWN: ProblemDetails = {
  type: 'about:blank',
  title: 'The house did not answer, so it is not known whether this was written. Send it again: it is written once.',
  status: 0,
}

/** Pauses before what was not answered is sent again by itself. */
const PAUSES_MS = [400, 1500]

interface Call {
  method?: 'GET' | 'POST' | 'PUT' | 'DELETE'
  body?: unknown
  /** What is sent carries an id, so that sending it again does not do it twice. */
  again?: boolean
}

async function callOnce<T>(path: string, { method = 'GET', body }: Call): Promise<T> {
  const lost = method === 'GET' ? NO_ANSWER : NOT_KNOWN
  const response = await fetch(path, {
    method,
    ...(body !== undefined && { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  }).catch(() => null)
  if (!response) throw new ApiProblem(lost)
  const answer = (await response.json().catch(() => undefined)) as unknown
  if (response.ok && answer !== undefined) return answer as T
  throw new ApiProblem(!response.ok && answer ? (answer as ProblemDetails) : lost)
}

/** Worth another try by itself: no answer came, or the database was held for a moment. */
const mayPass = (error: unknown): boolean =>
  error instanceof ApiProblem && (error.unanswered || error.problem.status === 503)

/** One call to the server. @throws ApiProblem */
export async function callApi<T>(path: string, call: Call = {}): Promise<T> {
  for (const pause of call.again ? PAUSES_MS : []) {
    try {
      return await callOnce<T>(path, call)
    } catch (error) {
      if (!mayPass(error)) throw error
      await new Promise(resolve => setTimeout(resolve, pause))
    }
  }
  return callOnce<T>(path, call)
}
