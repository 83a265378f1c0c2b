import { seededRandom } from '#core/chance'
import type { Zone } from '#core/channels'
import type { Fault } from '#shared/contracts/devices'
import { nextTempC } from './coldChest'
import type { Reads, SimulatedDevice } from './device'

export interface VivariumOptions {
  zone: Zone
  /** What it warms to by light over its room, K; and by night. */
  lightK: number
  nightK: number
  /** Hours in which a difference falls to 1/e: a spot under a lamp is quick, a tank is slow. */
  tauHours: number
  /** Humidity that it dries to, and what one misting brings it to, %; null: it has no hygrometer. */
  humidity: { dry: number; misted: number; tauHours: number } | null
  seed: number
}

/** Hours of the clock (UTC, near enough for a made-up house) of lamps and mist. Invented for the demonstration. */
const LAMPS_ON = 7
const LAMPS_OFF = 19
const MISTED_AT = [7.25, 18.25]
const MINUTE_MS = 60_000
const HOURS_PER_MINUTE = 1 / 60
/** What a room in which animals live is kept at. */
const ROOM_C = 22

/** What a vivarium is kept at, by the spot that is read and by what its animals need. */
export function vivariumOptions(
  zone: Zone,
  needs: { lightC: number; nightC: number; humidity: number | null },
  seed: number,
): VivariumOptions {
  const { lightC, nightC, humidity } = needs
  return {
    zone,
    lightK: lightC - ROOM_C,
    nightK: nightC - ROOM_C,
    tauHours: zone === 'spot' ? 0.3 : 1.2,
    humidity: humidity === null ? null : { dry: humidity - 10, misted: humidity + 12, tauHours: 5 },
    seed,
  }
}

/** A vivarium with lamps by day, a drop by night and a mister, stepped by the minute. */
export class Vivarium implements SimulatedDevice {
  readonly faults = new Set<Fault>()
  readonly canFail: readonly Fault[]
  private tempC: number
  private humidity: number
  private readonly random: () => number

  constructor(private readonly options: VivariumOptions) {
    this.random = seededRandom(options.seed)
    this.tempC = ROOM_C + options.lightK
    this.humidity = options.humidity?.misted ?? 50
    this.canFail = options.humidity ? ['lamp', 'mister', 'battery'] : ['lamp', 'battery']
  }

  private noise(size: number): number {
    return size * (this.random() + this.random() + this.random() - 1.5)
  }

  /** Goes on by one minute to `ms`, and reads. */
  private step(ms: number): Reads {
    const { lightK, nightK, tauHours, humidity } = this.options
    const clock = (ms / 3_600_000) % 24
    const lit = clock >= LAMPS_ON && clock < LAMPS_OFF && !this.faults.has('lamp')
    this.tempC = nextTempC(this.tempC, ROOM_C + (lit ? lightK : nightK), HOURS_PER_MINUTE, tauHours)
    const temperature = Math.round((this.tempC + this.noise(0.2)) * 100) / 100
    if (!humidity) return { temperature }
    const misted = MISTED_AT.some(at => Math.abs(clock - at) < HOURS_PER_MINUTE / 2) && !this.faults.has('mister')
    this.humidity = misted
      ? humidity.misted
      : nextTempC(this.humidity, this.driesTo(humidity), HOURS_PER_MINUTE, humidity.tauHours)
    return { temperature, humidity: Math.round(Math.min(100, this.humidity + this.noise(0.8)) * 10) / 10 }
  }

  /** Without mist a tank dries to the room. */
  private driesTo({ dry }: { dry: number }): number {
    return this.faults.has('mister') ? Math.min(dry, 42) : dry
  }

  run(fromMs: number, toMs: number, take: (ms: number, reads: Reads) => void): void {
    for (let ms = (Math.floor(fromMs / MINUTE_MS) + 1) * MINUTE_MS; ms <= toMs; ms += MINUTE_MS) {
      const reads = this.step(ms)
      if (!this.faults.has('battery')) take(ms, reads)
    }
  }
}
