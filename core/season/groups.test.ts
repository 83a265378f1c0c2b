import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac } from '../almanac'
import { checkEntry, hereOf, inAll, readLogLine, recordsFrom, youngInGroup, type DatedEntry } from '../subjects'
import { dayFromIso } from '../units'
import { defaultSettings, houseOf, season } from '.'

const today = dayFromIso('2026-11-25')
const MOSS = { type: 'group' as const, id: 'Moss' }
const builder = () => new HouseBuilder(today)
const seen = (b: HouseBuilder, day = today) => season(b.records(), shippedAlmanac, defaultSettings, day).season
const groupIn = (b: HouseBuilder, id = 'Moss') => houseOf(b.records()).groups[id]!
const tank = (numbers: Record<string, unknown> = { unknown: 12 }) => {
  const b = builder().place('tank')
  b.group('Moss', 'golden-mantella', -100, { placeId: 'tank', ...numbers })
  return b
}

/** What would be said to an entry of now. */
function problem(b: HouseBuilder, kind: string, data: Record<string, unknown>, subject = MOSS) {
  const records = b.records()
  const entry: DatedEntry = {
    id: 'new',
    at: new Date(today * 86_400_000 + 12 * 3_600_000).toISOString(),
    day: today,
    source: 'keeper',
    subject,
    kind,
    data,
  }
  return checkEntry(entry, { house: houseOf(records), records, almanac: shippedAlmanac, today })[0] ?? null
}

describe('the number of a group', () => {
  it('falls by losses and sales, rises by those who join, and is never below nothing', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            kind: fc.constantFrom('groupLost', 'groupSold', 'groupJoined', 'groupCounted', 'groupSexed'),
            n: fc.integer({ min: 1, max: 9 }),
            m: fc.integer({ min: 0, max: 9 }),
          }),
          { maxLength: 25 },
        ),
        steps => {
          const b = tank()
          // by hand: how many belong to it, and how many were not found
          let [all, missing] = [12, 0]
          for (const [i, { kind, n, m }] of steps.entries()) {
            const data = {
              groupLost: { count: n },
              groupSold: { count: n },
              groupJoined: { male: 0, female: m % 2, unknown: n },
              groupCounted: { count: n + m, sure: true },
              groupSexed: { male: m, female: n },
            }[kind]!
            if (problem(b, kind, data)) continue
            b.write(kind, MOSS, i - 99, data)
            if (kind === 'groupLost') [all, missing] = [all - n, Math.max(0, Math.min(missing - n, all - n))]
            if (kind === 'groupSold') all -= n
            if (kind === 'groupJoined') all += n + (m % 2)
            if (kind === 'groupCounted') [all, missing] = [Math.max(all, n + m), Math.max(0, all - n - m)]
          }
          const group = groupIn(b)
          expect(inAll(group.numbers)).toBe(all)
          expect(hereOf(group)).toBe(all - missing)
          expect(Object.values(group.numbers).every(n => n >= 0)).toBe(true)
        },
      ),
      { numRuns: 150 },
    )
  })

  it('asks which they were where some are of known sex, and not where all are of one', () => {
    expect(problem(tank({ male: 3, female: 4 }), 'groupLost', { count: 1 })).toMatchObject({
      path: 'data.sex',
      message: expect.stringContaining('3 males, 4 females'),
    })
    expect(problem(tank({ male: 3, female: 4 }), 'groupLost', { count: 4, sex: 'male' })!.message).toMatch(/3 males/)
    expect(problem(tank({ female: 4 }), 'groupLost', { count: 1 })).toBeNull()
    const b = tank({ female: 4 })
    b.write('groupLost', MOSS, 0, { count: 1 })
    expect(groupIn(b).numbers).toEqual({ male: 0, female: 3, unknown: 0 })
  })

  it('more than are known are asked about; more than are there cannot be sold', () => {
    expect(problem(tank(), 'groupCounted', { count: 14 })!.path).toBe('data.sure')
    expect(problem(tank(), 'groupCounted', { count: 14, sure: true })).toBeNull()
    const b = tank()
    b.write('groupCounted', MOSS, -1, { count: 9 })
    expect(problem(b, 'groupSold', { count: 10 })!.message).toBe('Moss has 9')
    expect(problem(b, 'groupLost', { count: 12 })).toBeNull()
  })
})

describe('those that are not found', () => {
  it('are an alarm until they are found or written as lost', () => {
    const b = tank()
    b.write('groupCounted', MOSS, -3, { count: 10 })
    const alarms = (day = today) => seen(b, day).alarms.filter(a => a.id.startsWith('missing:'))
    expect(alarms()[0]!.text).toBe('Moss: 2 not found when counted 3 days ago')
    // it does not end by itself
    expect(alarms(today + 200)).toHaveLength(1)
    b.write('groupLost', MOSS, -1, { count: 1 })
    expect(alarms()[0]!.text).toMatch(/1 not found/)
    b.write('groupCounted', MOSS, 0, { count: 11 })
    expect(alarms()).toEqual([])
    expect(hereOf(groupIn(b))).toBe(11)
  })

  it('several deaths within weeks are harm; one is not, nor are many of long ago', () => {
    const harm = (...lost: [number, number][]) => {
      const b = tank()
      for (const [days, count] of lost) b.write('groupLost', MOSS, days, { count })
      return seen(b).alarms.filter(a => a.id.startsWith('groupLosses:')).length
    }
    expect([harm([-2, 1]), harm([-9, 1], [-2, 1]), harm([-50, 3])]).toEqual([0, 1, 0])
  })

  it('are asked after every fortnight (from memory, no source)', () => {
    const b = tank()
    const asked = (day: number) => seen(b, day).tasks.some(t => t.id === 'count:Moss')
    expect(asked(today)).toBe(true)
    b.write('groupCounted', MOSS, 0, { count: 12 })
    expect([asked(today), asked(today + 13), asked(today + 14)]).toEqual([false, false, true])
  })
})

describe('a group eats as so many with tags', () => {
  const meals = [-9, -6, -2]
  it.each(['golden-mantella', 'fat-tailed-gecko', 'fire-bellied-toad'])('%s: need of every day, and stock', species => {
    const born = '2026-05-01'
    const many = builder()
    const one = builder()
    for (let i = 0; i < 7; i++) many.animal(`T-${i}`, species, { bornDay: dayFromIso(born) })
    one.group('Moss', species, -60, { unknown: 7, born })
    const prey = shippedAlmanac.species[species]!.ladder[0]!.meal[0]!.prey
    for (const b of [many, one]) b.write('preyCounted', { type: 'prey', id: prey }, -20, { count: 1000 })
    for (const day of meals) {
      for (let i = 0; i < 7; i++)
        many.write('fed', { type: 'animal', id: `T-${i}` }, day, { prey, offered: 5, taken: 5 })
      one.write('groupOffered', MOSS, day, { prey, count: 35 })
    }
    const [a, b] = [seen(many), seen(one)]
    expect(b.prey.map(p => p.prey)).toEqual(a.prey.map(p => p.prey))
    for (const [i, p] of a.prey.entries()) {
      p.mean.forEach((n, d) => expect(b.prey[i]!.mean[d], `${p.prey} day ${d}`).toBeCloseTo(n, 6))
      expect(b.prey[i]!.stock).toBe(p.stock)
    }
    const due = (s: typeof a, id: string) => s.tasks.find(t => t.id === `feed:${id}`)
    expect(due(b, 'Moss')?.due).toBe(due(a, 'T-0')?.due)
  })

  it('what its button writes ends the task of the day; who is missing is not fed', () => {
    const b = tank()
    const task = () => seen(b).tasks.find(t => t.id === 'feed:Moss')
    const all = task()!.actions[0]!
    b.write('groupCounted', MOSS, -1, { count: 6 })
    expect(Number(task()!.actions[0]!.data.count)).toBe(Number(all.data.count) / 2)
    const { kind, data, also = [] } = task()!.actions[0]!
    for (const one of [data, ...also]) b.write(kind, MOSS, 0, one)
    expect(task()).toBeUndefined()
    expect(problem(tank(), 'groupOffered', { prey: 'flake', count: 12 })).toBeNull()
  })

  it('45 of 12 cannot have eaten; few that eat are told after two looks, and no more when more do', () => {
    const b = tank()
    expect(problem(b, 'groupSeenEating', { ate: 45 })).toEqual({
      path: 'data.ate',
      message: '45 cannot have eaten: 12 of Moss are there',
    })
    const told = () =>
      seen(b)
        .alarms.filter(a => a.id.startsWith('groupEats:'))
        .map(a => a.text)
    b.write('groupSeenEating', MOSS, -4, { ate: 5 })
    expect(told()).toEqual([])
    b.write('groupSeenEating', MOSS, -3, { ate: 6 })
    expect(told()).toEqual(['Moss: 6 of 12 seen eating, and 5 of 12 the time before'])
    b.write('groupSeenEating', MOSS, -2, { ate: 12 })
    expect(told()).toEqual([])
  })

  it('nobody left: nothing is due, and nothing needed', () => {
    const b = tank()
    b.write('groupSold', MOSS, -1, { count: 12 })
    expect(seen(b).tasks).toEqual([])
    expect(seen(b).prey.flatMap(p => p.causes)).toEqual([])
    expect(problem(b, 'groupOffered', { prey: 'flake', count: 1 })!.message).toBe('Moss has no mouths to feed')
    // it can be filled again
    b.write('groupJoined', MOSS, 0, { male: 0, female: 0, unknown: 4 })
    expect(seen(b).tasks.map(t => t.kind)).toContain('feed')
  })
})

describe('a group lives with others by the rules for animals', () => {
  it('too few, two males, and another species are told as of so many with tags', () => {
    const why = (b: HouseBuilder) =>
      seen(b).alarms.flatMap(a => (a.id.startsWith('company:') ? [a.id.split(':')[2]] : []))
    const crowd = (n: number, part: (i: number) => object) => {
      const b = builder().place('tank')
      for (let i = 0; i < n; i++) b.animal(`L-${i}`, 'ocellated-lizard', { placeId: 'tank', ...part(i) })
      return b
    }
    const males = builder().place('tank')
    males.group('Moss', 'ocellated-lizard', -10, { placeId: 'tank', male: 2, female: 1 })
    expect(why(males)).toEqual(why(crowd(3, i => ({ sex: i < 2 ? 'male' : 'female' }))))
    expect(why(males)).not.toEqual([])
    const mixed = tank()
    mixed.animal('B-1', 'fire-bellied-toad', { placeId: 'tank' })
    expect(why(mixed)).toEqual(['otherSpecies'])
  })

  it('is asked before a snake that lives alone is put to it, and before it is moved to one', () => {
    const b = tank().place('glass')
    b.animal('B-1', 'fire-bellied-toad', { placeId: 'glass' })
    expect(problem(b, 'groupMoved', { placeId: 'glass' })!.message).toMatch(/Move Moss there all the same/)
    expect(problem(b, 'groupMoved', { placeId: 'glass', sure: true })).toBeNull()
    const moved = problem(b, 'moved', { placeId: 'tank' }, { type: 'animal', id: 'B-1' } as never)
    expect(moved!.message).toMatch(/do not live together/)
  })

  it('its home is too small on the day on which that of so many with tags is', () => {
    const size = { widthCm: 40, depthCm: 30, heightCm: 40 }
    const born = dayFromIso('2026-09-01')
    const many = builder().place('tank', { size })
    for (let i = 0; i < 6; i++) many.animal(`F-${i}`, 'fat-tailed-gecko', { placeId: 'tank', bornDay: born })
    const one = builder().place('tank', { size })
    one.group('Moss', 'fat-tailed-gecko', -5, { placeId: 'tank', unknown: 6, born: '2026-09-01' })
    const [a] = seen(many).homes.outgrown
    const [b] = seen(one).homes.outgrown
    expect(b).toMatchObject({ mid: a!.mid, low: a!.low, high: a!.high, count: 6, animalIds: ['Moss'] })
  })
})

describe('eggs and young of a group', () => {
  it('a laying makes a clutch of no known parents, with a forecast of its own', () => {
    const b = tank()
    b.write('groupLaid', MOSS, -10, { tag: 'S-1', eggs: 40, slugs: 0, tempC: null, placeId: 'tank' }, 'S-1')
    const house = houseOf(b.records())
    expect(house.clutches['S-1']).toMatchObject({ pairingId: null, groupId: 'Moss', kind: 'spawn', eggs: 40 })
    expect(seen(b).lanes.map(l => l.title)).toEqual(['S-1'])
    expect(problem(tank({ male: 3 }), 'groupLaid', { tag: 'S-2', eggs: 4 })!.message).toMatch(/males only/)
    expect(problem(tank(), 'groupBore', { tag: 'L-2', live: 4 })!.message).toMatch(/does not bear its young so/)
  })

  it('young of a clutch that join it leave the clutch, and come back to it when that is taken back', () => {
    const b = tank()
    b.write('groupLaid', MOSS, -90, { tag: 'S-1', eggs: 40, slugs: 0, tempC: null, placeId: null }, 'S-1')
    const CLUTCH = { type: 'clutch' as const, id: 'S-1' }
    b.write('hatched', CLUTCH, -80, { count: 30 })
    b.write('metamorphosed', CLUTCH, -20, { count: 20 })
    b.write('groupFed', CLUTCH, -10, { prey: 'springtail', each: 10 })
    expect(problem(b, 'groupJoined', { unknown: 21, clutchId: 'S-1' })!.message).toBe('S-1 has 20 young without tags')
    b.write('groupJoined', MOSS, -5, { male: 0, female: 0, unknown: 15, clutchId: 'S-1' }, 'join')
    b.write('groupFed', CLUTCH, -2, { prey: 'springtail', each: 10 })
    const house = houseOf(b.records())
    expect(youngInGroup(house.clutches['S-1']!)).toBe(5)
    expect(inAll(house.groups.Moss!.numbers)).toBe(27)
    // what was fed before was fed to all
    expect(house.clutches['S-1']!.meals.map(m => m.count)).toEqual([200, 50])
    const all = [...b.records().entries.values()].flat()
    const back = houseOf(
      recordsFrom(
        all.filter(e => e.id !== 'join'),
        {},
      ),
    )
    expect(youngInGroup(back.clutches['S-1']!)).toBe(20)
    expect(inAll(back.groups.Moss!.numbers)).toBe(12)
  })
})

describe('a weight of a group', () => {
  it('is that of all together; the slip of each against all is asked about', () => {
    const b = tank()
    b.write('groupWeighed', MOSS, 0, { count: 10, massG: 14 })
    // golden mantellas weigh about 1.4 g
    expect(problem(tank(), 'groupWeighed', { count: 10, massG: 14 })).toBeNull()
    expect(problem(tank(), 'groupWeighed', { count: 10, massG: 140 })!.message).toMatch(/14 g each/)
    expect(problem(tank(), 'groupWeighed', { count: 13, massG: 14 })!.message).toBe('Moss has 12')
  })
})

describe('a line of the log about a group', () => {
  const read = (line: string) => readLogLine(line, houseOf(tank().records()), shippedAlmanac, 'g', 'C-9')
  it.each([
    ['Moss counted 11', 'groupCounted', { count: 11 }],
    ['Moss lost two', 'groupLost', { count: 2 }],
    ['Moss lost 1 male: dried out', 'groupLost', { count: 1, sex: 'male', cause: 'dried out' }],
    ['Moss sold 3', 'groupSold', { count: 3 }],
    ['Moss 10 weigh 14 g', 'groupWeighed', { count: 10, massG: 14 }],
    ['Moss laid 30', 'groupLaid', { tag: 'C-9', eggs: 30 }],
    ['Moss note: calling at dusk', 'groupNoted', { text: 'calling at dusk' }],
  ])('%s', (line, kind, data) => {
    expect(read(line)).toMatchObject({ ok: true, kind, data, subject: MOSS })
  })

  it.each(['Moss lost', 'Moss 14 g', 'Moss sold', 'Moss fed', 'Moss died'])('%s is asked about', line => {
    expect(read(line)).toMatchObject({ ok: false, ask: expect.stringMatching(/How many|how many/) })
  })

  it('of a place whose name begins with the tag of a group is about the place', () => {
    const b = tank().place('Moss tank')
    const said = readLogLine('Moss tank 24 C', houseOf(b.records()), shippedAlmanac, 'g', 'C-9')
    expect(said).toMatchObject({ ok: true, kind: 'placeRead', subject: { type: 'place', id: 'Moss tank' } })
  })

  it('what is said of animals and clutches is read as before', () => {
    const b = tank().animal('K-1', 'california-kingsnake')
    const house = houseOf(b.records())
    expect(readLogLine('K-1 sold', house, shippedAlmanac, 'g', 'C-9')).toMatchObject({ ok: true, kind: 'sold' })
    expect(readLogLine('K-1 312 g', house, shippedAlmanac, 'g', 'C-9')).toMatchObject({ ok: true, kind: 'weighed' })
  })
})
