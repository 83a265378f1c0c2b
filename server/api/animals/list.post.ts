import { AddList } from '#shared/contracts/house'
import { theHouse } from '../../house/theHouse'
import { answerBody } from '../../utils/handler'

export default answerBody(AddList, async ({ csv }) => (await theHouse()).requests.addList(csv))
