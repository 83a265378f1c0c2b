import { LetTimePass } from '#shared/contracts/devices'
import { answerBody } from '../utils/handler'
import { ProblemError } from '../utils/problem'
import { houseNow, letTimePass } from '../house/clock'
import { theSimulator } from '../house/theHouse'

/** Lets time pass in a demonstration, hour by hour, while its devices read. */
export default answerBody(LetTimePass, async ({ hours }) => {
  const simulator = await theSimulator()
  if (!simulator) throw new ProblemError(409, 'Time can be let pass in a demonstration only')
  letTimePass(hours)
  await simulator.catchUp()
  return { now: new Date(houseNow()).toISOString() }
})
