import { answer } from '../utils/handler'
import { ProblemError } from '../utils/problem'

/** Any other address under /api: said as a problem, not as a page. */
export default answer(() => {
  throw new ProblemError(404, 'There is nothing at this address')
})
