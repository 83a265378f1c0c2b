import { ReadChanges } from '#shared/contracts/changes'
import { theHouse } from '../house/theHouse'
import { answerQuery } from '../utils/handler'
import { PressedAnswer } from '../utils/pressed'

/** All who open the house as it stands are told the same. */
const whole = new PressedAnswer()

export default answerQuery(ReadChanges, async ({ since }, event) => {
  const changes = await (await theHouse()).changes.since(since)
  return 'whole' in changes ? whole.to(event, changes) : changes
})
