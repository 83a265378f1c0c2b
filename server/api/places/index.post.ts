import { NewPlace } from '#shared/contracts/house'
import { answerBody } from '../../utils/handler'
import { theHouse } from '../../house/theHouse'

export default answerBody(NewPlace, async place => (await theHouse()).requests.addPlace(place))
