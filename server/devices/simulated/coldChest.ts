import { seededRandom } from '#core/chance'
import { dayOfYear } from '#core/brumation'
import type { Fault } from '#shared/contracts/devices'
import type { Reads, SimulatedDevice } from './device'

export interface ChestOptions {
  /** Hours in which a difference to the room falls to 1/e with the lid shut. */
  tauHours: number
  /** How far below the room it settles with the compressor on, K; and above it with the heater on. */
  coolsK: number
  heatsK: number
  /** What its thermostat reads too low when it fails, K: so much too warm is the box. */
  readsLowK?: number
  /** Thermostat: on above and below the setpoint by this, K. */
  hysteresisK: number
  noiseK: number
  seed: number
  startC: number
}

export const chestDefaults: Omit<ChestOptions, 'seed' | 'startC'> = {
  tauHours: 6,
  coolsK: 24,
  heatsK: 14,
  hysteresisK: 0.35,
  noiseK: 0.06,
}

/** An incubator: it heats slowly, and cools by itself. */
export const incubatorDefaults: Omit<ChestOptions, 'seed' | 'startC'> = {
  tauHours: 4,
  coolsK: 0,
  heatsK: 24,
  readsLowK: 1.6,
  hysteresisK: 0.2,
  noiseK: 0.05,
}

/**
 * Temperature of an unheated back room in a cool upland town: the year, and the day in it. Invented for the
 * demonstration.
 */
export function roomTempC(ms: number): number {
  const day = Math.floor(ms / 86_400_000)
  const hour = (ms / 3_600_000) % 24
  return (
    16 - 5 * Math.cos((2 * Math.PI * (dayOfYear(day) - 20)) / 365) - 1.2 * Math.cos((2 * Math.PI * (hour - 3)) / 24)
  )
}

/**
 * One step of a first-order store of heat: it nears its rest temperature exponentially.
 * T(t + dt) = rest + (T − rest) · exp(−dt / tau), which is exact for a rest temperature that holds over the step.
 */
export const nextTempC = (tempC: number, restC: number, hours: number, tauHours: number): number =>
  restC + (tempC - restC) * Math.exp(-hours / tauHours)

const OPEN_TAU_HOURS = 0.6
const MINUTE_MS = 60_000

/**
 * A chest with a thermostat and a probe, stepped by the minute: one that cools, or an incubator that heats. The same seed
 * gives the same readings.
 */
export class ColdChest implements SimulatedDevice {
  readonly canFail: readonly Fault[]
  private tempC: number
  private running: 'cooling' | 'heating' | null = null
  private openMinutes = 0
  private readonly random: () => number
  readonly faults = new Set<Fault>()

  constructor(
    private readonly options: ChestOptions,
    private readonly setpointC: (ms: number) => number,
    private readonly roomC: (ms: number) => number = roomTempC,
  ) {
    this.tempC = options.startC
    this.canFail =
      options.coolsK > 0
        ? ['compressor', 'power', 'battery', 'door']
        : ['thermostat', 'power', 'relay', 'battery', 'door']
    this.random = seededRandom(options.seed)
  }

  private gauss(): number {
    return Math.sqrt(-2 * Math.log(1 - this.random())) * Math.cos(2 * Math.PI * this.random())
  }

  /** Someone looks in for so many minutes. */
  openDoor(minutes: number): void {
    this.openMinutes = Math.max(this.openMinutes, minutes)
  }

  /** What heater or compressor do to where it comes to rest, K: nothing without power, all the time when stuck on. */
  private pull(coolsK: number, heatsK: number): number {
    if (this.faults.has('power')) return 0
    if (this.faults.has('relay')) return heatsK
    if (this.running === 'cooling') return this.faults.has('compressor') ? 0 : -coolsK
    return this.running === 'heating' ? heatsK : 0
  }

  /** Goes on by one minute to `ms`, and reads; null with a dead battery. */
  step(ms: number): number | null {
    const setC = this.setpointC(ms) + (this.faults.has('thermostat') ? (this.options.readsLowK ?? 0) : 0)
    const { hysteresisK, coolsK, heatsK, tauHours, noiseK } = this.options
    if (this.tempC > setC + hysteresisK) this.running = 'cooling'
    else if (this.tempC < setC - hysteresisK) this.running = 'heating'
    else if ((this.running === 'cooling' && this.tempC <= setC) || (this.running === 'heating' && this.tempC >= setC))
      this.running = null
    const room = this.roomC(ms)
    const rest = room + this.pull(coolsK, heatsK)
    // now and then someone looks in for two minutes
    if (this.openMinutes === 0 && this.random() < 1 / (60 * 60)) this.openMinutes = 2
    const open = this.faults.has('door') || this.openMinutes > 0
    if (this.openMinutes > 0) this.openMinutes--
    this.tempC = open
      ? nextTempC(this.tempC, room, 1 / 60, OPEN_TAU_HOURS)
      : nextTempC(this.tempC, rest, 1 / 60, tauHours)
    const read = this.tempC + noiseK * this.gauss()
    return this.faults.has('battery') ? null : Math.round(read * 100) / 100
  }

  /** Every minute after `fromMs` up to `toMs`. */
  run(fromMs: number, toMs: number, take: (ms: number, reads: Reads) => void): void {
    for (let ms = (Math.floor(fromMs / MINUTE_MS) + 1) * MINUTE_MS; ms <= toMs; ms += MINUTE_MS) {
      const read = this.step(ms)
      if (read !== null) take(ms, { temperature: read })
    }
  }
}
