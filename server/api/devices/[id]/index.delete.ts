import { getRouterParam } from 'h3'
import { answer } from '../../../utils/handler'
import { theDevices } from '../../../house/theHouse'

export default answer(async event => {
  await (await theDevices()).remove(getRouterParam(event, 'id')!)
  return { removed: true }
})
