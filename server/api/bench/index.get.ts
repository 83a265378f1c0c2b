import { ReadBench } from '#shared/contracts/bench'
import { theHouse } from '../../house/theHouse'
import { answerQuery } from '../../utils/handler'

export default answerQuery(ReadBench, async ({ speciesId, wish }) => (await theHouse()).queries.bench(speciesId, wish))
