import type { z } from 'zod'
import type { Override } from '#core/almanac'
import {
  THE_HOUSE,
  animalAdded,
  changedIn,
  tagYoung,
  type AnimalCard,
  type Entry,
  type Place,
  type Untagged,
} from '#core/subjects'
import { calendarOf, noonOf, dayFromIso } from '#core/units'
import type { WroteEntries } from '#shared/contracts/changes'
import type { AddedList, KeptSettings, NewAnimal, NewPlace, SetSettings, TagYoung } from '#shared/contracts/house'
import { readAnimalList } from '#shared/imports/animalList'
import { newId } from '../utils/ids'
import { ProblemError } from '../utils/problem'
import { houseNow } from './clock'
import type { HouseSession } from './session'
import type { HouseWriter } from './writer'

type Fact = Pick<Entry, 'id' | 'subject' | 'kind' | 'data'>

/** What is asked for in the words of a form, as the entries that it comes to. */
export class HouseRequests {
  constructor(
    private readonly session: HouseSession,
    private readonly writer: HouseWriter,
  ) {}

  /** The present, or an hour of the day that the house is held on. */
  private instant(): string {
    const day = this.session.today()
    const { timeZone } = this.session.settings
    const now = houseNow()
    return calendarOf(timeZone)(now) === day ? new Date(now).toISOString() : noonOf(day, timeZone)
  }

  /** Writes entries of now; what speaks against them is told of the fields of the form. */
  private async write(
    facts: readonly Fact[],
    title: string,
    source: Entry['source'] = 'keeper',
  ): Promise<WroteEntries> {
    const at = this.instant()
    try {
      return await this.writer.writeNow(facts.map(fact => ({ ...fact, at, source })))
    } catch (error) {
      if (!(error instanceof ProblemError) || error.problem.status !== 422) throw error
      const errors = (error.problem.errors ?? []).map(e => ({
        ...e,
        path: e.path.replace(/^(entries\.\d+\.)?data\./, ''),
      }))
      throw new ProblemError(422, title, errors)
    }
  }

  addAnimal({ id = newId(), ...card }: z.output<typeof NewAnimal>): Promise<AnimalCard> {
    return this.writer.inTurn(async () => {
      const known = this.session.house.animals[id]
      const { born, ...rest } = card
      const wish: AnimalCard = {
        id,
        ...rest,
        bornDay: born === null ? null : dayFromIso(born),
        damId: null,
        sireId: null,
        clutchId: null,
        foundedBy: null,
      }
      if (known) return knownAs(this.addedAs(id), wish)
      const { subject, kind, data } = animalAdded(wish, { at: '', day: 0, source: 'keeper' })
      await this.write([{ id, subject, kind, data }], 'This animal was not added')
      return wish
    })
  }

  /** What was said of an animal when it was added. */
  private addedAs(id: string): AnimalCard {
    const { tag, name, speciesId, bornDay, damId, sireId, clutchId, groupId, foundedBy, ...state } =
      this.session.house.animals[id]!
    const founding = this.session.records.entries.get(`animal:${id}`)?.find(e => e.id === id)
    const placeId = (founding?.data.placeId ?? null) as string | null
    const card = {
      id,
      tag,
      name,
      speciesId,
      sex: state.statedSex,
      bornDay,
      placeId,
      damId,
      sireId,
      clutchId,
      foundedBy,
    }
    return groupId ? { ...card, groupId } : card
  }

  /** Adds a list of animals with their parents, all or none. @throws ProblemError 422 naming rows */
  addList(csv: string): Promise<AddedList> {
    return this.writer.inTurn(async () => {
      const list = readAnimalList(csv, this.session.house, this.session.almanac, this.session.today(), newId)
      if (Array.isArray(list)) throw new ProblemError(422, 'This list was not added', list)
      await this.write(list.facts, 'This list was not added', 'import')
      return { added: list.added, elsewhere: list.facts.length - list.added }
    })
  }

  /** Makes young of a clutch, or some of a group, animals of their own: one entry on it, and one for each, together. */
  tag(of: Untagged, { id, ...wish }: z.output<typeof TagYoung>): Promise<AnimalCard[]> {
    return this.writer.inTurn(async () => {
      const { house } = this.session
      const known = id ? Object.values(house.animals).filter(a => a.foundedBy === id) : []
      if (known.length) return known.map(a => this.addedAs(a.id))
      const taggedBy = id ?? newId()
      const tagged = tagYoung(house, of, wish, taggedBy, newId)
      if (!tagged) throw new ProblemError(404, `There is no such ${of.type}`)
      const { kind, data, cards } = tagged
      const added = cards.map(one => animalAdded(one, { at: '', day: 0, source: 'keeper' }))
      await this.write(
        [
          { id: taggedBy, subject: of, kind, data },
          ...added.map(({ id, subject, kind, data }) => ({ id, subject, kind, data })),
        ],
        'No tags were given',
      )
      return cards
    })
  }

  addPlace({ id = newId(), ...data }: z.output<typeof NewPlace>): Promise<Place> {
    return this.writer.inTurn(async () => {
      const place: Place = { id, ...data }
      const founding = this.session.records.entries.get(`place:${id}`)?.find(e => e.id === id)
      if (founding) return knownAs({ id, ...(founding.data as Omit<Place, 'id'>) }, place)
      await this.write([{ id, subject: { type: 'place', id }, kind: 'placeAdded', data }], 'This place was not written')
      return place
    })
  }

  changePlace(id: string, { id: _, ...data }: z.output<typeof NewPlace>): Promise<Place> {
    return this.writer.inTurn(async () => {
      const before = this.session.house.places[id]
      if (!before) throw new ProblemError(404, 'There is no such place')
      const changed = changedIn(before, data)
      if (Object.keys(changed).length)
        await this.write(
          [{ id: newId(), subject: { type: 'place', id }, kind: 'placeChanged', data: changed }],
          'This place was not written',
        )
      return { id, ...data }
    })
  }

  /** @throws ProblemError 409 when another change came first, 422 for what the house or the almanac does not have */
  changeSettings({ version, sure, ...wish }: z.output<typeof SetSettings>): Promise<KeptSettings> {
    return this.writer.inTurn(async () => {
      if (version !== this.session.settingsVersion) {
        throw new ProblemError(
          409,
          'The settings were changed meanwhile, in another window or by someone else; nothing was kept',
          [{ path: 'version', message: 'Load them again, then make your change' }],
        )
      }
      const said = changedIn(this.session.settings, wish)
      const data = { ...said, ...(sure && 'timeZone' in said && { sure }) }
      const wrote = Object.keys(data).length
        ? await this.write(
            [{ id: newId(), subject: { type: 'settings', id: THE_HOUSE }, kind: 'settingsChanged', data }],
            'The settings were not kept',
          )
        : null
      const { settings, settingsVersion } = this.session
      return { settings, version: settingsVersion, ...(wrote?.redated && { redated: wrote.redated }) }
    })
  }

  setOverride({ path, value, note }: Override): Promise<Override[]> {
    const data = { value, ...(note !== undefined && { note }) }
    return this.number({ id: newId(), subject: { type: 'number', id: path }, kind: 'numberSet', data })
  }

  dropOverride(path: string): Promise<Override[]> {
    return this.number({ id: newId(), subject: { type: 'number', id: path }, kind: 'numberDropped', data: {} })
  }

  private number(fact: Fact): Promise<Override[]> {
    return this.writer.inTurn(async () => {
      const own = this.session.house.numbers[fact.subject.id]
      const stands = own !== undefined && own.value !== null
      if (fact.kind === 'numberSet' || stands) await this.write([fact], 'This number was not taken')
      return this.session.overrides
    })
  }
}

/** What stands under the id that was sent, when it says the same. @throws ProblemError 409 */
function knownAs<T extends object>(known: T, sent: T): T {
  const [other] = Object.keys(changedIn(known, sent))
  if (other !== undefined)
    throw new ProblemError(409, 'Nothing was written: this id stands for something else', [
      { path: 'id', message: `Make a new id; ${other} differs` },
    ])
  return known
}
