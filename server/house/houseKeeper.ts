import type { Knex } from 'knex'
import { shippedAlmanac, speciesOf, withOverrides, type Almanac, type Override } from '#core/almanac'
import type { Programme } from '#core/brumation'
import type { SolveLp } from '#core/cultures'
import { checkEntry, recordsFrom, completeEntry, withEntries, withEntry, type AnimalCard, type DatedEntry, type Entry, type House, type Place, type Records } from '#core/logbook'
import { benchCell, benchOf, houseOf, planFeeders, roomForYoung, seasonOfHouse, type BenchWish, type HouseSettings, type Scenarios, type SeasonContext, type WinterGroupView } from '#core/season'
import { CalendarError, calendarOf, dayFromIso } from '#core/units'
import type { BenchSnapshot, CellSnapshot } from '#shared/contracts/bench'
import type { AddedList, HouseSnapshot, NewAnimal, NewPlace, PlansSnapshot, SeasonSnapshot, TagYoung, WroteEntries } from '#shared/contracts/house'
import type { z } from 'zod'
import { allAnimals, allPlaces, deleteAnimalsFoundedBy, insertAnimals, insertPlaces, updatePlace } from '../db/repositories/cards'
import { allEntries, entriesByIds, insertEntries } from '../db/repositories/entries'
import { deleteOverride, readOverrides, readSettings, writeOverride, writeSettings } from '../db/repositories/ways'
import { newId } from '../utils/ids'
import { ProblemError } from '../utils/problem'
import { allHours } from '../db/repositories/devices'
import { Climate } from '../devices/climate'
import { readAnimalList } from './animalList'
import { currentDay, houseNow } from './clock'

const HOUR_MS = 3_600_000
/** Hours of readings taken into memory: two winters. */
const HOURS_READ = 24 * 400

const currentHour = (): number => Math.floor(houseNow() / HOUR_MS)

/** What follows from one version of the house on one day. */
interface Computed {
  key: string
  scenarios: Scenarios
  season: SeasonSnapshot
  plans: PlansSnapshot | null
}

/**
 * Keeps the house in memory beside its database: every write is checked against what stands, written in one
 * transaction, and only then taken into memory. One write runs at a time.
 */
export class HouseKeeper {
  private version = 1
  private cached: Computed | null = null
  private house: { records: Records, almanac: Almanac, house: House } | null = null
  private queue: Promise<unknown> = Promise.resolve()

  private constructor(
    private readonly db: Knex,
    private readonly solve: SolveLp,
    private records: Records,
    private settings: HouseSettings,
    private overrides: Override[],
    private almanac: Almanac,
    /** Temperatures of the places, added to as devices send. */
    readonly climate: Climate,
  ) {}

  static async open(db: Knex, solve: SolveLp): Promise<HouseKeeper> {
    const [places, animals, log, settings, overrides, hours] = await Promise.all([allPlaces(db), allAnimals(db), allEntries(db), readSettings(db), readOverrides(db), allHours(db, currentHour() - HOURS_READ)])
    const climate = new Climate()
    for (const { placeId, hour, sums } of hours) climate.add(placeId, hour, sums)
    return new HouseKeeper(db, solve, recordsFrom(places, animals, log), settings, overrides, withOverrides(shippedAlmanac, overrides), climate)
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
    return { version: this.version, today, todayFixed: fixed, settings: this.settings, overrides: this.overrides, house: { ...this.standing(), climate: {} } }
  }

  private computed(): Computed {
    this.refresh()
    const today = this.today()
    const key = `${this.version}:${today}`
    if (this.cached?.key === key) return this.cached
    const start = performance.now()
    const { season, scenarios } = seasonOfHouse(this.standing(), this.almanac, this.settings, today)
    this.cached = { key, scenarios, season: { version: this.version, season, tookMs: performance.now() - start }, plans: null }
    return this.cached
  }

  season(): SeasonSnapshot {
    return this.computed().season
  }

  /** The programme of a winter group, with what an export of it is called. @throws ProblemError 404 */
  winterProgramme(id: string): { group: WinterGroupView, programme: Programme, settings: HouseSettings, title: string } {
    const group = this.computed().season.season.winter.groups.find(g => g.groupId === id)
    if (!group) throw new ProblemError(404, 'There is no such winter group')
    return { group, programme: group.programme, settings: this.settings, title: `${group.tag} ${speciesOf(this.almanac, group.speciesId).name}` }
  }

  plans(): PlansSnapshot {
    const computed = this.computed()
    if (!computed.plans) {
      const start = performance.now()
      const plans = planFeeders(computed.season.season, computed.scenarios, this.standing(), this.almanac, this.settings, this.solve)
      computed.plans = { version: this.version, plans, tookMs: performance.now() - start }
    }
    return computed.plans
  }

  private context(): SeasonContext {
    return { house: this.standing(), almanac: this.almanac, settings: this.settings, today: this.today() }
  }

  /** Every grown female with every grown male of a species. @throws ProblemError 404 for a species the almanac does not have */
  bench(speciesId: string, wish: readonly BenchWish[]): BenchSnapshot {
    this.refresh()
    if (!this.almanac.species[speciesId]) throw new ProblemError(404, 'The almanac has no such species')
    const start = performance.now()
    const bench = benchOf(this.context(), speciesId, wish)
    return { version: this.version, bench, tookMs: performance.now() - start }
  }

  /** One pair with its working. @throws ProblemError 404 */
  benchCell(damId: string, sireId: string, wish: readonly BenchWish[]): CellSnapshot {
    const { season } = this.computed().season
    const context = this.context()
    const pair = benchCell(context, damId, sireId, wish)
    if (!pair) throw new ProblemError(404, 'These two are not of one species of the house')
    return { version: this.version, pair, room: roomForYoung(context, context.house.animals[damId]!.speciesId, season.lanes, season.prey) }
  }

  private dated(entry: Entry): DatedEntry {
    try {
      return { ...entry, day: calendarOf(this.settings.timeZone)(entry.at) }
    }
    catch (error) {
      if (error instanceof CalendarError) throw new ProblemError(422, 'Some fields cannot be read', [{ path: 'at', message: error.message }])
      throw error
    }
  }

  /** Checks entries one after the other, each against the house with those before it. */
  private checkAll(entries: readonly DatedEntry[], start: Records): { records: Records, entries: DatedEntry[] } {
    const today = this.today()
    let records = start
    const accepted: DatedEntry[] = []
    entries.forEach((entry, i) => {
      const at = (path: string) => (entries.length > 1 ? `entries.${i}.${path}` : path)
      const house = this.standing(records)
      const resolved = completeEntry(house, entry)
      const problems = 'message' in resolved ? [resolved] : checkEntry(records, house, resolved, today)
      if ('message' in resolved || problems.length) throw new ProblemError(422, 'This was not written', problems.map(p => ({ ...p, path: at(p.path) })))
      records = withEntry(records, resolved)
      accepted.push(resolved)
    })
    return { records, entries: accepted }
  }

  /**
   * Writes entries, all or none. An id that is known with the same content is left as it is.
   * @throws ProblemError 422 with field paths when one cannot have happened; 409 when an id is known with other content
   */
  write(sent: readonly Entry[]): Promise<WroteEntries> {
    return this.inTurn(async () => {
      const stored = new Map((await entriesByIds(this.db, sent.map(e => e.id))).map(e => [e.id, e]))
      const fresh: DatedEntry[] = []
      const known: string[] = []
      for (const entry of sent) {
        const before = stored.get(entry.id)
        if (!before && !fresh.some(f => f.id === entry.id)) fresh.push(this.dated(entry))
        else if (!before || before.kind === entry.kind) known.push(entry.id)
        else throw new ProblemError(409, 'An entry with this id says something else', [{ path: 'id', message: 'Make a new id for a new entry' }])
      }
      const { records, entries } = this.checkAll(fresh, this.records)
      if (entries.length) {
        await this.db.transaction(async (trx) => {
          for (const voided of entries.filter(e => e.kind === 'void')) await deleteAnimalsFoundedBy(trx, voided.subject.id)
          await insertEntries(trx, entries)
        })
        this.records = records
        this.changed()
      }
      return { written: entries.map(e => e.id), known }
    })
  }

  addAnimal(card: z.output<typeof NewAnimal>): Promise<AnimalCard> {
    return this.inTurn(async () => {
      const today = this.today()
      const bornDay = card.born === null ? null : dayFromIso(card.born)
      const errors: { path: string, message: string }[] = []
      if (!this.almanac.species[card.speciesId]) errors.push({ path: 'speciesId', message: 'The almanac has no such species' })
      if (bornDay !== null && bornDay > today) errors.push({ path: 'born', message: 'It cannot be born in the future' })
      if (card.placeId && !this.standing().places[card.placeId]) errors.push({ path: 'placeId', message: 'There is no such place' })
      if (this.tagInUse(card.tag)) errors.push({ path: 'tag', message: `The tag ${card.tag} is already in use` })
      if (errors.length) throw new ProblemError(422, 'This animal was not added', errors)
      const { born: _, ...rest } = card
      const animal: AnimalCard = { id: newId(), ...rest, bornDay, damId: null, sireId: null, clutchId: null, foundedBy: null }
      await insertAnimals(this.db, [animal])
      this.records = { ...this.records, animals: [...this.records.animals, animal] }
      this.changed()
      return animal
    })
  }

  /** Adds a list of animals with their parents, all or none. @throws ProblemError 422 naming rows */
  addList(csv: string): Promise<AddedList> {
    return this.inTurn(async () => {
      const day = this.today()
      const list = readAnimalList(csv, this.standing(), this.almanac, { instant: this.instantOf(day), day })
      if (Array.isArray(list)) throw new ProblemError(422, 'This list was not added', list)
      await this.db.transaction(async (trx) => {
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
    return [house.animals, house.pairings, house.clutches, house.cultures, house.lamps, house.winters].some(group => Object.values<{ tag: string }>(group).some(same))
  }

  /** Makes young of a group animals of their own: one entry on the clutch, and a card for each, in one transaction. */
  tagYoung(clutchId: string, wish: z.output<typeof TagYoung>): Promise<AnimalCard[]> {
    return this.inTurn(async () => {
      const house = this.standing()
      const clutch = house.clutches[clutchId]
      if (!clutch) throw new ProblemError(404, 'There is no such clutch')
      const today = this.today()
      const entry: DatedEntry = { id: newId(), at: this.instantOf(today), day: today, subject: { type: 'clutch', id: clutchId }, kind: 'tagged', data: { count: wish.count }, source: 'keeper' }
      const { records } = this.checkAll([entry], this.records)
      const pairing = house.pairings[clutch.pairingId]
      const bornDay = (clutch.kind === 'spawn' ? clutch.metamorphosed : clutch.hatched)[0]?.day ?? clutch.startDay
      const cards: AnimalCard[] = []
      for (let n = 1; cards.length < wish.count; n++) {
        const tag = `${wish.prefix}-${String(n).padStart(2, '0')}`
        if (this.tagInUse(tag)) continue
        cards.push({
          id: newId(), tag, name: null, speciesId: clutch.speciesId, sex: 'unknown', bornDay, placeId: wish.placeId ?? clutch.placeId, damId: pairing?.damId ?? null, sireId: pairing?.sireId ?? null, clutchId, foundedBy: entry.id,
        })
      }
      await this.db.transaction(async (trx) => {
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
    return calendarOf(this.settings.timeZone)(now) === day ? now : new Date(day * 86_400_000 + 12 * 3_600_000).toISOString()
  }

  private checkPlace(place: Place): void {
    const places = this.standing().places
    if (place.parentId !== null && !places[place.parentId]) throw new ProblemError(422, 'This place was not written', [{ path: 'parentId', message: 'There is no such place' }])
    for (let up = place.parentId; up; up = places[up]?.parentId ?? null) {
      if (up === place.id) throw new ProblemError(422, 'This place was not written', [{ path: 'parentId', message: 'A place cannot stand inside itself' }])
    }
  }

  addPlace(wish: z.output<typeof NewPlace>): Promise<Place> {
    return this.inTurn(async () => {
      const place: Place = { id: newId(), ...wish }
      this.checkPlace(place)
      await insertPlaces(this.db, [place])
      this.records = { ...this.records, places: [...this.records.places, place] }
      this.changed()
      return place
    })
  }

  changePlace(id: string, wish: z.output<typeof NewPlace>): Promise<Place> {
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

  changeSettings(settings: HouseSettings): Promise<HouseSettings> {
    return this.inTurn(async () => {
      if (settings.timeZone !== this.settings.timeZone && this.records.entries.size) {
        throw new ProblemError(409, 'The time zone is kept', [{ path: 'timeZone', message: 'Days of written entries follow the time zone; it is set once, before the first entry' }])
      }
      await writeSettings(this.db, settings)
      this.settings = settings
      this.changed()
      return settings
    })
  }

  private async takeOverrides(overrides: Override[], store: () => Promise<void>): Promise<Override[]> {
    let almanac: Almanac
    try {
      almanac = withOverrides(shippedAlmanac, overrides)
      // a number that the season of this house cannot be computed with is refused before it is kept
      seasonOfHouse(houseOf(this.records, almanac), almanac, this.settings, this.today())
    }
    catch (error) {
      const message = error instanceof Error ? error.message : String(error)
      throw new ProblemError(422, 'This number was not taken', [{ path: 'value', message }])
    }
    await store()
    this.overrides = overrides
    this.almanac = almanac
    this.changed()
    return overrides
  }

  setOverride(override: Override): Promise<Override[]> {
    return this.inTurn(() => this.takeOverrides([...this.overrides.filter(o => o.path !== override.path), override], () => writeOverride(this.db, override)))
  }

  dropOverride(path: string): Promise<Override[]> {
    return this.inTurn(() => this.takeOverrides(this.overrides.filter(o => o.path !== path), () => deleteOverride(this.db, path)))
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
