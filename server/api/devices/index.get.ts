import type { DeviceList } from '#shared/contracts/devices'
import { answer } from '../../utils/handler'
import { houseNow } from '../../house/clock'
import { theDevices, theSimulator } from '../../house/theHouse'

export default answer(async (): Promise<DeviceList> => {
  const [devices, simulator] = [await theDevices(), await theSimulator()]
  const views = await devices.views()
  return {
    devices: await Promise.all(
      views.map(async d => ({
        ...d,
        faults: simulator?.faultsOf(d.id) ?? [],
        canFail: (await simulator?.canFail(d.id)) ?? [],
      })),
    ),
    now: new Date(houseNow()).toISOString(),
    demo: simulator !== null,
  }
})
