import { defineEventHandler, getQuery, setResponseHeader, setResponseStatus, type H3Event } from 'h3'
import type { z } from 'zod'
import { ProblemError } from './problem'

const MOST_BYTES = 1_000_000

const tooLarge = () => new ProblemError(413, 'The request is larger than 1 MB')

/** The body as JSON, read no further than the limit whatever its headers claim. */
async function readJson(event: H3Event): Promise<unknown> {
  if (Number(event.node.req.headers['content-length'] ?? 0) > MOST_BYTES) throw tooLarge()
  const type = String(event.node.req.headers['content-type'] ?? '')
  if (!type.includes('application/json')) throw new ProblemError(415, 'Send JSON, with content-type application/json')
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of event.node.req) {
    size += (chunk as Buffer).length
    if (size > MOST_BYTES) throw tooLarge()
    chunks.push(chunk as Buffer)
  }
  try {
    return JSON.parse(Buffer.concat(chunks).toString('utf8')) as unknown
  }
  catch {
    throw new ProblemError(400, 'This is not valid JSON')
  }
}

function parse<S extends z.ZodType>(schema: S, input: unknown): z.output<S> {
  const result = schema.safeParse(input)
  if (result.success) return result.data
  throw new ProblemError(422, 'Some fields cannot be read', result.error.issues.map(i => ({ path: i.path.join('.'), message: i.message })))
}

function answerProblem(event: H3Event, error: unknown) {
  const known = error instanceof ProblemError
  if (!known) console.error(error)
  const problem = known ? error.problem : { type: 'about:blank', title: 'Something went wrong in Mantel; nothing was written', status: 500 }
  setResponseStatus(event, problem.status)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  return problem
}

/** A handler without a body. */
export function answer<T>(call: (event: H3Event) => Promise<T> | T) {
  return defineEventHandler(async (event) => {
    try {
      return await call(event)
    }
    catch (error) {
      return answerProblem(event, error)
    }
  })
}

/** A handler with a JSON body: parse, call, answer. */
export function answerBody<S extends z.ZodType, T>(schema: S, call: (body: z.output<S>, event: H3Event) => Promise<T> | T) {
  return answer(async event => call(parse(schema, await readJson(event)), event))
}

/** A handler with query parameters. */
export function answerQuery<S extends z.ZodType, T>(schema: S, call: (query: z.output<S>, event: H3Event) => Promise<T> | T) {
  return answer(event => call(parse(schema, getQuery(event)), event))
}
