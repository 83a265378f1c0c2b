import { SetOverride } from '#shared/contracts/house'
import { answerBody } from '../../../utils/handler'
import { theHouse } from '../../../house/theHouse'

export default answerBody(SetOverride, async override => (await theHouse()).requests.setOverride(override))
