import { defineEventHandler, getRequestHeader } from 'h3'
import { gateOf } from '../utils/gateOf'
import { answerProblem } from '../utils/handler'
import { ProblemError } from '../utils/problem'

/**
 * Before everything else: whether a request may pass at all, by the name it calls the server by and by whose page it
 * comes from.
 */
export default defineEventHandler(event => {
  const header = (name: string) => getRequestHeader(event, name)
  const refusal = gateOf().refusalOf({
    method: event.method,
    host: header('host'),
    origin: header('origin'),
    site: header('sec-fetch-site'),
  })
  if (refusal) return answerProblem(event, new ProblemError(refusal.status, refusal.title))
})
