import { getRouterParam } from 'h3'
import { TagYoung } from '#shared/contracts/house'
import { answerBody } from '../../../utils/handler'
import { theHouse } from '../../../house/theHouse'

export default answerBody(TagYoung, async (wish, event) =>
  (await theHouse()).requests.tag({ type: 'clutch', id: getRouterParam(event, 'id')! }, wish),
)
