import { seedFrom } from '#core/chance'
import { CHANNEL_IDS, type Channel, type Zone } from '#core/channels'
import type { Place } from '#core/subjects'
import type { DeviceKind, Fault } from '#shared/contracts/devices'
import type { RawReading } from '../db/repositories/devices'
import { joined, type HourSums } from '../devices/climate'
import { ColdChest, chestDefaults, incubatorDefaults } from '../devices/simulated/coldChest'
import type { SimulatedDevice } from '../devices/simulated/device'
import { Vivarium, vivariumOptions, type VivariumOptions } from '../devices/simulated/vivarium'

export interface DemoDevice {
  id: string
  name: string
  kind: DeviceKind
  placeId: string | null
  zone: Zone
  /** Of each channel: its hours, and the last day by the minute. */
  read: { channel: Channel; hours: Map<number, HourSums>; recent: RawReading[] }[]
}

const HOUR_MS = 3_600_000
const DAY_MS = 24 * HOUR_MS

/** Hours before the present in which something went wrong, to be found again in the watch; it may go on. */
interface Incident {
  fault: Fault
  fromHoursAgo: number
  /** Left out: it has not been mended. */
  hours?: number
}

/** What each demo vivarium is kept at. */
const VIVARIA: Readonly<Record<string, Omit<VivariumOptions, 'seed'>>> = {
  'demo-probe-rock-spot': vivariumOptions('spot', { lightC: 38.5, nightC: 18, humidity: null }, 0),
  'demo-probe-rock-air': vivariumOptions('air', { lightC: 25.5, nightC: 18, humidity: 50 }, 0),
  'demo-probe-moss': vivariumOptions('air', { lightC: 21.5, nightC: 18, humidity: 78 }, 0),
  'demo-probe-gecko-warm': vivariumOptions('warm', { lightC: 31.4, nightC: 26, humidity: null }, 0),
}

const INCIDENTS: Readonly<Record<string, readonly Incident[]>> = {
  'demo-probe-chest': [
    { fault: 'compressor', fromHoursAgo: 31 * 24, hours: 22 },
    { fault: 'battery', fromHoursAgo: 12 * 24, hours: 15 },
  ],
  'demo-probe-incubator': [{ fault: 'thermostat', fromHoursAgo: 9 * 24 }],
  'demo-probe-rock-spot': [{ fault: 'lamp', fromHoursAgo: 30 }],
  'demo-probe-moss': [{ fault: 'mister', fromHoursAgo: 4 * 24 }],
}

/** How a demo vivarium is kept; null for what is none. */
export const demoVivarium = (id: string): VivariumOptions | null => {
  const options = VIVARIA[id]
  return options ? { ...options, seed: seedFrom(id) } : null
}

/** What has gone wrong with a demo device and was not mended. */
export const demoFaults = (id: string): Fault[] =>
  (INCIDENTS[id] ?? []).filter(i => i.hours === undefined).map(i => i.fault)

interface DemoProbe {
  id: string
  name: string
  place: Place
  days: number
  zone?: Zone
}

function probe(
  { id, name, place, days, zone = 'air' }: DemoProbe,
  simulated: SimulatedDevice,
  today: number,
): DemoDevice {
  const now = today * DAY_MS + 12 * HOUR_MS
  const hours = new Map<Channel, Map<number, HourSums>>()
  const recent = new Map<Channel, RawReading[]>()
  for (let hoursAgo = days * 24; hoursAgo > 0; hoursAgo--) {
    for (const i of INCIDENTS[id] ?? []) {
      if (hoursAgo === i.fromHoursAgo) simulated.faults.add(i.fault)
      if (i.hours !== undefined && hoursAgo === i.fromHoursAgo - i.hours) simulated.faults.delete(i.fault)
    }
    simulated.run(now - hoursAgo * HOUR_MS, now - (hoursAgo - 1) * HOUR_MS, (at, reads) => {
      const hour = Math.floor(at / HOUR_MS)
      for (const channel of CHANNEL_IDS) {
        const value = reads[channel]
        if (value === undefined) continue
        const ofChannel = hours.get(channel) ?? new Map<number, HourSums>()
        ofChannel.set(hour, joined(ofChannel.get(hour), { n: 1, sum: value, min: value, max: value }))
        hours.set(channel, ofChannel)
        if (at <= now - DAY_MS) continue
        const last = recent.get(channel) ?? []
        last.push({ channel, at, value })
        recent.set(channel, last)
      }
    })
  }
  const read = [...hours].map(([channel, of]) => ({ channel, hours: of, recent: recent.get(channel) ?? [] }))
  return { id, name, kind: 'probe', placeId: place.id, zone, read }
}

export interface DemoPlaces {
  cold: Place
  fridge: Place
  warmIncubator: Place
  rockPen: Place
  mossTank: Place
  geckoRack: Place
}

/** Probes of the house with their readings, and the scale. */
export function demoDevices(places: DemoPlaces, today: number): DemoDevice[] {
  const chest = (place: Place, id: string, options = chestDefaults) =>
    new ColdChest({ ...options, seed: seedFrom(id), startC: place.tempC! }, () => place.tempC!)
  const vivarium = (id: string, name: string, place: Place) => {
    const options = demoVivarium(id)!
    return probe({ id, name, place, days: 20, zone: options.zone }, new Vivarium(options), today)
  }
  const chestProbe = (id: string, name: string, place: Place, days = 76, options?: typeof chestDefaults) =>
    probe({ id, name, place, days }, chest(place, id, options), today)
  return [
    chestProbe('demo-probe-chest', 'Chest probe', places.cold),
    chestProbe('demo-probe-fridge', 'Fridge probe', places.fridge),
    chestProbe('demo-probe-incubator', 'Incubator probe', places.warmIncubator, 24, incubatorDefaults),
    vivarium('demo-probe-rock-spot', 'Rock pen, spot', places.rockPen),
    vivarium('demo-probe-rock-air', 'Rock pen, air', places.rockPen),
    vivarium('demo-probe-moss', 'Moss tank', places.mossTank),
    vivarium('demo-probe-gecko-warm', 'Gecko rack, warm end', places.geckoRack),
    { id: 'demo-scale', name: 'Bench scale', kind: 'scale', placeId: null, zone: 'air', read: [] },
  ]
}
