import { WriteEntries } from '#shared/contracts/house'
import { answerBody } from '../../utils/handler'
import { theHouse } from '../../house/theHouse'

export default answerBody(WriteEntries, async ({ entries }) => (await theHouse()).writer.write(entries))
