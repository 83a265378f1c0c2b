import { NewAnimal } from '#shared/contracts/house'
import { answerBody } from '../../utils/handler'
import { theHouse } from '../../house/theHouse'

export default answerBody(NewAnimal, async card => (await theHouse()).requests.addAnimal(card))
