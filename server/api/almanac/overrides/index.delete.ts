import { z } from 'zod'
import { answerQuery } from '../../../utils/handler'
import { theHouse } from '../../../house/theHouse'

export default answerQuery(z.strictObject({ path: z.string().min(3) }), async ({ path }) =>
  (await theHouse()).requests.dropOverride(path),
)
