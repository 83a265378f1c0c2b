import { getRouterParam } from 'h3'
import { LoadScale } from '#shared/contracts/devices'
import { answerBody } from '../../../utils/handler'
import { ProblemError } from '../../../utils/problem'
import { theDevices, theSimulator } from '../../../house/theHouse'

/** Puts an animal on the simulated scale. */
export default answerBody(LoadScale, async ({ animalId }, event) => {
  const simulator = await theSimulator()
  const device = (await theDevices()).device(getRouterParam(event, 'id')!)
  if (!simulator || !device.simulated)
    throw new ProblemError(409, 'Only a simulated device of a demonstration can do this')
  simulator.loadScale(animalId)
  return simulator.weight()
})
