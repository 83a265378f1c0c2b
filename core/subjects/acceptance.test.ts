import { describe, expect, it } from 'vitest'
import { HouseBuilder, dated } from '../../tests/fixtures/records'
import { shippedAlmanac } from '../almanac'
import { dayToIso } from '../units'
import { Entry, checkEntry, foldHouse, inOrder, recordsFrom, type DatedEntry, type Records, type Subject } from '.'

const today = 20_782
const fold = (records: Records) => foldHouse(records)
const house = () =>
  new HouseBuilder(today)
    .place('tub')
    .animal('K-1', 'corn-snake', { sex: 'female' })
    .animal('K-2', 'corn-snake', { sex: 'male' })

function problems(
  b: HouseBuilder,
  kind: string,
  subject: Subject | null,
  data: Record<string, unknown>,
  more: Partial<DatedEntry> = {},
): string[] {
  const entry = {
    ...dated(today, { id: 'new', kind, subject: subject ?? { type: 'winter', id: 'new' }, data }),
    ...more,
  }
  const records = b.records()
  return checkEntry(entry, { records, house: fold(records), almanac: shippedAlmanac, today }).map(
    p => `${p.path}: ${p.message}`,
  )
}
const animal = { type: 'animal' as const, id: 'K-1' }
const HOSTILE = ['nobody', 'constructor', 'toString', 'valueOf', '__proto__', 'hasOwnProperty']

describe('a harvest', () => {
  const cup = (feederId: string) => {
    const b = house()
    b.culture('F-1', feederId, -20)
    b.write('producing', { type: 'culture', id: 'F-1' }, -5)
    return b
  }
  const asked = (feederId: string, count: number, more = {}) =>
    problems(cup(feederId), 'harvested', { type: 'culture', id: 'F-1' }, { count, ...more })

  it('of more than a culture can give is asked about, and written when it is so', () => {
    const { supply } = shippedAlmanac.feeders['fly.small']!
    const all = (supply as { yieldTotal: { value: number } }).yieldTotal.value
    expect(asked('fly.small', all)).toEqual([])
    expect(asked('fly.small', all * 4)[0]).toMatch(/^data\.sure: F-1: \d+ is more than a cup of small flies can give/)
    expect(asked('fly.small', all * 4, { sure: true })).toEqual([])
    expect(asked('isopod.dwarf', 100_000)).toHaveLength(1)
  })

  it('of one that failed is refused', () => {
    const b = cup('fly.small')
    b.write('cultureFailed', { type: 'culture', id: 'F-1' }, -1)
    expect(problems(b, 'harvested', { type: 'culture', id: 'F-1' }, { count: 5 })).toEqual([
      'subject.id: F-1 is no longer running',
    ])
  })
})

describe('what an entry names must exist, whatever it is called', () => {
  it.each(HOSTILE)('a feeder “%s”', id => {
    for (const kind of ['preyCounted', 'preyOrdered', 'preyReceived'])
      expect(problems(house(), kind, { type: 'prey', id }, { count: 5 })).toEqual([
        'subject.id: This is not among the prey of the house',
      ])
    expect(problems(house(), 'cultureStarted', { type: 'culture', id: 'new' }, { tag: 'X-1', feederId: id })).toEqual([
      'data.feederId: The almanac has no such feeder',
    ])
    expect(problems(house(), 'fed', animal, { prey: id, offered: 1, taken: 1 })).toEqual([
      'data.prey: The almanac has no such feeder',
    ])
  })

  it.each(HOSTILE)('a place “%s”', placeId => {
    expect(problems(house(), 'cooledDown', animal, { placeId })).toEqual(['data.placeId: There is no such place'])
    expect(problems(house(), 'moved', animal, { placeId })).toEqual(['data.placeId: There is no such place'])
    expect(
      problems(
        house(),
        'lampFitted',
        { type: 'lamp', id: 'new' },
        { tag: 'U-1', lamp: 'Tube', lifeDays: 200, placeId },
      ),
    ).toEqual(['data.placeId: There is no such place'])
  })

  it.each(HOSTILE)('a species or an animal “%s”', id => {
    expect(problems(house(), 'winterPlanned', null, { tag: 'W-1', speciesId: id, cool: dayToIso(today) })).toEqual([
      'data.speciesId: The almanac has no such species',
    ])
    expect(
      problems(house(), 'winterPlanned', null, {
        tag: 'W-1',
        speciesId: 'corn-snake',
        cool: dayToIso(today),
        animalIds: ['K-1', id],
      }),
    ).toEqual(['data.animalIds.1: There is no such animal'])
    expect(problems(house(), 'parentsStated', animal, { damId: id })).toEqual([
      'data.damId: The dam is not in the house; add it first, as kept elsewhere if it is',
    ])
    expect(problems(house(), 'weighed', { type: 'animal', id }, { massG: 10 })).toEqual([
      'subject.id: This is not among the animals of the house',
    ])
    const grouped = house()
    grouped.winter('W-1', 'corn-snake', 0, ['K-1'])
    expect(problems(grouped, 'winterMemberLeft', { type: 'winter', id: 'W-1' }, { animalId: id })).toEqual([
      'data.animalId: There is no such animal',
    ])
  })

  it('and one that exists is taken', () => {
    expect(problems(house(), 'preyCounted', { type: 'prey', id: 'fly.large' }, { count: 5 })).toEqual([])
    expect(problems(house(), 'cooledDown', animal, { placeId: 'tub' })).toEqual([])
  })
})

describe('dates are bounded by what they mean', () => {
  it.each(['0026-12-01', '2926-12-01', dayToIso(today + 401), dayToIso(today - 401)])(
    'a winter is not planned for %s',
    cool => {
      expect(problems(house(), 'winterPlanned', null, { tag: 'W-1', speciesId: 'corn-snake', cool })).toEqual([
        'data.cool: This is more than a year away: check the year',
      ])
    },
  )

  it('a winter of this season is', () => {
    expect(
      problems(house(), 'winterPlanned', null, { tag: 'W-1', speciesId: 'corn-snake', cool: dayToIso(today + 20) }),
    ).toEqual([])
  })

  it.each([
    ['leopard-gecko', 5, /Leopard gecko: usually held at .* it is harmed/],
    ['hermanns-tortoise', 12, /must not stay long/],
    ['corn-snake', 25, /must not stay long/],
    ['corn-snake', 12, null],
  ] as const)('a %s is not held at %s °C unless it can be', (speciesId, holdC, said) => {
    const told = problems(house(), 'winterPlanned', null, {
      tag: 'W-1',
      speciesId,
      cool: dayToIso(today + 10),
      ways: { holdC },
    })
    if (said) expect(told[0]).toMatch(said)
    else expect(told).toEqual([])
  })

  it('nothing is written of a time before 1900', () => {
    const entry = { id: '018f0000-0000-7000-8000-000000000001', subject: animal, kind: 'shed', data: {} }
    expect(Entry.safeParse({ ...entry, at: '0026-12-01T08:00:00Z' }).error!.issues[0]!.message).toMatch(/before 1900/)
    expect(Entry.safeParse({ ...entry, at: '1950-12-01T08:00:00Z' }).success).toBe(true)
  })
})

describe('the same, written twice on one day, is asked about', () => {
  it('a meal of one animal', () => {
    const b = house()
    b.write('fed', animal, 0, { prey: 'mouse.hopper', offered: 1, taken: 1 })
    const again = { prey: 'mouse.hopper', offered: 1, taken: 1 }
    expect(problems(b, 'fed', animal, again)).toEqual([
      'data.sure: K-1 has this very meal on this day already. Write it a second time?',
    ])
    expect(problems(b, 'fed', animal, { ...again, sure: true })).toEqual([])
    expect(problems(b, 'fed', animal, { ...again, offered: 2 })).toEqual([])
    expect(problems(b, 'fed', animal, again, { source: 'import' })).toEqual([])
  })

  it('closing a clutch with living young is asked about; an empty one is not', () => {
    const b = house()
    const pair = b.pair('K-1', 'K-2', -200)
    const laid = b.write('laid', { type: 'pairing', id: pair }, -100, {
      tag: 'C-1',
      eggs: 9,
      slugs: 0,
      tempC: null,
      placeId: null,
    })
    const close = { type: 'clutch' as const, id: laid }
    expect(problems(b, 'clutchEnded', close, {})).toEqual([])
    b.write('hatched', close, -30, { count: 8 })
    expect(problems(b, 'clutchEnded', close, {})[0]).toMatch(/^data.sure: C-1 has 8 living young without tags/)
    expect(problems(b, 'clutchEnded', close, { sure: true })).toEqual([])
  })

  it('candled eggs that came out are no longer to come', () => {
    const b = house()
    const laid = b.write('laid', { type: 'pairing', id: b.pair('K-1', 'K-2', -200) }, -70, {
      tag: 'C-1',
      eggs: 12,
      slugs: 0,
      tempC: null,
      placeId: null,
    })
    b.write('candled', { type: 'clutch', id: laid }, -60, { good: 7 })
    b.write('hatched', { type: 'clutch', id: laid }, -1, { count: 6 })
    expect(fold(b.records()).clutches[laid]!.good).toBe(1)
  })

  it('a meal of a group, an order and a delivery; another amount is another', () => {
    const b = house()
    const pair = b.pair('K-1', 'K-2', -200)
    const laid = b.write('laid', { type: 'pairing', id: pair }, -100, {
      tag: 'C-1',
      eggs: 9,
      slugs: 0,
      tempC: null,
      placeId: null,
    })
    b.write('hatched', { type: 'clutch', id: laid }, -30, { count: 8 })
    b.write('groupFed', { type: 'clutch', id: laid }, 0, { prey: 'mouse.pinky', each: 1 })
    b.write('preyOrdered', { type: 'prey', id: 'mouse.pinky' }, 0, { count: 50 })
    b.write('preyReceived', { type: 'prey', id: 'mouse.fuzzy' }, 0, { count: 50 })
    expect(problems(b, 'groupFed', { type: 'clutch', id: laid }, { prey: 'mouse.pinky', each: 1 })).toEqual([
      'data.sure: C-1 was fed the same on this day already. Write it a second time?',
    ])
    expect(problems(b, 'groupFed', { type: 'clutch', id: laid }, { prey: 'mouse.fuzzy', each: 1 })).toEqual([])
    expect(problems(b, 'preyOrdered', { type: 'prey', id: 'mouse.pinky' }, { count: 50 })).toHaveLength(1)
    expect(problems(b, 'preyReceived', { type: 'prey', id: 'mouse.fuzzy' }, { count: 50 })).toHaveLength(1)
    expect(problems(b, 'preyReceived', { type: 'prey', id: 'mouse.fuzzy' }, { count: 51 })).toEqual([])
  })
})

describe('order of time', () => {
  const at = (id: string, instant: string) => ({ id, at: instant })

  it('follows the instant, whatever offset it is written in', () => {
    // 11:30 at five hours east is 06:30 UTC
    const sorted = [
      at('c', '2026-11-25T10:00:00Z'),
      at('a', '2026-11-25T11:30:00+05:00'),
      at('b', '2026-11-25T08:00:00.250Z'),
    ].sort(inOrder)
    expect(sorted.map(e => e.id)).toEqual(['a', 'b', 'c'])
  })

  it('so the latest weight is the one weighed last', () => {
    const weigh = (id: string, instant: string, massG: number): DatedEntry => ({
      id,
      at: instant,
      day: today,
      subject: animal,
      kind: 'weighed',
      data: { massG },
      source: 'keeper',
    })
    const records = recordsFrom([
      ...[...house().records().entries.values()].flat(),
      weigh('2', '2026-11-25T10:00:00Z', 410),
      weigh('1', '2026-11-25T11:30:00+05:00', 400),
    ])
    expect(fold(records).animals['K-1']!.weights.map(w => w.massG)).toEqual([400, 410])
  })
})

describe('taking back what others stand on', () => {
  it('a tagging whose young is a dam by its card or by an entry is refused, and says who', () => {
    const b = house()
    b.animal('Y-1', 'corn-snake', { sex: 'female', foundedBy: 'tag-entry', clutchId: 'nothing', bornDay: today - 900 })
    b.animal('Z-1', 'corn-snake', { damId: 'Y-1', bornDay: today - 30 })
    b.write('tagged', { type: 'clutch', id: 'nothing' }, -800, { count: 1 }, 'tag-entry')
    const undo = { type: 'entry' as const, id: 'tag-entry' }
    expect(problems(b, 'void', undo, {})).toEqual([
      'subject.id: Z-1 names what this brought into being; take that back first',
    ])
    b.write('parentsStated', { type: 'animal', id: 'K-2' }, 0, {
      damId: 'Y-1',
      sires: [],
      origin: 'bred',
      clonal: false,
    })
    expect(problems(b, 'void', undo, {})[0]).toMatch(/^subject.id: Z-1, “State parents” name what this/)
  })

  it('a locus that is stated of an animal as well', () => {
    const b = house()
    b.write(
      'locusNamed',
      { type: 'locus', id: 'L' },
      -5,
      {
        name: 'Amber',
        speciesId: 'corn-snake',
        linkage: 'autosomal',
        alleles: [{ sign: 'a', mode: 'recessive', look: 'Amber', doubleLook: null, double: 'well' }],
        note: null,
      },
      'L',
    )
    expect(problems(b, 'void', { type: 'entry', id: 'L' }, {})).toEqual([])
    b.write('geneStated', animal, -4, { locusId: 'L', alleles: ['a', '+'], chance: 1 })
    expect(problems(b, 'void', { type: 'entry', id: 'L' }, {})).toEqual([
      'subject.id: “State genotype” names what this brought into being; take that back first',
    ])
  })
})
