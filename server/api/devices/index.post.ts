import { NewDevice } from '#shared/contracts/devices'
import { answerBody } from '../../utils/handler'
import { theDevices } from '../../house/theHouse'

/** The token is in this answer and nowhere else. */
export default answerBody(NewDevice, async wish => {
  const { device, token } = await (await theDevices()).add(wish)
  return { id: device.id, name: device.name, kind: device.kind, placeId: device.placeId, token }
})
