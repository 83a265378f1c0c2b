import { ReadChanges } from '#shared/contracts/changes'
import { theHouse } from '../../house/theHouse'
import { answerQuery } from '../../utils/handler'

export default answerQuery(ReadChanges, async ({ since }) => (await theHouse()).changes.plansSince(since))
