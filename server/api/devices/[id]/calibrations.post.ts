import { getRouterParam } from 'h3'
import { Calibrate } from '#shared/contracts/devices'
import { answerBody } from '../../../utils/handler'
import { theDevices } from '../../../house/theHouse'

/** Writes what an instrument showed against a reference: its readings are corrected from now on. */
export default answerBody(Calibrate, async (wish, event) => {
  const devices = await theDevices()
  return devices.calibrate(devices.device(getRouterParam(event, 'id')!), wish)
})
