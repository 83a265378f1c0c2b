import { describe, expect, it } from 'vitest'
import { shippedAlmanac as almanac, speciesOf } from '../almanac'
import { HouseBuilder } from '../../tests/fixtures/records'
import { defaultSettings, helperCard, houseOf, season, type HelperLine } from '.'

const today = 20_560
const animal = (id: string) => ({ type: 'animal' as const, id })
const house = () =>
  new HouseBuilder(today)
    .place('room', { kind: 'room' })
    .place('rack', { kind: 'rack', parentId: 'room' })
    .place('tub', { parentId: 'rack' })
    .place('other', { kind: 'room' })
    .animal('D', 'bearded-dragon', { bornDay: today - 100, placeId: 'tub' })
    .animal('K', 'california-kingsnake', { placeId: 'rack' })
    .animal('X', 'california-kingsnake', { placeId: 'other' })
const card = (b: HouseBuilder, place: string | null, days = 7, settings = defaultSettings) => {
  const { lanes, prey } = season(b.records(), almanac, settings, today).season
  return helperCard(place, days, lanes, { house: houseOf(b.records()), almanac, settings, today, prey })
}
const daysOf = (line: HelperLine) => line.meals.flatMap(m => m.days)

describe('the card for a helper', () => {
  it('has who lives in a place and in what stands in it, and all of the house where none is chosen', () => {
    const tags = (place: string | null) => card(house(), place).lines.map(l => l.tag)
    expect(tags('rack').sort()).toEqual(['D', 'K'])
    expect(tags('tub')).toEqual(['D'])
    expect(tags(null).sort()).toEqual(['D', 'K', 'X'])
    expect(tags('nowhere')).toEqual([])
  })

  it('has every meal until the last day at its rhythm, and the prey of all of them', () => {
    const b = house()
    b.write('fed', animal('K'), -4, { prey: 'mouse.adult', offered: 1, taken: 1 })
    const every = speciesOf(almanac, 'california-kingsnake').ladder.at(-1)!.everyDays
    const king = card(b, 'rack', 30).lines.find(l => l.tag === 'K')!
    const kingDays = daysOf(king)
    expect(kingDays[0]).toBe(today - 4 + every)
    expect(kingDays).toHaveLength(Math.floor((today + 29 - kingDays[0]!) / every) + 1)
    expect(king.meals[0]!.what).toMatch(/^1 adult (mouse|mice)/)
    expect(card(b, 'rack', 30).prey.join()).toContain(`${kingDays.length} adult mice`)
    // until the day before it is due, nothing is
    const none = card(b, 'rack', 1).lines.find(l => l.tag === 'K')!
    expect(none).toMatchObject({ meals: [], unfed: 'nothing is due' })
  })

  it('says what is minded, what it is never given, and who is in the cold or left alone between tries', () => {
    const b = house()
    b.write('waysSet', animal('K'), -9, { ways: ['strikes', 'feedFirst'], more: 'by hook', only: 'K.M.' })
    b.write('cooledDown', animal('X'), -20)
    const of = (tag: string) => card(b, null, 14).lines.find(l => l.tag === tag)!
    expect(of('K').mind).toBe('strikes: lid and hook at hand; fed before it is handled; by hook; handled only by K.M.')
    expect(of('X').unfed).toBe('in the cold: not fed')
    for (const id of speciesOf(almanac, 'bearded-dragon').never ?? [])
      expect(of('D').never).toContain(almanac.feeders[id]!.many)
    b.write('waysSet', animal('K'), 0, { ways: [], more: '', only: '' })
    expect(of('K').mind).toBe('')
  })

  it('says of a gravid female what the Round says', () => {
    const b = house().animal('F', 'corn-snake', { sex: 'female', placeId: 'tub' })
    b.animal('M', 'corn-snake', { sex: 'male', placeId: 'other' })
    b.write('weighed', animal('F'), -3, { massG: 500 })
    b.pair('F', 'M', -30, 'P')
    const what = () => card(b, 'tub').lines.find(l => l.tag === 'F')!.meals[0]!.what
    const plain = what()
    b.write('copulation', { type: 'pairing', id: 'P' }, -2, { confirmed: true })
    expect(what()).not.toBe(plain)
    const task = season(b.records(), almanac, defaultSettings, today).season.tasks.find(t => t.id === 'feed:F')!
    expect(task.what).toBe(`Feed ${what()}`)
  })

  it('has several kinds in turn where the house gives them so: today what the Round says, none beyond its share', () => {
    const settings = { ...defaultSettings, schools: { preyVariety: 'inTurn' } }
    const b = new HouseBuilder(today)
      .place('tub')
      .animal('T', 'fire-bellied-toad', { bornDay: today - 900, placeId: 'tub' })
    for (const id of ['cricket.half', 'roach.small', 'isopod.dwarf', 'mealworm'])
      if (almanac.feeders[id]) b.write('preyCounted', { type: 'prey', id }, 0, { count: 2000 })
    const line = card(b, 'tub', 60, settings).lines[0]!
    expect(line.meals.length).toBeGreaterThan(2)
    const task = season(b.records(), almanac, settings, today).season.tasks.find(t => t.id === 'feed:T')!
    expect(`Feed ${line.meals.find(m => m.days.includes(today))!.what}`.split(', ')[0]).toBe(task.what)
    // no kind more than two of five, but for the rounding of so many meals
    const all = daysOf(line).length
    for (const { days } of line.meals) expect(days.length).toBeLessThanOrEqual(0.4 * all + 1)
    expect(card(b, 'tub', 60).lines[0]!.meals).toHaveLength(1)
  })

  it('has groups by their number', () => {
    const b = house()
    b.write(
      'groupAdded',
      { type: 'group', id: 'NF' },
      -30,
      {
        tag: 'NF',
        speciesId: 'golden-mantella',
        male: 0,
        female: 0,
        unknown: 9,
        placeId: 'tub',
      },
      'NF',
    )
    expect(card(b, 'tub').lines.find(l => l.of.type === 'group')).toMatchObject({ tag: 'NF, 9 together' })
  })
})

describe('what is minded of an animal', () => {
  it('stands at every task about it, and at no other', () => {
    const b = house()
    b.write('waysSet', animal('K'), -9, { ways: ['runs'], more: '', only: '' })
    const tasks = season(b.records(), almanac, defaultSettings, today).season.tasks
    const of = (id: string) => tasks.filter(t => t.subject.id === id).map(t => t.mind)
    expect(new Set(of('K'))).toEqual(new Set(['bolts: open it a hand wide']))
    expect(new Set(of('X'))).toEqual(new Set([undefined]))
  })
})
