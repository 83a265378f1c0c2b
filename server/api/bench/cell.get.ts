import { ReadCell } from '#shared/contracts/bench'
import { theHouse } from '../../house/theHouse'
import { answerQuery } from '../../utils/handler'

export default answerQuery(ReadCell, async ({ damId, sireId, wish }) =>
  (await theHouse()).queries.benchCell(damId, sireId, wish),
)
