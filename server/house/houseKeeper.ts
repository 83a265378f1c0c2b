import type { Knex } from 'knex'
import { shippedAlmanac, speciesOf, withOverrides, type Almanac, type Override } from '#core/almanac'
import type { Programme } from '#core/brumation'
import { computedInput } from '#core/judgement'
import {
  checkEntry,
  completeEntry,
  withEntries,
  withEntry,
  type AnimalCard,
  type DatedEntry,
  type Entry,
  type House,
  type Place,
  type Records,
} from '#core/logbook'
import {
  PlanMemory,
  WARM_UP_WITHIN_DAYS,
  benchCell,
  benchOf,
  failureAlarms,
  harmFirst,
  houseOf,
  planJob,
  planKey,
  roomForYoung,
  seasonSteps,
  wishProblem,
  type Alarm,
  type BenchWish,
  type Failure,
  type FeederPlan,
  type HouseSettings,
  type PlanJob,
  type SeasonContext,
  type SeasonWithScenarios,
  type WinterGroupView,
} from '#core/season'
import { CalendarError, calendarOf, dayFromIso } from '#core/units'
import type { BenchSnapshot, CellSnapshot } from '#shared/contracts/bench'
import type {
  AddedList,
  HouseSnapshot,
  NewAnimal,
  NewPlace,
  PlansSnapshot,
  SeasonSnapshot,
  SetSettings,
  TagYoung,
  WroteEntries,
} from '#shared/contracts/house'
import type { z } from 'zod'
import { deleteAnimalsFoundedBy, insertAnimals, insertPlaces, updatePlace } from '../db/repositories/cards'
import { entriesByIds, insertEntries } from '../db/repositories/entries'
import { deleteOverride, writeOverride, writeSettings } from '../db/repositories/ways'
import { breather } from '../utils/breathe'
import { newId } from '../utils/ids'
import { ProblemError } from '../utils/problem'
import { allHours } from '../db/repositories/devices'
import { Climate } from '../devices/climate'
import { readAnimalList } from './animalList'
import { currentDay, houseNow } from './clock'
import { readHouse, type ReadHouse } from './readHouse'
import { sameContent } from './sameContent'
import { suspectOf } from './suspect'

const HOUR_MS = 3_600_000
/** Hours of readings taken into memory: two winters. */
const HOURS_READ = 24 * 400

const currentHour = (): number => Math.floor(houseNow() / HOUR_MS)

/** What follows from one version of the house on one day, and from what it was computed. */
interface Computed extends SeasonWithScenarios {
  version: number
  tookMs: number
  context: SeasonContext
  plans: Promise<PlansSnapshot> | null
}

/** Works one plan out, in a thread of its own or in this one. */
export type PlanSolver = (job: PlanJob) => Promise<FeederPlan>

/**
 * Keeps the house in memory beside its database: every write is checked against what stands, written in one
 * transaction, and only then taken into memory. One write runs at a time.
 */
export class HouseKeeper {
  private version = 1
  private computing: { key: string; result: Promise<Computed> } | null = null
  private house: { records: Records; almanac: Almanac; house: House } | null = null
  private queue: Promise<unknown> = Promise.resolve()
  private readonly planMemory = new PlanMemory()
  private records: Records
  private settings: HouseSettings
  private settingsVersion: number
  private overrides: Override[]
  private almanac: Almanac
  private readonly notices: ReadHouse['notices']

  private constructor(
    private readonly db: Knex,
    private readonly solve: PlanSolver,
    read: ReadHouse,
    /** Temperatures of the places, added to as devices send. */
    readonly climate: Climate,
  ) {
    this.records = read.records
    this.settings = read.settings
    this.settingsVersion = read.settingsVersion
    this.overrides = read.overrides
    this.almanac = read.almanac
    this.notices = read.notices
  }

  static async open(db: Knex, solve: PlanSolver): Promise<HouseKeeper> {
    const read = await readHouse(db)
    const climate = new Climate()
    for (const { placeId, hour, sums } of await allHours(db, currentHour() - HOURS_READ))
      climate.add(placeId, hour, sums)
    return new HouseKeeper(db, solve, read, climate)
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.queue.then(work, work)
    this.queue = turn.catch(() => undefined)
    return turn
  }

  private today(): number {
    return currentDay(this.settings.timeZone).today
  }

  /** Takes over what devices have sent since, and the silence of those that have not. */
  private refresh(): void {
    const climate = this.climate.upTo(currentHour())
    if (climate === this.records.climate) return
    this.records = { ...this.records, climate }
    this.changed()
  }

  private standing(records = this.records): House {
    if (this.house?.records !== records || this.house.almanac !== this.almanac) {
      this.house = { records, almanac: this.almanac, house: houseOf(records, this.almanac) }
    }
    return this.house.house
  }

  private changed(): void {
    this.version++
  }

  snapshot(): HouseSnapshot {
    this.refresh()
    const { today, fixed } = currentDay(this.settings.timeZone)
    return {
      version: this.version,
      today,
      todayFixed: fixed,
      settings: this.settings,
      settingsVersion: this.settingsVersion,
      overrides: this.overrides,
      house: { ...this.standing(), climate: {} },
    }
  }

  /** The season of the house as it stands; worked out once for each version and day, with pauses in which others are answered. */
  private computed(): Promise<Computed> {
    this.refresh()
    const context: SeasonContext = {
      house: this.standing(),
      almanac: this.almanac,
      settings: this.settings,
      today: this.today(),
    }
    const key = `${this.version}:${context.today}`
    if (this.computing?.key === key) return this.computing.result
    const result = this.compute(context, this.records, this.version)
    this.computing = { key, result }
    // what failed is tried again when it is asked for again
    result.catch(() => {
      if (this.computing?.result === result) this.computing = null
    })
    return result
  }

  private async compute(context: SeasonContext, records: Records, version: number): Promise<Computed> {
    const start = performance.now()
    const pause = breather()
    const steps = seasonSteps(context.house, context.almanac, context.settings, context.today)
    for (;;) {
      const { done, value } = steps.next()
      if (!done) {
        await pause()
        continue
      }
      const { season, scenarios } = value
      const alarms = harmFirst([...this.noticed(), ...season.alarms.map(alarm => suspectOf(alarm, records))])
      return {
        version,
        season: { ...season, alarms },
        scenarios,
        context,
        plans: null,
        tookMs: performance.now() - start,
      }
    }
  }

  /** What was set aside when the house was opened, as alarms. */
  private noticed(): Alarm[] {
    return this.notices.map(({ id, text, todo, ids = [] }) => ({
      id: `notice:${id}`,
      level: 'watch',
      subject: null,
      broken: true,
      text,
      todo,
      reasons: [
        { rule: 'What could not be read when the house was opened', inputs: ids.map(row => computedInput('Row', row)) },
      ],
    }))
  }

  async season(): Promise<SeasonSnapshot> {
    const { version, season, tookMs } = await this.computed()
    return { version, season, tookMs }
  }

  /** The programme of a winter group, with what an export of it is called. @throws ProblemError 404 */
  async winterProgramme(
    id: string,
  ): Promise<{ group: WinterGroupView; programme: Programme; settings: HouseSettings; title: string }> {
    const group = (await this.computed()).season.winter.groups.find(g => g.groupId === id)
    if (!group) throw new ProblemError(404, 'There is no such winter group')
    return {
      group,
      programme: group.programme,
      settings: this.settings,
      title: `${group.tag} ${speciesOf(this.almanac, group.speciesId).name}`,
    }
  }

  async plans(): Promise<PlansSnapshot> {
    const computed = await this.computed()
    computed.plans ??= this.plan(computed)
    return computed.plans
  }

  /** One plan a prey; one that cannot be worked out becomes an alarm, and the others stand. */
  private async plan({ version, season, scenarios, context }: Computed): Promise<PlansSnapshot> {
    const start = performance.now()
    const { house, almanac, settings, today } = context
    const failures: Failure[] = []
    const made = await Promise.all(
      season.prey.map(async look => {
        try {
          const key = planKey(look, house, almanac, settings, today)
          return (
            this.planMemory.get(key) ??
            this.planMemory.keep(key, await this.solve(planJob(look, scenarios, house, almanac, settings, today)))
          )
        } catch (error) {
          failures.push({
            subject: { type: 'prey', id: look.prey },
            part: 'its plan',
            message: error instanceof Error ? error.message : String(error),
          })
          return null
        }
      }),
    )
    const plans = made.filter(p => p !== null)
    return {
      version,
      plans,
      alarms: failureAlarms(failures, { ...house, unread: [] }),
      tookMs: performance.now() - start,
    }
  }

  /** Every grown female with every grown male of a species. @throws ProblemError 404 for a species the almanac does not have */
  bench(speciesId: string, wish: readonly BenchWish[]): BenchSnapshot {
    this.refresh()
    if (!this.almanac.species[speciesId]) throw new ProblemError(404, 'The almanac has no such species')
    const start = performance.now()
    const context: SeasonContext = {
      house: this.standing(),
      almanac: this.almanac,
      settings: this.settings,
      today: this.today(),
    }
    this.checkWish(context.house, speciesId, wish)
    const bench = benchOf(context, speciesId, wish)
    return { version: this.version, bench, tookMs: performance.now() - start }
  }

  /** One pair with its working. @throws ProblemError 404 */
  async benchCell(damId: string, sireId: string, wish: readonly BenchWish[]): Promise<CellSnapshot> {
    const { season, context, version } = await this.computed()
    const speciesId = context.house.animals[damId]?.speciesId
    if (speciesId) this.checkWish(context.house, speciesId, wish)
    const pair = benchCell(context, damId, sireId, wish)
    if (!pair || !speciesId) throw new ProblemError(404, 'These two are not of one species of the house')
    return { version, pair, room: roomForYoung(context, speciesId, season) }
  }

  /** A wish speaks of loci of the species, and of looks and genotypes that they have. @throws ProblemError 422 */
  private checkWish(house: House, speciesId: string, wish: readonly BenchWish[]): void {
    const problems = wish.flatMap((w, i) => {
      const why = wishProblem(house.loci[w.locusId], speciesId, w)
      return why ? [{ path: `wish.${i}`, message: why }] : []
    })
    if (problems.length) throw new ProblemError(422, 'This wish cannot be read', problems)
  }

  private dated(entry: Entry): DatedEntry {
    try {
      // written alike, instants sort by time whatever offset they came with
      return { ...entry, at: new Date(entry.at).toISOString(), day: calendarOf(this.settings.timeZone)(entry.at) }
    } catch (error) {
      if (error instanceof CalendarError)
        throw new ProblemError(422, 'Some fields cannot be read', [{ path: 'at', message: error.message }])
      throw error
    }
  }

  /** Checks entries one after the other, each against the house with those before it; long lists make pauses. */
  private async checkAll(
    entries: readonly DatedEntry[],
    start: Records,
  ): Promise<{ records: Records; entries: DatedEntry[] }> {
    const known = { almanac: this.almanac, today: this.today() }
    const pause = breather()
    let records = start
    const accepted: DatedEntry[] = []
    for (const [i, entry] of entries.entries()) {
      const at = (path: string) => (entries.length > 1 ? `entries.${i}.${path}` : path)
      const house = records === this.records ? this.standing() : houseOf(records, this.almanac)
      const resolved = completeEntry(house, entry)
      const problems = 'message' in resolved ? [resolved] : checkEntry(records, house, resolved, known)
      if ('message' in resolved || problems.length)
        throw new ProblemError(
          422,
          'This was not written',
          problems.map(p => ({ ...p, path: at(p.path) })),
        )
      records = withEntry(records, resolved)
      accepted.push(resolved)
      await pause()
    }
    return { records, entries: accepted }
  }

  /** Tells entries that are new from those that are written already, or stand twice in what is sent. @throws ProblemError 409 */
  private async sortOut(sent: readonly Entry[]): Promise<{ fresh: DatedEntry[]; known: string[] }> {
    const written = new Map(
      (
        await entriesByIds(
          this.db,
          sent.map(e => e.id),
        )
      ).map(e => [e.id, e]),
    )
    const house = this.standing()
    const fresh = new Map<string, DatedEntry>()
    const known: string[] = []
    for (const [i, one] of sent.entries()) {
      const entry = this.dated(one)
      const before = written.get(entry.id) ?? fresh.get(entry.id)
      if (!before) fresh.set(entry.id, entry)
      else if (sameContent(entry, before, house)) known.push(entry.id)
      else
        throw new ProblemError(409, 'Nothing was written: an entry with this id says something else', [
          { path: sent.length > 1 ? `entries.${i}.id` : 'id', message: 'Make a new id for a new entry' },
        ])
    }
    return { fresh: [...fresh.values()], known }
  }

  /**
   * Writes entries, all or none. An id that is known with the same content is left as it is.
   * @throws ProblemError 422 with field paths when one cannot have happened; 409 when an id is known with other content
   */
  write(sent: readonly Entry[]): Promise<WroteEntries> {
    return this.inTurn(async () => {
      const { fresh, known } = await this.sortOut(sent)
      const { records, entries } = await this.checkAll(fresh, this.records)
      if (entries.length) {
        await this.db.transaction(async trx => {
          for (const voided of entries.filter(e => e.kind === 'void'))
            await deleteAnimalsFoundedBy(trx, voided.subject.id)
          await insertEntries(trx, entries)
        })
        this.records = records
        this.changed()
      }
      return { written: entries.map(e => e.id), known }
    })
  }

  addAnimal({ id, ...card }: z.output<typeof NewAnimal>): Promise<AnimalCard> {
    return this.inTurn(async () => {
      const known = this.records.animals.find(a => a.id === id)
      if (known)
        return this.knownAs(known, {
          tag: card.tag,
          name: card.name,
          speciesId: card.speciesId,
          sex: card.sex,
          bornDay: card.born === null ? null : dayFromIso(card.born),
          placeId: card.placeId,
        })
      const today = this.today()
      const bornDay = card.born === null ? null : dayFromIso(card.born)
      const errors: { path: string; message: string }[] = []
      if (!this.almanac.species[card.speciesId])
        errors.push({ path: 'speciesId', message: 'The almanac has no such species' })
      if (bornDay !== null && bornDay > today) errors.push({ path: 'born', message: 'It cannot be born in the future' })
      if (card.placeId && !this.standing().places[card.placeId])
        errors.push({ path: 'placeId', message: 'There is no such place' })
      if (this.tagInUse(card.tag)) errors.push({ path: 'tag', message: `The tag ${card.tag} is already in use` })
      if (errors.length) throw new ProblemError(422, 'This animal was not added', errors)
      const { born: _, ...rest } = card
      const animal: AnimalCard = {
        id: id ?? newId(),
        ...rest,
        bornDay,
        damId: null,
        sireId: null,
        clutchId: null,
        foundedBy: null,
      }
      await insertAnimals(this.db, [animal])
      this.records = { ...this.records, animals: [...this.records.animals, animal] }
      this.changed()
      return animal
    })
  }

  /** What stands under the id that was sent, when it says the same. @throws ProblemError 409 */
  private knownAs<T extends object>(known: T, sent: Partial<T>): T {
    const other = (Object.keys(sent) as (keyof T)[]).find(key => sent[key] !== known[key])
    if (other !== undefined)
      throw new ProblemError(409, 'Nothing was written: this id stands for something else', [
        { path: 'id', message: `Make a new id; ${String(other)} differs` },
      ])
    return known
  }

  /** Adds a list of animals with their parents, all or none. @throws ProblemError 422 naming rows */
  addList(csv: string): Promise<AddedList> {
    return this.inTurn(async () => {
      const day = this.today()
      const list = readAnimalList(csv, this.standing(), this.almanac, { instant: this.instantOf(day), day })
      if (Array.isArray(list)) throw new ProblemError(422, 'This list was not added', list)
      await this.db.transaction(async trx => {
        await insertAnimals(trx, list.cards)
        await insertEntries(trx, list.entries)
      })
      this.records = withEntries({ ...this.records, animals: [...this.records.animals, ...list.cards] }, list.entries)
      this.changed()
      return { added: list.cards.length, elsewhere: list.entries.length }
    })
  }

  private tagInUse(tag: string): boolean {
    const house = this.standing()
    const same = (x: { tag: string }) => x.tag.toLowerCase() === tag.toLowerCase()
    return [house.animals, house.pairings, house.clutches, house.cultures, house.lamps, house.winters].some(group =>
      Object.values<{ tag: string }>(group).some(same),
    )
  }

  /** Makes young of a group animals of their own: one entry on the clutch, and a card for each, in one transaction. */
  tagYoung(clutchId: string, wish: z.output<typeof TagYoung>): Promise<AnimalCard[]> {
    return this.inTurn(async () => {
      const known = wish.id ? this.records.animals.filter(a => a.foundedBy === wish.id) : []
      if (known.length) return known
      const house = this.standing()
      if (wish.placeId && !house.places[wish.placeId])
        throw new ProblemError(422, 'No tags were given', [{ path: 'placeId', message: 'There is no such place' }])
      const clutch = house.clutches[clutchId]
      if (!clutch) throw new ProblemError(404, 'There is no such clutch')
      const today = this.today()
      const entry: DatedEntry = {
        id: wish.id ?? newId(),
        at: this.instantOf(today),
        day: today,
        subject: { type: 'clutch', id: clutchId },
        kind: 'tagged',
        data: { count: wish.count },
        source: 'keeper',
      }
      const { records } = await this.checkAll([entry], this.records)
      const pairing = house.pairings[clutch.pairingId]
      const bornDay = (clutch.kind === 'spawn' ? clutch.metamorphosed : clutch.hatched)[0]?.day ?? clutch.startDay
      const cards: AnimalCard[] = []
      for (let n = 1; cards.length < wish.count; n++) {
        const tag = `${wish.prefix}-${String(n).padStart(2, '0')}`
        if (this.tagInUse(tag)) continue
        cards.push({
          id: newId(),
          tag,
          name: null,
          speciesId: clutch.speciesId,
          sex: 'unknown',
          bornDay,
          placeId: wish.placeId ?? clutch.placeId,
          damId: pairing?.damId ?? null,
          sireId: pairing?.sireId ?? null,
          clutchId,
          foundedBy: entry.id,
        })
      }
      await this.db.transaction(async trx => {
        await insertEntries(trx, [entry])
        await insertAnimals(trx, cards)
      })
      this.records = { ...records, animals: [...records.animals, ...cards] }
      this.changed()
      return cards
    })
  }

  private instantOf(day: number): string {
    const now = new Date(houseNow()).toISOString()
    return calendarOf(this.settings.timeZone)(now) === day
      ? now
      : new Date(day * 86_400_000 + 12 * 3_600_000).toISOString()
  }

  private checkPlace(place: Place): void {
    const places = this.standing().places
    if (place.parentId !== null && !places[place.parentId])
      throw new ProblemError(422, 'This place was not written', [
        { path: 'parentId', message: 'There is no such place' },
      ])
    for (let up = place.parentId; up; up = places[up]?.parentId ?? null) {
      if (up === place.id)
        throw new ProblemError(422, 'This place was not written', [
          { path: 'parentId', message: 'A place cannot stand inside itself' },
        ])
    }
  }

  addPlace({ id, ...wish }: z.output<typeof NewPlace>): Promise<Place> {
    return this.inTurn(async () => {
      const known = this.records.places.find(p => p.id === id)
      if (known) return this.knownAs<Place>(known, wish)
      const place: Place = { id: id ?? newId(), ...wish }
      this.checkPlace(place)
      await insertPlaces(this.db, [place])
      this.records = { ...this.records, places: [...this.records.places, place] }
      this.changed()
      return place
    })
  }

  changePlace(id: string, { id: _, ...wish }: z.output<typeof NewPlace>): Promise<Place> {
    return this.inTurn(async () => {
      if (!this.standing().places[id]) throw new ProblemError(404, 'There is no such place')
      const place: Place = { id, ...wish }
      this.checkPlace(place)
      await updatePlace(this.db, place)
      this.records = { ...this.records, places: this.records.places.map(p => (p.id === id ? place : p)) }
      this.changed()
      return place
    })
  }

  /** @throws ProblemError 409 when another change came first, 422 for what the house or the almanac does not have */
  changeSettings({
    version,
    ...settings
  }: z.output<typeof SetSettings>): Promise<{ settings: HouseSettings; version: number }> {
    return this.inTurn(async () => {
      if (version !== this.settingsVersion) {
        throw new ProblemError(
          409,
          'The settings were changed meanwhile, in another window or by someone else; nothing was kept',
          [{ path: 'version', message: 'Load them again, then make your change' }],
        )
      }
      if (settings.timeZone !== this.settings.timeZone && this.records.entries.size) {
        throw new ProblemError(409, 'The time zone is kept', [
          {
            path: 'timeZone',
            message: 'Days of written entries follow the time zone; it is set once, before the first entry',
          },
        ])
      }
      const { warmUpDay } = settings
      if (
        warmUpDay !== null &&
        warmUpDay !== this.settings.warmUpDay &&
        Math.abs(warmUpDay - this.today()) > WARM_UP_WITHIN_DAYS
      ) {
        throw new ProblemError(422, 'The settings were not kept', [
          { path: 'warmUpDay', message: 'This is more than a year away: check the year' },
        ])
      }
      const unknown = Object.entries(settings.schools).find(([key, choice]) => !this.isChoice(key, choice))
      if (unknown)
        throw new ProblemError(422, 'The settings were not kept', [
          { path: `schools.${unknown[0]}`, message: 'There is no such school or choice' },
        ])
      await writeSettings(this.db, settings, version + 1)
      this.settings = settings
      this.settingsVersion = version + 1
      this.changed()
      return { settings, version: version + 1 }
    })
  }

  /** A choice of a school, of the house (`warmUp`) or of one species (`warmUp@corn-snake`); one that stood before may stand on. */
  private isChoice(key: string, choice: string): boolean {
    if (this.settings.schools[key] === choice) return true
    const [id, speciesId, ...more] = key.split('@')
    const school = this.almanac.schools[id!]
    return (
      !more.length &&
      Boolean(school?.choices.some(c => c.id === choice)) &&
      (speciesId === undefined || Boolean(this.almanac.species[speciesId]))
    )
  }

  private async takeOverrides(overrides: Override[], store: () => Promise<void>): Promise<Override[]> {
    const refuse = (message: string) => new ProblemError(422, 'This number was not taken', [{ path: 'value', message }])
    let almanac: Almanac
    try {
      almanac = withOverrides(shippedAlmanac, overrides)
    } catch (error) {
      throw refuse(error instanceof Error ? error.message : String(error))
    }
    // a number that the season of this house cannot be computed with is refused before it is kept
    const broken = (computed: Computed) => new Map(computed.season.alarms.filter(a => a.broken).map(a => [a.id, a]))
    const { records } = this
    const next = this.version + 1
    const context: SeasonContext = {
      house: houseOf(records, almanac),
      almanac,
      settings: this.settings,
      today: this.today(),
    }
    const computed = await this.compute(context, records, next)
    const after = broken(computed)
    // what was broken before stands against no number
    const before = after.size ? broken(await this.computed()) : after
    const worse = [...after.values()].find(a => !before.has(a.id))
    if (worse) throw refuse(`With this number ${worse.text.charAt(0).toLowerCase()}${worse.text.slice(1)}`)
    await store()
    this.overrides = overrides
    this.almanac = almanac
    this.changed()
    // what was worked out to try it is what is asked for next, unless something else came in meanwhile
    if (this.version === next && this.records === records) {
      this.house = { records, almanac, house: context.house }
      this.computing = { key: `${next}:${context.today}`, result: Promise.resolve(computed) }
    }
    return overrides
  }

  setOverride(override: Override): Promise<Override[]> {
    return this.inTurn(() =>
      this.takeOverrides([...this.overrides.filter(o => o.path !== override.path), override], () =>
        writeOverride(this.db, override),
      ),
    )
  }

  dropOverride(path: string): Promise<Override[]> {
    return this.inTurn(() =>
      this.takeOverrides(
        this.overrides.filter(o => o.path !== path),
        () => deleteOverride(this.db, path),
      ),
    )
  }

  /** Waits for the write that runs, then closes the database. */
  async close(): Promise<void> {
    await this.queue
    await this.db.destroy()
  }

  get currentAlmanac(): Almanac {
    return this.almanac
  }

  get database(): Knex {
    return this.db
  }
}
