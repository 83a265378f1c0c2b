import { getRouterParam } from 'h3'
import { SetFault } from '#shared/contracts/devices'
import { answerBody } from '../../../utils/handler'
import { ProblemError } from '../../../utils/problem'
import { theDevices, theSimulator } from '../../../house/theHouse'

/** Breaks a simulated device, or mends it. */
export default answerBody(SetFault, async ({ fault, on }, event) => {
  const simulator = await theSimulator()
  const device = (await theDevices()).device(getRouterParam(event, 'id')!)
  if (!simulator || !device.simulated)
    throw new ProblemError(409, 'Only a simulated device of a demonstration can do this')
  await simulator.setFault(device, fault, on)
  return { faults: simulator.faultsOf(device.id) }
})
