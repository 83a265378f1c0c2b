import type { Place } from '#core/subjects'
import { joined, type HourSums } from '../devices/climate'
import { ColdChest, chestDefaults } from '../devices/simulated/coldChest'
import type { DeviceKind } from '#shared/contracts/devices'

export interface DemoDevice {
  id: string
  name: string
  kind: DeviceKind
  placeId: string | null
  hours: Map<number, HourSums>
  /** The last day, by the minute. */
  recent: { at: number; tempC: number }[]
}

const HOUR_MS = 3_600_000
const DAY_MS = 24 * HOUR_MS
const HISTORY_DAYS = 76

/** Hours before the present in which something went wrong, to be found again in the watch. */
interface Incident {
  fault: 'compressor' | 'battery'
  fromHoursAgo: number
  hours: number
}

function probe(
  id: string,
  name: string,
  place: Place,
  setC: number,
  seed: number,
  today: number,
  incidents: Incident[],
): DemoDevice {
  const now = today * DAY_MS + 12 * HOUR_MS
  const chest = new ColdChest({ ...chestDefaults, seed, startC: setC }, () => setC)
  const device: DemoDevice = { id, name, kind: 'probe', placeId: place.id, hours: new Map(), recent: [] }
  for (let hoursAgo = HISTORY_DAYS * 24; hoursAgo > 0; hoursAgo--) {
    for (const i of incidents) {
      if (hoursAgo === i.fromHoursAgo) chest.faults.add(i.fault)
      if (hoursAgo === i.fromHoursAgo - i.hours) chest.faults.delete(i.fault)
    }
    chest.run(now - hoursAgo * HOUR_MS, now - (hoursAgo - 1) * HOUR_MS, (at, tempC) => {
      const hour = Math.floor(at / HOUR_MS)
      device.hours.set(hour, joined(device.hours.get(hour), { n: 1, sumC: tempC, minC: tempC, maxC: tempC }))
      if (at > now - DAY_MS) device.recent.push({ at, tempC })
    })
  }
  return device
}

/** Probes of the chest and the fridge with their readings, and the scale. */
export function coldDevices(places: { cold: Place; fridge: Place }, today: number): DemoDevice[] {
  return [
    probe('demo-probe-chest', 'Chest probe', places.cold, places.cold.tempC!, 41, today, [
      { fault: 'compressor', fromHoursAgo: 31 * 24, hours: 22 },
      { fault: 'battery', fromHoursAgo: 12 * 24, hours: 15 },
    ]),
    probe('demo-probe-fridge', 'Fridge probe', places.fridge, places.fridge.tempC!, 42, today, []),
    { id: 'demo-scale', name: 'Bench scale', kind: 'scale', placeId: null, hours: new Map(), recent: [] },
  ]
}
