import { answer } from '../../utils/handler'
import { theHouse } from '../../house/theHouse'

export default answer(async () => (await theHouse()).queries.plans())
