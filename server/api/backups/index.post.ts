import { z } from 'zod'
import { theBackups } from '../../house/theHouse'
import { answerBody } from '../../utils/handler'

/** Makes a backup now. */
export default answerBody(z.strictObject({}), async () => (await theBackups()).make('asked'))
