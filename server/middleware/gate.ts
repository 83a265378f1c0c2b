import { defineEventHandler, getRequestHeader, getRequestPath } from 'h3'
import { theAccess } from '../house/theHouse'
import { gateOf } from '../utils/gateOf'
import { answerProblem } from '../utils/handler'
import { ProblemError } from '../utils/problem'
import { isIn } from '../utils/session'

/** Open to those who are not in yet: to come in, to see that the server lives, and devices, which have tokens of their own. */
const OPEN = [/^\/api\/access$/, /^\/api\/health$/, /^\/api\/devices\/[^/]+\/readings$/]

/** Before everything else: whether a request may pass at all, and whether who asks is in. */
export default defineEventHandler(async (event) => {
  const path = getRequestPath(event).split('?')[0]!
  try {
    const gate = gateOf()
    const refusal = gate.refusalOf({ method: event.method, host: getRequestHeader(event, 'host'), origin: getRequestHeader(event, 'origin'), site: getRequestHeader(event, 'sec-fetch-site') })
    if (refusal) throw new ProblemError(refusal.status, refusal.title)
    if (!gate.closed || !path.startsWith('/api/') || OPEN.some(open => open.test(path))) return
    if (!await isIn(event, await theAccess())) throw new ProblemError(401, 'Come in with the passphrase first')
  }
  catch (error) {
    return answerProblem(event, error)
  }
})
