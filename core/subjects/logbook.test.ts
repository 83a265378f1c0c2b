import fc from 'fast-check'
import { shippedAlmanac } from '../almanac'
import { describe, expect, it } from 'vitest'
import { HouseBuilder, dated } from '../../tests/fixtures/records'
import {
  Entry,
  FoldMemory,
  checkEntry,
  eggsLeft,
  entryKinds,
  findEntry,
  foldHouse,
  kindOf,
  completeEntry,
  tadpolesLeft,
  tellEntry,
  withEntry,
  youngInGroup,
  type Records,
} from '.'

const today = 20_000
const fold = (r: Records) => foldHouse(r)

function kings() {
  return new HouseBuilder(today)
    .animal('K-1', 'california-kingsnake', { sex: 'female' })
    .animal('K-2', 'california-kingsnake', { sex: 'male' })
    .animal('M-1', 'milk-snake', { sex: 'male' })
}
const animal = (id: string) => ({ type: 'animal' as const, id })
const problems = (
  records: Records,
  kind: string,
  subject: { type: string; id: string },
  data: Record<string, unknown>,
  days = 0,
  id = 'new',
) =>
  checkEntry(dated(today + days, { id, kind, subject, data }), {
    records,
    house: fold(records),
    almanac: shippedAlmanac,
    today,
  }).map(p => `${p.path}: ${p.message}`)

describe('folds', () => {
  it('a house is what its entries say, in order of time, however they came in', () => {
    const b = kings()
    b.write('weighed', animal('K-1'), -10, { massG: 410 })
    b.write('weighed', animal('K-1'), -40, { massG: 400 })
    b.write('fed', animal('K-1'), -9, { prey: 'mouse.adult', offered: 1, taken: 0 })
    b.write('fed', animal('K-1'), -3, { prey: 'mouse.adult', offered: 1, taken: 0 })
    const k = fold(b.records()).animals['K-1']!
    expect(k.weights.map(w => w.massG)).toEqual([400, 410])
    expect(k.refusals).toBe(2)
    expect(k.lastTaken).toBeNull()
  })

  it('a void takes its target out, also one in the middle', () => {
    const b = kings()
    b.write('weighed', animal('K-1'), -20, { massG: 400 })
    const slip = b.write('weighed', animal('K-1'), -10, { massG: 41 })
    b.write('weighed', animal('K-1'), -1, { massG: 420 })
    b.write('void', { type: 'entry', id: slip }, 0)
    expect(fold(b.records()).animals['K-1']!.weights.map(w => w.massG)).toEqual([400, 420])
  })

  it('adding and voiding one by one gives the same house as reading the whole log', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            days: fc.integer({ min: -100, max: 0 }),
            massG: fc.integer({ min: 1, max: 900 }),
            takeBack: fc.boolean(),
          }),
          { maxLength: 25 },
        ),
        rows => {
          const whole = kings()
          let stepwise = kings().records()
          rows.forEach((row, i) => {
            const entry = dated(today + row.days, {
              id: `w${i}`,
              kind: 'weighed',
              subject: animal('K-1'),
              data: { massG: row.massG },
            })
            whole.write('weighed', animal('K-1'), row.days, { massG: row.massG }, `w${i}`)
            stepwise = withEntry(stepwise, entry)
            if (row.takeBack) {
              whole.write('void', { type: 'entry', id: `w${i}` }, 0, {}, `v${i}`)
              stepwise = withEntry(
                stepwise,
                dated(today, { id: `v${i}`, kind: 'void', subject: { type: 'entry', id: `w${i}` }, data: {} }),
              )
            }
          })
          expect(fold(stepwise)).toEqual(fold(whole.records()))
        },
      ),
    )
  })

  it('remembers what did not change', () => {
    const b = kings()
    b.write('weighed', animal('K-2'), -20, { massG: 400 })
    const before = b.records()
    const after = withEntry(
      before,
      dated(today, { id: 'x', kind: 'weighed', subject: animal('K-1'), data: { massG: 1 } }),
    )
    const memory = new FoldMemory()
    const [first, second] = [foldHouse(before, memory), foldHouse(after, memory)]
    expect(second.animals['K-2']).toBe(first.animals['K-2'])
    expect(second.animals['K-1']).not.toBe(first.animals['K-1'])
    expect(second).toEqual(fold(after))
  })

  it('counts eggs, tadpoles and young on land through losses, tags and sales', () => {
    const b = new HouseBuilder(today).animal('T-1', 'fire-bellied-toad', { sex: 'female' })
    const pair = b.pair('T-1', null, -80)
    const spawn = b.write('laid', { type: 'pairing', id: pair }, -70, { tag: 'S-1', eggs: 60, slugs: 10 })
    const clutch = { type: 'clutch' as const, id: spawn }
    b.write('hatched', clutch, -66, { count: 40 })
    b.write('youngLost', clutch, -60, { count: 5 })
    b.write('metamorphosed', clutch, -10, { count: 20 })
    const c = fold(b.records()).clutches[spawn]!
    expect([c.kind, eggsLeft(c), tadpolesLeft(c), youngInGroup(c)]).toEqual(['spawn', 10, 15, 20])
    b.write('tagged', clutch, -5, { count: 4 })
    b.write('youngSold', clutch, -4, { count: 6 })
    expect(youngInGroup(fold(b.records()).clutches[spawn]!)).toBe(10)
  })

  it('stock is the last count and what came since, less meals since', () => {
    const b = kings()
    b.write('preyCounted', { type: 'prey', id: 'mouse.adult' }, -20, { count: 30 })
    b.write('fed', animal('K-1'), -25, { prey: 'mouse.adult', offered: 1, taken: 1 })
    b.write('fed', animal('K-1'), -5, { prey: 'mouse.adult', offered: 2, taken: 1 })
    b.write('preyOrdered', { type: 'prey', id: 'mouse.adult' }, -4, { count: 25 })
    expect(fold(b.records()).stocks['mouse.adult']).toMatchObject({ left: 28, onOrder: [{ count: 25 }] })
    b.write('preyReceived', { type: 'prey', id: 'mouse.adult' }, -1, { count: 25 })
    expect(fold(b.records()).stocks['mouse.adult']).toMatchObject({ left: 53, onOrder: [] })
  })
})

describe('what cannot have happened', () => {
  const b = kings()
  const pair = b.pair('K-1', 'K-2', -60)
  const laid = b.write('laid', { type: 'pairing', id: pair }, -50, { tag: 'C-1', eggs: 8, slugs: 1 })
  b.animal('K-3', 'california-kingsnake', { sex: 'female' })
  b.write('sold', animal('K-3'), -10)
  b.write('hatched', { type: 'clutch', id: laid }, -1, { count: 5 })
  const records = b.records()
  const clutch = { type: 'clutch', id: laid }

  it.each([
    ['a weighing in the future', 'weighed', animal('K-1'), { massG: 400 }, 1, /at: .*future/],
    ['negative grams', 'weighed', animal('K-1'), { massG: -3 }, 0, /data.massG: .*above 0/],
    ['grams as text', 'weighed', animal('K-1'), { massG: '400' }, 0, /data.massG: .*number/],
    ['an unknown animal', 'weighed', animal('Z-9'), { massG: 4 }, 0, /subject.id: This is not among the animals/],
    ['an unknown kind', 'teleported', animal('K-1'), {}, 0, /kind: There is no kind/],
    ['a field of its own', 'weighed', animal('K-1'), { massG: 4, mood: 'good' }, 0, /data: /],
    [
      'a weight for a clutch',
      'weighed',
      clutch,
      { massG: 4 },
      0,
      /subject.type: “Record weight” is said of animals, not of clutches/,
    ],
    ['more hatched than laid', 'hatched', clutch, { count: 3 }, 0, /data.count: 3 cannot hatch: C-1 has 2 of 8/],
    ['hatched before laid', 'hatched', clutch, { count: 1 }, -55, /at: C-1 was not laid/],
    [
      'an event for a sold animal',
      'fed',
      animal('K-3'),
      { prey: 'mouse.adult', offered: 1, taken: 1 },
      -2,
      /K-3 was sold/,
    ],
    ['a date before birth', 'weighed', animal('K-1'), { massG: 4 }, -1600, /K-1 was not born/],
    [
      'more taken than offered',
      'fed',
      animal('K-1'),
      { prey: 'mouse.adult', offered: 1, taken: 2 },
      0,
      /data.taken: More taken/,
    ],
    ['warming up what is not cold', 'warmedUp', animal('K-1'), {}, 0, /not in the cold/],
    [
      'a tag that is in use',
      'cultureStarted',
      { type: 'culture', id: 'new' },
      { tag: 'c-1', feederId: 'fly.large' },
      0,
      /data.tag: .*in use/,
    ],
    [
      'a pair of two species',
      'paired',
      { type: 'pairing', id: 'new' },
      { tag: 'P', damId: 'K-1', sireId: 'M-1' },
      0,
      /different species/,
    ],
    [
      'a male as dam',
      'paired',
      { type: 'pairing', id: 'new' },
      { tag: 'P', damId: 'K-2', sireId: null },
      0,
      /K-2 is a male/,
    ],
    [
      'an animal with itself',
      'paired',
      { type: 'pairing', id: 'new' },
      { tag: 'P', damId: 'K-1', sireId: 'K-1' },
      0,
      /its own mate/,
    ],
    ['taking back what is not there', 'void', { type: 'entry', id: 'nothing' }, {}, 0, /no such entry/],
    [
      'taking back a laying whose eggs have hatched',
      'void',
      { type: 'entry', id: laid },
      {},
      0,
      /1 later entry stands/,
    ],
  ])('%s', (_, kind, subject, data, days, message) => {
    const found = problems(records, kind, subject, data, days)
    expect(found.join('\n')).toMatch(message)
  })

  it('lets what is possible through, also on the last good day', () => {
    expect(problems(records, 'weighed', animal('K-1'), { massG: 400 })).toEqual([])
    expect(problems(records, 'fed', animal('K-3'), { prey: 'mouse.adult', offered: 1, taken: 1 }, -11)).toEqual([])
    expect(problems(records, 'hatched', clutch, { count: 2 })).toEqual([])
  })

  it('a breeding entry about the female goes to her pair; a male is told so', () => {
    const house = fold(records)
    const laying = (id: string) =>
      completeEntry(house, dated(today, { id: 'n', kind: 'laid', subject: animal(id), data: { tag: 'C-9', eggs: 4 } }))
    expect(laying('K-1')).toMatchObject({
      subject: { type: 'pairing', id: pair },
      data: { tag: 'C-9', eggs: 4, slugs: 0, tempC: null, placeId: null },
    })
    expect(laying('K-2')).toMatchObject({ message: expect.stringMatching(/K-2 is a male/) })
    expect(laying('K-3')).toMatchObject({ message: expect.stringMatching(/no open pairing/) })
  })
})

describe('the registry', () => {
  it('tells every entry in words and knows its kinds', () => {
    expect(
      tellEntry(
        {
          ...dated(today, {
            id: 'a',
            kind: 'fed',
            subject: animal('x'),
            data: { prey: 'mouse.hopper', offered: 2, taken: 1 },
          }),
        },
        { tempUnit: '°C' },
      ),
    ).toBe('Took 1 of 2 × mouse.hopper')
    expect(kindOf('laid').founds).toBe('clutch')
    expect(() => kindOf('nothing')).toThrow(/no kind/)
    for (const kind of entryKinds.values()) expect(kind.verb).toMatch(/^[A-Z]/)
  })

  it('an entry from outside needs a UUID and an instant', () => {
    expect(
      Entry.safeParse({ id: 'x', at: 'now', subject: animal('a'), kind: 'weighed', data: {} }).error!.issues.map(i =>
        i.path.join('.'),
      ),
    ).toEqual(['id', 'at'])
  })

  it('finds an entry by its id', () => {
    const b = kings()
    const id = b.write('weighed', animal('K-1'), -1, { massG: 4 })
    expect(findEntry(b.records(), id)?.data).toEqual({ massG: 4 })
    expect(findEntry(b.records(), 'no')).toBeUndefined()
  })
})
