import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac } from '../almanac'
import { draftOf, leavingChecks, checkEntry } from '../subjects'
import { defaultSettings, handOverSheet, handOverText, houseOf, littersOf, madeReadyFor, seasonOfHouse } from '.'

const today = 20_000
const almanac = shippedAlmanac
const animal = (id: string) => ({ type: 'animal' as const, id })

/** A litter of milk snakes, hatched 100 days ago, of which each took and refused what it says, a week apart. */
function litter(courses: Record<string, string>, b = new HouseBuilder(today)) {
  b.animal('DAM', 'milk-snake', { sex: 'female' })
  for (const [id, course] of Object.entries(courses)) {
    b.animal(id, 'milk-snake', { bornDay: today - 100, damId: 'DAM' })
    const offers = [...course]
    offers.forEach((what, i) => {
      const state = 'lL'.includes(what) ? 'live' : 'fF'.includes(what) ? 'freshKilled' : 'thawed'
      b.write('fed', animal(id), -7 * (offers.length - i), {
        prey: 'mouse.pinky',
        offered: 1,
        taken: 'LFT'.includes(what) ? 1 : 0,
        state,
      })
    })
  }
  return b
}
const context = (b: HouseBuilder, settings = defaultSettings) => ({
  house: houseOf(b.records()),
  almanac,
  settings,
  today,
})
const boards = (b: HouseBuilder) => littersOf(context(b))

describe('a litter on its board', () => {
  // capital letters were taken, small ones refused: live, fresh-killed, thawed
  const mates = { 'Y-1': 'LLLT', 'Y-2': 'LLLT', 'Y-3': 'LLLtF', 'Y-4': 'LL', 'Y-5': '', 'Y-6': 'LLLTTT' }

  it('stands by how far each is, with what it gets next, worst first', () => {
    const [board] = boards(litter(mates))
    expect(board).toMatchObject({ tag: 'DAM', speciesId: 'milk-snake' })
    const at = Object.fromEntries(board!.young.map(y => [y.animal.tag, [y.standing, y.offer?.value.state]]))
    expect(at).toEqual({
      'Y-1': ['onTheWay', 'thawed'],
      'Y-2': ['onTheWay', 'thawed'],
      'Y-3': ['onTheWay', 'thawed'],
      'Y-4': ['live', 'live'],
      'Y-5': ['notStarted', 'live'],
      'Y-6': ['eats', 'thawed'],
    })
    // 100 days without a meal, when nearly all have eaten by their first weeks
    expect(board!.young[0]!.animal.tag).toBe('Y-5')
    expect(board!.young[0]!.behind).toMatch(/nearly all of its kind have eaten/)
  })

  it('tells how many will take thawed prey, more where mates took it at once, and what live prey that costs', () => {
    const slow = boards(litter({ 'Y-1': 'LLLttt', 'Y-2': 'LLLttt', 'Y-3': 'LLLttt', 'Y-4': 'LLL' }))[0]!.outlook!
    const quick = boards(litter({ 'Y-1': 'LLLT', 'Y-2': 'LLLT', 'Y-3': 'LLLT', 'Y-4': 'LLL' }))[0]!.outlook!
    expect([slow.already, quick.already]).toEqual([0, 3])
    expect(quick.count.mean - 3).toBeGreaterThan(slow.count.mean / 4)
    expect(quick.live).toBeLessThan(slow.live)
    for (const o of [slow, quick]) {
      expect(o.count.low).toBeGreaterThanOrEqual(o.already)
      expect(o.count.high).toBeLessThanOrEqual(o.of)
    }
  })

  it('an earlier litter of the house moves it too, and less', () => {
    const chance = (b: HouseBuilder) =>
      boards(b).find(l => l.young.some(y => y.animal.tag === 'Z-1'))!.outlook!.count.mean
    const alone = chance(litter({ 'Z-1': 'LLL', 'Z-2': 'LLL' }))
    // mates that are sold stand on no board, and still speak for their litter
    const mates = litter({ 'Z-1': 'LLL', 'Z-2': 'LLL', 'Z-3': 'LLLtttttt', 'Z-4': 'LLLtttttt' })
    for (const id of ['Z-3', 'Z-4']) mates.write('sold', animal(id), -1, { sure: true })
    const withMates = chance(mates)
    const other = new HouseBuilder(today)
    for (const id of ['A-1', 'A-2']) other.animal(id, 'milk-snake', { bornDay: today - 300 })
    for (const id of ['A-1', 'A-2'])
      for (let i = 0; i < 6; i++)
        other.write('fed', animal(id), -250 + i * 7, { prey: 'mouse.pinky', offered: 1, taken: 0, state: 'thawed' })
    const withOthers = chance(litter({ 'Z-1': 'LLL', 'Z-2': 'LLL' }, other))
    expect(withOthers).toBeLessThan(alone)
    expect(withMates).toBeLessThan(withOthers)
  })

  it('young that eat insects have no thawed prey to go over to', () => {
    const b = new HouseBuilder(today).animal('G-1', 'fat-tailed-gecko', { bornDay: today - 30 })
    b.write('fed', animal('G-1'), -1, { prey: 'cricket.small', offered: 3, taken: 3 })
    expect(boards(b)).toMatchObject([{ outlook: null, young: [{ standing: 'eats', record: null, offer: null }] }])
  })

  it('300 mates of one clutch are one board', () => {
    const courses = Object.fromEntries(Array.from({ length: 300 }, (_, i) => [`Y-${i}`, i % 3 ? 'LLLT' : 'LLLt']))
    const [board, ...more] = boards(litter(courses))
    expect(more).toEqual([])
    expect(board!.young).toHaveLength(300)
    expect(board!.outlook).toMatchObject({ of: 300, already: 200 })
  })
})

describe('whether one may leave', () => {
  const ready = (change: (b: HouseBuilder) => void = () => undefined, course = 'LLLTTT') => {
    const b = litter({ 'Y-1': course }).place('Q', { kind: 'tub' })
    for (const [ago, massG] of [
      [40, 11],
      [5, 12],
    ] as const)
      b.write('weighed', animal('Y-1'), -ago, { massG })
    change(b)
    const { house } = context(b)
    const checks = leavingChecks(house.animals['Y-1']!, almanac.species['milk-snake']!, house, almanac.common, today)
    return checks.filter(c => c.is === 'wrong').map(c => c.id)
  }

  it('goes when it eats by itself, holds its weight, is old enough and well', () => {
    expect(ready()).toEqual([])
    expect(boards(litter({ 'Y-1': 'LLLTTT' }))[0]!.young[0]!.standing).toBe('eats')
  })

  const written = (kind: string, data: Record<string, unknown>) => (b: HouseBuilder) => {
    b.write(kind, animal('Y-1'), -1, data)
  }
  const nothing = () => undefined
  it.each<[string, (b: HouseBuilder) => void, string, string[]]>([
    ['two meals only', nothing, 'LLtT', ['meals']],
    ['its last offer refused', nothing, 'LLLTTt', ['meals']],
    ['lost weight', written('weighed', { massG: 11 }), 'LLLTTT', ['weight']],
    ['not well', written('checked', { well: false, signs: ['mouth'] }), 'LLLTTT', ['signs']],
    [
      'under treatment',
      written('treatmentStarted', { what: 'x', dose: 'by the vet', everyDays: 1, times: 9 }),
      'LLLTTT',
      ['signs'],
    ],
  ])('%s', (_, change, course, wrong) => {
    expect(ready(change, course)).toEqual(wrong)
  })

  it('what was put into its mouth is no meal taken by itself', () => {
    expect(
      ready(b => {
        b.write('fed', animal('Y-1'), -1, { prey: 'mouse.pinky', offered: 1, taken: 1, manner: 'assisted' })
      }),
    ).toEqual(['meals'])
  })

  it('a sale of one that should not leave is asked, and written when the keeper is sure', () => {
    const b = litter({ 'Y-1': 'LLl' })
    const draft = draftOf(b.records(), houseOf(b.records()))
    const sold = (data: object) =>
      checkEntry(
        {
          id: 's',
          at: new Date(today * 86_400_000).toISOString(),
          day: today,
          subject: animal('Y-1'),
          kind: 'sold',
          data: data as Record<string, unknown>,
          source: 'keeper',
        },
        { records: draft.records, house: draft.house, almanac, today },
      )
    const [question] = sold({})
    expect(question).toMatchObject({ path: 'data.sure' })
    expect(question!.message).toMatch(/Y-1 should not leave yet: meals taken in a row 0, of 3 at least/)
    expect(sold({ sure: true })).toEqual([])
    expect(sold({ sure: true, to: '' })).toMatchObject([{ path: 'data.to' }])
  })
})

describe('what is made ready the evening before', () => {
  it('is what the feed tasks of the next day ask for, of dead and live prey apart', () => {
    const b = litter({ 'Y-1': 'LLLT', 'Y-2': 'LL', 'Y-3': 'LLLTTT' })
    const { house } = context(b)
    const tomorrow = today + 1
    const { season } = seasonOfHouse(house, almanac, defaultSettings, tomorrow)
    const feeds = season.tasks.filter(t => t.kind === 'feed')
    expect(feeds.map(t => t.tag)).toEqual(expect.arrayContaining(['Y-1', 'Y-2', 'Y-3']))
    const ready = madeReadyFor(tomorrow, season.lanes, { ...context(b), today: tomorrow })
    expect(ready.flatMap(r => r.for).sort()).toEqual(feeds.map(t => t.tag).sort())
    expect(ready.find(r => r.live)!.for).toContain('Y-2')
    expect(ready.find(r => !r.live)!.for).toEqual(expect.arrayContaining(['Y-1', 'Y-3']))
  })
})

describe('the sheet that goes with it', () => {
  it('tells what it ate and how, what is not known, and what speaks against its leaving', () => {
    const b = litter({ 'Y-1': 'LLLT' })
    b.write('weighed', animal('Y-1'), -2, { massG: 12.5 })
    const text = handOverText(handOverSheet(context(b).house.animals['Y-1']!, context(b)))
    expect(text).toMatch(/^# Y-1\n/)
    expect(text).toContain('| Takes | mouse pinky, thawed |')
    expect(text).toContain('| Dam | DAM |')
    expect(text).toContain('| Sire | not known |')
    expect(text).toMatch(/\| .* \| took 1 mouse pinky: live \|/)
    expect(text).toContain('12.5 g')
    expect(text).toContain('Eats by itself, holds its weight')
    const refuses = litter({ 'Y-1': 'LLlll' })
    expect(handOverText(handOverSheet(context(refuses).house.animals['Y-1']!, context(refuses)))).toContain(
      '- Meals taken in a row: 0, of 3 at least',
    )
  })

  it('breaks on no name: a line in a table stays one line', () => {
    const sheet = { title: 'A', about: 'b', parts: [{ title: 'c', rows: [['x|y', 'z']] as const }] }
    expect(handOverText(sheet)).toContain('| x\\|y | z |')
  })
})
