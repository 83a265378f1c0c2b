import { getRouterParam } from 'h3'
import { SendReadings } from '#shared/contracts/devices'
import { answerBody } from '../../../utils/handler'
import { theDevices } from '../../../house/theHouse'

/** Takes readings of a logger's file, all or none. */
export default answerBody(SendReadings, async ({ readings }, event) => {
  const devices = await theDevices()
  return devices.takeFile(devices.device(getRouterParam(event, 'id')!), readings)
})
