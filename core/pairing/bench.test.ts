import { beforeAll, describe, expect, it } from 'vitest'
import fc from 'fast-check'
import highsLoader, { type Highs } from 'highs'
import { shippedAlmanac as almanac, speciesOf } from '../almanac'
import { quantile } from '../chance'
import { foldHouse, type AnimalState } from '../subjects'
import { HouseBuilder } from '../../tests/fixtures/records'
import {
  assign,
  forecastChain,
  judgeLoad,
  judgePair,
  ovulationFromFollicles,
  planRota,
  type Candidate,
  type PairInput,
  type RotaInput,
  type RotaPair,
} from '.'

let highs: Highs
beforeAll(async () => {
  highs = await highsLoader()
})

const sumOf = (worth: number[][], chosen: number[]) =>
  chosen.reduce((sum, c, r) => sum + (c < 0 ? 0 : worth[r]![c]!), 0)

/** The same question as a linear programme, solved by HiGHS. */
function byHighs(worth: number[][], limits: number[]): number {
  const cells = worth.flatMap((row, r) => row.map((w, c) => ({ w, r, c, name: `x${r}_${c}` })))
  const sum = (list: typeof cells) => list.map(x => `1 ${x.name}`).join(' + ')
  const lp = `Maximize\n obj: ${cells.map(x => `${x.w} ${x.name}`).join(' + ')}\nSubject To\n${worth.map((_, r) => ` r${r}: ${sum(cells.filter(x => x.r === r))} <= 1`).join('\n')}\n${limits.map((n, c) => ` c${c}: ${sum(cells.filter(x => x.c === c))} <= ${n}`).join('\n')}\nBounds\n${cells.map(x => ` 0 <= ${x.name} <= 1`).join('\n')}\nEnd`
  return highs.solve(lp).ObjectiveValue
}

describe('the best allocation', () => {
  it('a worked example: the greedy choice is not the best', () => {
    // greedy takes 9 and is left with 1; 8 + 7 is better
    expect(
      assign(
        [
          [9, 8],
          [7, 1],
        ],
        [1, 1],
      ),
    ).toEqual([1, 0])
    expect(
      assign(
        [
          [9, 8],
          [7, 1],
        ],
        [2, 0],
      ),
    ).toEqual([0, 0])
  })

  it('agrees with an independent library (HiGHS) on random worths and limits', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 7 }),
        fc.integer({ min: 1, max: 5 }),
        fc.infiniteStream(fc.integer({ min: 0, max: 100 })),
        (rows, columns, stream) => {
          const next = () => stream.next().value as number
          const worth = Array.from({ length: rows }, () => Array.from({ length: columns }, next))
          const limits = Array.from({ length: columns }, () => next() % 4)
          const chosen = assign(worth, limits)
          limits.forEach((n, c) => expect(chosen.filter(x => x === c).length).toBeLessThanOrEqual(n))
          expect(sumOf(worth, chosen)).toBeCloseTo(byHighs(worth, limits), 6)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('keeps what is fixed, and never takes what is worth nothing', () => {
    expect(
      assign(
        [
          [9, 8],
          [7, 1],
          [5, 5],
        ],
        [1, 2],
        [0, null, -1],
      ),
    ).toEqual([0, 1, -1])
    expect(
      assign(
        [
          [0, 0],
          [0, 0.5],
        ],
        [2, 2],
      ),
    ).toEqual([-1, 1])
    expect(assign([], [1])).toEqual([])
  })

  it('spreads equal worths over the males', () => {
    const equal = Array.from({ length: 6 }, () => [0.8, 0.8, 0.8])
    expect(
      assign(equal, [6, 6, 6], [], 0.01).reduce(
        (n, c) => {
          n[c]!++
          return n
        },
        [0, 0, 0],
      ),
    ).toEqual([2, 2, 2])
    // what is kept counts as his first
    expect(
      assign(
        [
          [0.8, 0.8],
          [0.8, 0.8],
        ],
        [2, 2],
        [0, null],
        0.01,
      ),
    ).toEqual([0, 1])
  })
})

const today = 20_600
const king = speciesOf(almanac, 'california-kingsnake') as PairInput['species']

function candidate(
  id: string,
  part: { sex?: 'female' | 'male'; massG?: number | null; age?: number } = {},
  more: Partial<Candidate> = {},
): Candidate {
  const b = new HouseBuilder(today).animal(id, king.id, { sex: part.sex, bornDay: today - (part.age ?? 1500) })
  if (part.massG !== null) b.write('weighed', { type: 'animal', id }, -5, { massG: part.massG ?? 520 })
  return {
    animal: foldHouse(b.records()).animals[id]!,
    sexChance: 1,
    ready: { text: 'ready', now: true, reasons: [] },
    meanKinship: 0,
    rests: null,
    apart: null,
    ...more,
  }
}
const nothing = { eggs: 0, slugs: 0, rejections: 0, lastRejection: null, injury: null }
const pair = (part: Partial<PairInput> = {}): PairInput => ({
  species: king,
  almanac,
  schools: {},
  dam: candidate('F', { sex: 'female' }),
  sire: candidate('M', { sex: 'male' }),
  kinship: 0,
  wish: null,
  past: nothing,
  today,
  ...part,
})

describe('the judgement of a pair', () => {
  it('two fit, unrelated animals fit, and every rule is in the working', () => {
    const { value, reasons } = judgePair(pair())
    expect(value).toMatchObject({ level: 'good', text: 'fits', worth: 1 })
    expect(value.caution).toMatch(/never two unattended/)
    expect(reasons.map(r => r.rule).join('\n')).toMatch(/Old enough[\s\S]*waits a year[\s\S]*prey[\s\S]*Kinship/)
  })

  it.each<[string, Partial<PairInput>, RegExp]>([
    ['too young', { dam: candidate('F', { age: 800 }) }, /too young until/],
    ['too light', { dam: candidate('F', { massG: 300 }) }, /wait a year/],
    ['too unlike, of snake-eaters', { sire: candidate('M', { massG: 300 }) }, /apart in size/],
    ['too near kin', { kinship: 0.25 }, /inbred by 25.0 %/],
    ['injured lately', { past: { ...nothing, injury: { day: today - 4, entryId: 'e' } } }, /injured/],
    ['in quarantine', { sire: candidate('M', {}, { apart: 'no test of its droppings is written' }) }, /in quarantine/],
    ['she rests', { dam: candidate('F', {}, { rests: 'not well' }) }, /rests/],
    ['no sex known', { sire: candidate('M', {}, { sexChance: 0.4 }) }, /not known to be a male/],
    ['nothing as wished', { wish: 0 }, /none of its young/],
  ])('%s: not to be paired, and said why', (_, part, text) => {
    const { value } = judgePair(pair(part))
    expect(value.level).toBe('no')
    expect(value.worth).toBe(0)
    expect(value.text).toMatch(text)
  })

  it('snake-eaters meet only with two weights that still hold; of others a male without a weight is no bar', () => {
    const old = (days: number): Candidate => {
      const c = candidate('M')
      return { ...c, animal: { ...c.animal, weights: c.animal.weights.map(w => ({ ...w, day: today - days })) } }
    }
    for (const sire of [candidate('M', { massG: null }), old(700)]) {
      const { value } = judgePair(pair({ sire }))
      expect([value.level, value.stop]).toEqual(['wait', expect.stringMatching(/^weigh M first/)])
    }
    expect(judgePair(pair({ sire: old(60) })).value.stop).toBeNull()
    const corn = speciesOf(almanac, 'corn-snake') as PairInput['species']
    expect(judgePair(pair({ species: corn, sire: candidate('M', { massG: null }) })).value.stop).toBeNull()
    // waiting for the end of the cold is no reason to keep them apart for good
    expect(
      judgePair(pair({ dam: candidate('F', {}, { ready: { text: 'ready soon', now: false, reasons: [] } }) })).value
        .stop,
    ).toBeNull()
  })

  it('follows the school on inbreeding', () => {
    expect(judgePair(pair({ kinship: 0.25, schools: { inbreeding: 'line' } })).value.level).toBe('doubtful')
    expect(
      judgePair(pair({ kinship: 0.25, schools: { 'inbreeding': 'line', 'inbreeding@california-kingsnake': 'avoid' } }))
        .value.level,
    ).toBe('no')
  })

  it('is worth less with kinship, slugs, rejections and common genes; never more than 1', () => {
    const worth = (part: Partial<PairInput>) => judgePair(pair(part)).value.worth
    expect(worth({ kinship: 0.05 })).toBeCloseTo(Math.exp(-0.15), 9)
    expect(worth({ past: { ...nothing, eggs: 20, slugs: 20 } })).toBeCloseTo((12 * 0.88) / 32 / 0.88, 9)
    expect(worth({ past: { ...nothing, rejections: 2, lastRejection: today - 3 } })).toBeCloseTo(0.64, 9)
    expect(worth({ dam: candidate('F', {}, { meanKinship: 0.2 }) })).toBeCloseTo(0.95, 9)
    expect(worth({ past: { ...nothing, eggs: 50 } })).toBe(1)
  })

  it('waits while one is in the cold, and is asked to weigh one without a weight', () => {
    expect(
      judgePair(pair({ dam: candidate('F', {}, { ready: { text: 'ready 12 Mar (8–17)', now: false, reasons: [] } }) }))
        .value,
    ).toMatchObject({ level: 'wait', text: 'F: ready 12 Mar (8–17)' })
    expect(judgePair(pair({ dam: candidate('F', { massG: null }) })).value.text).toBe('weigh F first')
  })
})

const rotaPair = (id: string, dam: string, sire: string, part: Partial<RotaPair> = {}): RotaPair => ({
  pairingId: id,
  damId: dam,
  sireId: sire,
  from: today,
  intime: null,
  until: null,
  why: 'ready',
  wanted: 2,
  visits: 0,
  visitDays: 2,
  restDays: 2,
  together: null,
  mealDue: null,
  lastVisit: null,
  reasons: [],
  ...part,
})
const rota = (pairs: RotaPair[], part: Partial<RotaInput> = {}) =>
  planRota({ pairs, blocked: () => false, maleRests: () => null, today, days: 28, ...part }).visits

describe('the rota', () => {
  it('one male goes round three females in turn, resting between', () => {
    const visits = rota([
      rotaPair('p1', 'a', 'm', { wanted: 1 }),
      rotaPair('p2', 'b', 'm', { wanted: 1 }),
      rotaPair('p3', 'c', 'm', { wanted: 1 }),
    ])
    expect(visits.map(v => [v.pairingId, v.from - today, v.to - today])).toEqual([
      ['p1', 0, 2],
      ['p2', 5, 7],
      ['p3', 10, 12],
    ])
  })

  it('keeps off meals and off the days before both are ready', () => {
    const visits = rota([rotaPair('p', 'a', 'm', { from: today + 3, wanted: 1 })], {
      blocked: (id, day) => id === 'a' && day <= today + 4,
    })
    expect(visits[0]!.from).toBe(today + 5)
  })

  it('shows who is together now, and plans the others round it', () => {
    const visits = rota([
      rotaPair('p1', 'a', 'm', { together: today - 1, wanted: 1 }),
      rotaPair('p2', 'b', 'm', { wanted: 1 }),
    ])
    expect(visits[0]).toMatchObject({ pairingId: 'p1', running: true, to: today + 1 })
    expect(visits[1]!.from).toBeGreaterThan(today + 3)
  })

  it('rounds are fair: no second visit takes the day on which another could have had her first (property)', () => {
    const arb = fc.record({
      from: fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 4, maxLength: 4 }),
      every: fc.array(fc.integer({ min: 5, max: 14 }), { minLength: 5, maxLength: 5 }),
      first: fc.array(fc.integer({ min: -2, max: 9 }), { minLength: 5, maxLength: 5 }),
    })
    let unequal = 0
    fc.assert(
      fc.property(arb, ({ from, every, first }) => {
        const ids = ['a', 'b', 'c', 'd', 'm']
        const blocked = (id: string, day: number) => {
          const i = ids.indexOf(id)
          return day - today >= first[i]! && (day - today - first[i]!) % every[i]! <= 2
        }
        const pairs = from.map((f, i) => rotaPair(`p${i}`, ids[i]!, 'm', { from: today + f }))
        const { visits, unvisited } = planRota({ pairs, blocked, maleRests: () => null, today, days: 28 })
        const of = (p: RotaPair) => visits.filter(v => v.pairingId === p.pairingId)
        const firsts = pairs.flatMap(p => of(p).slice(0, 1))
        for (const p of pairs.filter(x => !of(x).length)) {
          // nobody drops out without a word
          expect(unvisited.some(u => u.pairingId === p.pairingId)).toBe(true)
          if (!pairs.some(x => of(x).length > 1)) continue
          unequal++
          // brute force: a whole visit on any day between the first visits of the others
          for (let d = p.from; d + 2 < today + 28; d++) {
            const fits =
              [0, 1, 2].every(k => !blocked(p.damId, d + k) && !blocked('m', d + k)) &&
              firsts.every(v => d > v.to + 2 || d + 2 < v.from - 2)
            expect(
              fits,
              JSON.stringify([p.pairingId, d - today, visits.map(v => [v.pairingId, v.from - today, v.to - today])]),
            ).toBe(false)
          }
        }
      }),
      { numRuns: 400, seed: 7 },
    )
    expect(unequal).toBeGreaterThan(0)
  })

  it('females that laid on one day: one in time, the others late and said so, or told that nobody is free', () => {
    const laid = ['a', 'b', 'c', 'd'].map((d, i) =>
      rotaPair(`p${i}`, d, 'm', {
        from: today + 1,
        intime: today + 4,
        until: today + 10,
        wanted: 1,
        why: 'laid: male in again',
      }),
    )
    const { visits, unvisited } = planRota({
      pairs: laid,
      blocked: () => false,
      maleRests: () => null,
      today,
      days: 28,
    })
    expect(visits.map(v => [v.from - today, /late/.test(v.why)])).toEqual([
      [1, false],
      [6, true],
    ])
    expect(unvisited.map(u => [u.pairingId, u.why])).toEqual([
      ['p2', expect.stringMatching(/taken by others/)],
      ['p3', expect.stringMatching(/taken by others/)],
    ])
  })

  it('comes out before either is fed, and a visit is shorter where meals leave no more room', () => {
    expect(rota([rotaPair('p', 'a', 'm', { together: today - 1, visitDays: 4, mealDue: today + 2 })])[0]).toMatchObject(
      { running: true, to: today + 1 },
    )
    // fed every fourth day: one day and a half is left
    const every4 = (id: string, day: number) => id === 'a' && (day - today + 40) % 4 <= 1
    const [first] = rota([rotaPair('p', 'a', 'm', { visitDays: 3, wanted: 1 })], { blocked: every4 })
    expect([first!.from - today, first!.to - today]).toEqual([2, 3])
    const { unvisited } = planRota({
      pairs: [rotaPair('p', 'a', 'm')],
      blocked: () => true,
      maleRests: () => null,
      today,
      days: 28,
    })
    expect(unvisited[0]!.why).toMatch(/their meals leave no day between/)
  })

  it('nobody is ever in two places, whatever is asked (property)', () => {
    const arb = fc.array(
      fc.record({
        dam: fc.integer({ min: 0, max: 5 }),
        sire: fc.integer({ min: 0, max: 2 }),
        from: fc.integer({ min: 0, max: 10 }),
        wanted: fc.integer({ min: 0, max: 4 }),
        visitDays: fc.integer({ min: 1, max: 4 }),
        restDays: fc.integer({ min: 0, max: 4 }),
      }),
      { maxLength: 8 },
    )
    fc.assert(
      fc.property(arb, fc.nat(6), (list, meal) => {
        const pairs = list.map((x, i) =>
          rotaPair(`p${i}`, `d${x.dam}`, `s${x.sire}`, {
            from: today + x.from,
            wanted: x.wanted,
            visitDays: x.visitDays,
            restDays: x.restDays,
          }),
        )
        const blocked = (id: string, day: number) => id.startsWith('d') && day % 7 === meal
        const visits = rota(pairs, { blocked })
        for (const v of visits) {
          for (let d = v.from; d <= v.to; d++) expect(blocked(v.damId, d)).toBe(false)
          for (const w of visits)
            if (w !== v && (w.damId === v.damId || w.sireId === v.sireId))
              expect(w.from > v.to || w.to < v.from).toBe(true)
        }
        for (const p of pairs)
          expect(visits.filter(v => v.pairingId === p.pairingId).length).toBeLessThanOrEqual(p.wanted)
      }),
      { numRuns: 80 },
    )
  })
})

function layer(
  speciesId: string,
  weights: [day: number, massG: number][],
  laid: number[],
  meals: [day: number, taken: number][] = [],
) {
  const b = new HouseBuilder(today).animal('F', speciesId, { sex: 'female' }).animal('M', speciesId, { sex: 'male' })
  const about = { type: 'animal' as const, id: 'F' }
  for (const [day, massG] of weights) b.write('weighed', about, day, { massG })
  for (const [day, taken] of meals) b.write('fed', about, day, { prey: 'mouse.adult', offered: 1, taken })
  b.pair('F', 'M', -150, 'p')
  laid.forEach((day, i) =>
    b.write(
      'laid',
      { type: 'pairing', id: 'p' },
      day,
      { tag: `C${i}`, eggs: 2, slugs: 0, tempC: 28, placeId: null },
      `c${i}`,
    ),
  )
  const house = foldHouse(b.records())
  return judgeLoad(
    speciesOf(almanac, speciesId) as PairInput['species'],
    house.animals.F as AnimalState,
    Object.values(house.clutches),
    [],
    almanac.common,
    today,
  ).value
}

describe('her load', () => {
  const gecko = 'fat-tailed-gecko'
  it.each<[string, Parameters<typeof layer>, string, RegExp]>([
    ['no clutch', [gecko, [], []], 'nothing', /No clutch/],
    [
      'kept her weight',
      [
        gecko,
        [
          [-40, 60],
          [-3, 57],
        ],
        [-10],
      ],
      'again',
      /95 %/,
    ],
    [
      'lost some',
      [
        gecko,
        [
          [-40, 60],
          [-3, 51],
        ],
        [-10],
      ],
      'feedUp',
      /85 %/,
    ],
    [
      'lost much',
      [
        gecko,
        [
          [-40, 60],
          [-3, 45],
        ],
        [-10],
      ],
      'rest',
      /75 %/,
    ],
    ['not weighed since', [gecko, [[-40, 60]], [-10]], 'weigh', /weigh her/],
    [
      'refuses since',
      [
        gecko,
        [
          [-40, 60],
          [-3, 57],
        ],
        [-10],
        [
          [-8, 0],
          [-5, 0],
          [-2, 0],
        ],
      ],
      'rest',
      /refuses since laying, 3/,
    ],
    [
      'as many as usual',
      [
        gecko,
        [
          [-150, 60],
          [-3, 58],
        ],
        [-120, -95, -70, -45, -10],
      ],
      'rest',
      /5 clutches/,
    ],
    [
      'one a season',
      [
        'rosy-boa',
        [
          [-40, 400],
          [-3, 330],
        ],
        [-10],
      ],
      'rest',
      /one a season/,
    ],
  ])('%s', (_, args, action, text) => {
    const verdict = layer(...args)
    expect([verdict.action, verdict.text]).toEqual([action, expect.stringMatching(text)])
  })
})

describe('follicles tell ovulation', () => {
  const days = (mm: [day: number, mm: number][]) =>
    ovulationFromFollicles(
      king,
      { follicles: mm.map(([day, m], i) => ({ day: today + day, mm: m, entryId: `f${i}` })) },
      today - 60,
      almanac.common,
      today,
    )!

  it('the usual growth: 12 mm now, 18 mm at 0.4 mm a day is about 15 days', () => {
    expect(quantile(days([[0, 12]]).dist, 0.5)! - today).toBeGreaterThanOrEqual(12)
    expect(quantile(days([[0, 12]]).dist, 0.5)! - today).toBeLessThanOrEqual(24)
  })

  it('her own growth narrows it, and laying follows from it rather than from the lock', () => {
    const own = days([
      [-10, 8],
      [0, 13],
    ])
    const width = (d: typeof own) => quantile(d.dist, 0.9)! - quantile(d.dist, 0.1)!
    expect(width(own)).toBeLessThan(width(days([[0, 13]])))
    const observed = { copulation: { day: today - 30, entryId: 'e' } }
    const laid = (given: Parameters<typeof forecastChain>[0]['given']) =>
      forecastChain({
        late: almanac.common.clockLate!,
        species: king,
        observed,
        given,
        incubation: null,
        today,
      }).find(e => e.event === 'laid')!
    expect(laid({}).reasons[0]!.rule).toMatch(/lock to laying/)
    expect(laid({ ovulation: { ...own, measured: true } }).reasons[0]!.rule).toMatch(/ovulation to laying/)
  })

  it('follicles that stand still half of the time come to nothing, shrinking ones nearly always (from memory)', () => {
    expect(
      days([
        [-10, 12],
        [0, 14],
      ]).dist.never,
    ).toBe(0)
    const standing = days([
      [-10, 12],
      [0, 12],
    ])
    expect(standing.dist.never).toBeCloseTo(0.5, 9)
    expect(standing.reasons[0]!.rule).toMatch(/have not grown/)
    const shrinking = days([
      [-10, 14],
      [0, 11],
    ])
    expect(shrinking.dist.never).toBeCloseTo(0.9, 9)
    expect(shrinking.reasons[0]!.rule).toMatch(/shrink/)
    // two looks of three days tell nothing of speed
    expect(
      days([
        [-3, 12],
        [0, 12],
      ]).dist.never,
    ).toBe(0)
    // and what they tell reaches the laying
    const observed = { copulation: { day: today - 30, entryId: 'e' } }
    const laid = forecastChain({
      late: almanac.common.clockLate!,
      species: king,
      observed,
      given: { ovulation: { ...shrinking, measured: true } },
      incubation: null,
      today,
    }).find(e => e.event === 'laid')!
    expect(laid.dist.never).toBeGreaterThan(0.85)
  })

  it('says nothing without a look in this cycle', () => {
    expect(
      ovulationFromFollicles(
        king,
        { follicles: [{ day: today - 90, mm: 12, entryId: 'e' }] },
        today - 60,
        almanac.common,
        today,
      ),
    ).toBeNull()
  })
})
