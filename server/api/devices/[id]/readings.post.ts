import { getRequestHeader, getRouterParam } from 'h3'
import { SendReadings } from '#shared/contracts/devices'
import { answerBody } from '../../../utils/handler'
import { theDevices } from '../../../house/theHouse'

/** Open, since devices have tokens of their own. */
export default answerBody(
  SendReadings,
  async ({ readings }, event) => {
    const devices = await theDevices()
    return devices.take(
      devices.authenticated(getRouterParam(event, 'id')!, getRequestHeader(event, 'authorization')),
      readings,
    )
  },
  { open: true },
)
