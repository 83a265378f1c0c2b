import { getRouterParam } from 'h3'
import { answer } from '../../../utils/handler'
import { ProblemError } from '../../../utils/problem'
import { theDevices, theSimulator } from '../../../house/theHouse'

/** What a scale shows now, and whether it is at rest. */
export default answer(async event => {
  const devices = await theDevices()
  const device = devices.device(getRouterParam(event, 'id')!)
  if (device.kind !== 'scale') throw new ProblemError(422, `${device.name} is no scale`)
  const simulator = await theSimulator()
  return device.simulated && simulator ? simulator.weight() : devices.weightOf(device)
})
