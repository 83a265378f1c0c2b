import { HouseSettings } from '#shared/contracts/house'
import { answerBody } from '../utils/handler'
import { theHouse } from '../house/theHouse'

export default answerBody(HouseSettings, async settings => (await theHouse()).changeSettings(settings))
