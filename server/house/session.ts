import type { Almanac, Override } from '#core/almanac'
import { SeasonMemory, defaultSettings, type Alarm, type HouseSettings, type SeasonContext } from '#core/season'
import { computedInput } from '#core/judgement'
import {
  FoldMemory,
  THE_HOUSE,
  cultureWeekdayOf,
  draftOf,
  foldHouse,
  ownNumbers,
  type Draft,
  type House,
  type Records,
} from '#core/subjects'
import type { Climate } from '../devices/climate'
import { currentDay, houseNow } from './clock'
import { soundAlmanac, type Notice, type ReadHouse } from './readHouse'

const HOUR_MS = 3_600_000
export const currentHour = (): number => Math.floor(houseNow() / HOUR_MS)

/** Whether two houses say the same of the almanac. */
function saysSame(a: House, b: House): boolean {
  const rows = (house: House) => [
    ...Object.values({ ...house.species, ...house.feeders }),
    ...Object.values(house.suppliers),
    cultureWeekdayOf(house),
  ]
  const [of, other] = [rows(a), rows(b)]
  return (
    of.length === other.length &&
    of.every((row, i) => row === other[i]) &&
    JSON.stringify(ownNumbers(a)) === JSON.stringify(ownNumbers(b))
  )
}

/** The house and the almanac that follow from one state of the log. */
interface Standing {
  records: Records
  house: House
  settings: HouseSettings
  overrides: Override[]
  almanac: Almanac
  /** Own numbers that the almanac cannot take. */
  refused: Notice[]
}

/**
 * What stands in memory of one house: what is written, what follows from it, and all that is remembered from one
 * computation to the next. Nothing of it lives longer than the session.
 */
export class HouseSession {
  /** Counts up with every change of what is written or read. */
  version = 1
  private readonly memory = new FoldMemory()
  private readonly remembered = new SeasonMemory()
  private readonly listeners = new Set<() => void>()
  private readonly notices: readonly Notice[]
  private current: Standing
  /** Settings that were written; a change names the count it was made on, so that a lost one is noticed. */
  settingsVersion: number

  constructor(
    read: ReadHouse,
    /** Temperatures of the places, added to as devices send. */
    readonly climate: Climate,
  ) {
    this.notices = read.notices
    this.settingsVersion = read.settingsVersion
    this.current = this.stand(read.records)
  }

  /** The house of other records, with what is remembered of this one. */
  houseOf(records: Records): House {
    return records === this.current?.records ? this.current.house : foldHouse(records, this.memory)
  }

  /** The log as it stands, to write on. */
  draft(): Draft {
    return draftOf(this.records, this.house, this.memory)
  }

  /** What follows from records: the house, its settings, and the almanac with its own numbers. */
  stand(records: Records): Standing {
    const house = this.houseOf(records)
    const before = this.current as Standing | undefined
    const settings = house.settings[THE_HOUSE]?.settings ?? defaultSettings
    // the same rows and numbers give the same almanac, as an object too: what is computed from it is remembered by it
    if (before && saysSame(house, before.house)) return { ...before, records, house, settings }
    const { overrides, almanac, refused } = soundAlmanac(house)
    return { records, house, settings, overrides, almanac, refused }
  }

  /** Tells of every change. @returns to be called to hear no more */
  onChange(listener: () => void): () => void {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** Takes over what was written. */
  take(standing: Standing): void {
    if (standing.settings !== this.current.settings) this.settingsVersion++
    this.current = standing
    this.version++
    for (const listener of this.listeners) listener()
  }

  /** Takes over what devices have sent since, and the silence of those that have not. */
  refresh(): void {
    const climate = this.climate.upTo(currentHour())
    if (climate === this.current.records.climate) return
    this.take(this.stand({ ...this.current.records, climate }))
  }

  get records(): Records {
    return this.current.records
  }

  get house(): House {
    return this.current.house
  }

  get settings(): HouseSettings {
    return this.current.settings
  }

  get overrides(): Override[] {
    return this.current.overrides
  }

  get almanac(): Almanac {
    return this.current.almanac
  }

  today(): number {
    return currentDay(this.settings.timeZone).today
  }

  context(
    { house, almanac, settings }: Pick<Standing, 'house' | 'almanac' | 'settings'> = this.current,
  ): SeasonContext {
    return { house, almanac, settings, today: this.today(), memory: this.remembered }
  }

  /** What was set aside when the house was opened, as alarms. */
  noticed(): Alarm[] {
    return [...this.notices, ...this.current.refused].map(({ id, text, todo, ids = [] }) => ({
      id: `notice:${id}`,
      level: 'watch',
      subject: null,
      broken: true,
      text,
      todo,
      reasons: [
        {
          rule: 'What could not be read when the house was opened',
          inputs: ids.map(row => computedInput('Row', row)),
        },
      ],
    }))
  }
}

export type { Standing }
