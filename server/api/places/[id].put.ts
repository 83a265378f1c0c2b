import { getRouterParam } from 'h3'
import { NewPlace } from '#shared/contracts/house'
import { answerBody } from '../../utils/handler'
import { theHouse } from '../../house/theHouse'

export default answerBody(NewPlace, async (place, event) =>
  (await theHouse()).requests.changePlace(getRouterParam(event, 'id')!, place),
)
