import { defineEventHandler, getQuery, setResponseHeaders, setResponseStatus, type H3Event } from 'h3'
import type { z } from 'zod'
import { databaseFile } from '../house/databaseFile'
import { theAccess } from '../house/theHouse'
import { databaseProblem } from '../db/problems'
import { gateOf } from './gateOf'
import { ProblemError } from './problem'
import { isIn } from './session'

const MOST_BYTES = 1_000_000
/** Nothing that is sent here is nested deeper; what follows each level by calling itself would end at the stack. */
const DEEPEST = 40

/** How deep arrays and objects are nested in a JSON text. */
function depthOf(json: string): number {
  let depth = 0
  let deepest = 0
  let quoted = false
  for (let i = 0; i < json.length; i++) {
    const c = json[i]
    if (quoted) {
      if (c === '\\') i++
      else if (c === '"') quoted = false
    } else if (c === '"') quoted = true
    else if (c === '{' || c === '[') deepest = Math.max(deepest, ++depth)
    else if (c === '}' || c === ']') depth--
  }
  return deepest
}

const tooLarge = (most: number) => new ProblemError(413, `The request is larger than ${most / 1e6} MB`)

/** The body as JSON, read no further than the limit whatever its headers claim. */
async function readJson(event: H3Event, most: number): Promise<unknown> {
  if (Number(event.node.req.headers['content-length'] ?? 0) > most) throw tooLarge(most)
  // the media type itself: a page of another origin may send any text that only mentions it
  const type = String(event.node.req.headers['content-type'] ?? '')
    .split(';')[0]!
    .trim()
    .toLowerCase()
  if (type !== 'application/json') throw new ProblemError(415, 'Send JSON, with content-type application/json')
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of event.node.req) {
    size += (chunk as Buffer).length
    if (size > most) throw tooLarge(most)
    chunks.push(chunk as Buffer)
  }
  const text = Buffer.concat(chunks).toString('utf8')
  if (depthOf(text) > DEEPEST) throw new ProblemError(400, 'This JSON is nested too deeply')
  try {
    return JSON.parse(text) as unknown
  } catch {
    throw new ProblemError(400, 'This is not valid JSON')
  }
}

function parse<S extends z.ZodType>(schema: S, input: unknown): z.output<S> {
  const result = schema.safeParse(input)
  if (result.success) return result.data
  throw new ProblemError(
    422,
    'Some fields cannot be read',
    result.error.issues.map(i => ({ path: i.path.join('.'), message: i.message })),
  )
}

/** What a failure is to who asked: a problem of the request, of the database for a while, or of Mantel. */
function problemOf(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error
  const database = databaseProblem(error, databaseFile())
  if (database)
    return new ProblemError(503, `${database.message} Nothing was written.`, [], {
      'retry-after': database.kind === 'busy' ? '1' : '60',
    })
  return new ProblemError(500, 'Something went wrong in Mantel; nothing was written')
}

export function answerProblem(event: H3Event, error: unknown) {
  const { problem, headers } = problemOf(error)
  // a request that was cut off has nobody to answer, and is no fault
  if (problem.status >= 500 && !event.node.req.destroyed) console.error(error)
  setResponseStatus(event, problem.status)
  setResponseHeaders(event, { 'content-type': 'application/problem+json', ...headers })
  return problem
}

interface Ways {
  /** Answered to those who are not in yet. */
  open?: boolean
  /** So many bytes of a body are read. */
  mostBytes?: number
}

/**
 * Where the house can be reached from other machines, only those who came in with the passphrase are answered. Every
 * handler asks for itself, however its address was written.
 */
async function letPass(event: H3Event, { open }: Ways): Promise<void> {
  if (open || !gateOf().closed || (await isIn(event, await theAccess()))) return
  throw new ProblemError(401, 'Come in with the passphrase first')
}

/** A handler without a body. */
export function answer<T>(call: (event: H3Event) => Promise<T> | T, ways: Ways = {}) {
  return defineEventHandler(async event => {
    try {
      await letPass(event, ways)
      return await call(event)
    } catch (error) {
      return answerProblem(event, error)
    }
  })
}

/** A handler with a JSON body: parse, call, answer. */
export function answerBody<S extends z.ZodType, T>(
  schema: S,
  call: (body: z.output<S>, event: H3Event) => Promise<T> | T,
  ways: Ways = {},
) {
  return answer(async event => call(parse(schema, await readJson(event, ways.mostBytes ?? MOST_BYTES)), event), ways)
}

/** A handler with query parameters. */
export function answerQuery<S extends z.ZodType, T>(
  schema: S,
  call: (query: z.output<S>, event: H3Event) => Promise<T> | T,
) {
  return answer(event => call(parse(schema, getQuery(event)), event))
}
