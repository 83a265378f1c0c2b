import { programmeOf, setpointAt, hasWinter } from '#core/brumation'
import { seedFrom } from '#core/chance'
import { CHANNELS, type Channel } from '#core/channels'
import { inCold } from '#core/subjects'
import { temperatureAt } from '#core/places'
import type { Fault, ScaleReading } from '#shared/contracts/devices'
import type { HouseKeeper } from '../../house/houseKeeper'
import { houseNow } from '../../house/clock'
import { latestReadings, type Device } from '../../db/repositories/devices'
import { demoFaults, demoVivarium } from '../../demo/devices'
import type { DeviceKeeper } from '../deviceKeeper'
import type { SentReading } from '../sortReadings'
import { ColdChest, chestDefaults, incubatorDefaults } from './coldChest'
import type { Reads, SimulatedDevice } from './device'
import { SettlingScale } from './scale'
import { Vivarium } from './vivarium'

const HOUR_MS = 3_600_000
/** A server that stood still longer than this leaves a gap, as a dead probe would. */
const MOST_CAUGHT_UP_MS = 14 * 24 * HOUR_MS
const AT_ONCE = 4000
/** Lost per day by an animal in the cold, and gained by one awake, on the simulated scale. */
const DRIFT_PER_DAY = { cold: -0.0004, awake: 0.0008 }

/** What a simulated device reads, as a device would send it. */
export function sentReading(ms: number, reads: Reads): SentReading {
  const fields = Object.entries(reads).map(([channel, value]) => [CHANNELS[channel as Channel].field, value])
  return { at: new Date(ms).toISOString(), ...Object.fromEntries(fields) } as SentReading
}

/** The devices of a demonstration: they read a made-up house, and send by the same way as real ones. */
export class Simulator {
  private readonly probes = new Map<string, { probe: SimulatedDevice; toMs: number }>()
  private readonly scale = new SettlingScale()

  constructor(
    private readonly house: HouseKeeper,
    private readonly devices: DeviceKeeper,
  ) {}

  /** The coldest that a winter group in this place asks for now, else what the place is set to. */
  private setpointOf(placeId: string, ms: number): number {
    const { house, settings } = this.house.session
    const wished = Object.values(house.winters)
      .filter(g => !g.ended && g.placeId === placeId)
      .flatMap(group => {
        const species = this.house.currentAlmanac.species[group.speciesId]
        return species && hasWinter(species)
          ? [
              setpointAt(
                programmeOf(
                  species,
                  { almanac: this.house.currentAlmanac, schools: settings.schools },
                  group.coolDay,
                  group.ways,
                  group.tag,
                ),
                ms / HOUR_MS,
              ),
            ]
          : []
      })
    const set = house.places[placeId]?.tempC ?? 12
    return wished.length ? Math.min(set, ...wished) : set
  }

  private chest(device: Device, startC: number): SimulatedDevice {
    // the wish of the place changes by the hour at most, so it is asked for once an hour
    let asked = { hour: -1, setC: startC }
    const setpoint = (ms: number) => {
      const hour = Math.floor(ms / HOUR_MS)
      if (hour !== asked.hour) asked = { hour, setC: this.setpointOf(device.placeId!, ms) }
      return asked.setC
    }
    const cools = this.house.house.places[device.placeId!]?.kind === 'cold'
    return new ColdChest(
      { ...(cools ? chestDefaults : incubatorDefaults), seed: seedFrom(device.id), startC },
      setpoint,
    )
  }

  private async probeOf(device: Device, nowMs: number): Promise<{ probe: SimulatedDevice; toMs: number }> {
    let held = this.probes.get(device.id)
    if (!held) {
      const latest = (await latestReadings(this.house.database)).get(device.no)
      const last = latest?.find(r => r.channel === 'temperature')
      const vivarium = demoVivarium(device.id)
      const startC = last?.value ?? temperatureAt(this.house.house.places, device.placeId) ?? 12
      held = {
        probe: vivarium ? new Vivarium(vivarium) : this.chest(device, startC),
        toMs: Math.max(last?.at ?? nowMs - HOUR_MS, nowMs - MOST_CAUGHT_UP_MS),
      }
      for (const fault of demoFaults(device.id)) held.probe.faults.add(fault)
      this.probes.set(device.id, held)
    }
    return held
  }

  /** Lets every simulated probe read up to the present of the house. */
  async catchUp(): Promise<void> {
    const now = houseNow()
    for (const device of this.devices.all.filter(d => d.simulated && d.kind === 'probe')) {
      const held = await this.probeOf(device, now)
      const readings: SentReading[] = []
      held.probe.run(held.toMs, now, (ms, reads) => readings.push(sentReading(ms, reads)))
      held.toMs = Math.max(held.toMs, now)
      for (let i = 0; i < readings.length; i += AT_ONCE) await this.devices.take(device, readings.slice(i, i + AT_ONCE))
    }
  }

  faultsOf(deviceId: string): Fault[] {
    return [...(this.probes.get(deviceId)?.probe.faults ?? demoFaults(deviceId))]
  }

  /** What can go wrong with a simulated probe. */
  async canFail(deviceId: string): Promise<Fault[]> {
    const device = this.devices.device(deviceId)
    if (!device.simulated || device.kind !== 'probe') return []
    return [...(await this.probeOf(device, houseNow())).probe.canFail]
  }

  async setFault(device: Device, fault: Fault, on: boolean): Promise<void> {
    const { probe } = await this.probeOf(device, houseNow())
    if (on) probe.faults.add(fault)
    else probe.faults.delete(fault)
  }

  /** Puts an animal on the simulated scale, at about what it should weigh by now; null takes it off. */
  loadScale(animalId: string | null): void {
    if (animalId === null) {
      this.scale.put(null, Date.now())
      return
    }
    const { house } = this.house
    const today = this.house.session.today()
    const animal = house.animals[animalId]
    const last = animal?.weights.at(-1)
    if (!animal) return
    const own = ((seedFrom(animalId) % 100) - 50) / 50_000
    const drift = (inCold(animal) ? DRIFT_PER_DAY.cold : DRIFT_PER_DAY.awake) * (last ? today - last.day : 0)
    this.scale.put(
      (last?.massG ?? this.house.currentAlmanac.species[animal.speciesId]?.adultMassG.value ?? 100) * (1 + drift + own),
      Date.now(),
    )
  }

  weight(): ScaleReading {
    return this.scale.read(Date.now())
  }
}
