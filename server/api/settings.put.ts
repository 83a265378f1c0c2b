import { SetSettings } from '#shared/contracts/house'
import { answerBody } from '../utils/handler'
import { theHouse } from '../house/theHouse'

export default answerBody(SetSettings, async settings => (await theHouse()).requests.changeSettings(settings))
