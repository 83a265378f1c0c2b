import { describe, expect, it } from 'vitest'
import { shippedAlmanac as almanac } from '../../almanac'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { defaultSettings, houseOf, season } from '..'
import type { Visit } from '../../pairing'

const today = 20_550
const animal = (id: string) => ({ type: 'animal' as const, id })
const pairing = (id: string) => ({ type: 'pairing' as const, id })
const seasonOf = (b: HouseBuilder) => season(b.records(), almanac, defaultSettings, today).season
const rota = (b: HouseBuilder): Visit[] => seasonOf(b).breeding.rota
const starts = (b: HouseBuilder) => rota(b).map(v => v.from - today)

function two(speciesId: string, fedDaysAgo = 20): HouseBuilder {
  const b = new HouseBuilder(today)
    .animal('F', speciesId, { sex: 'female', bornDay: today - 4000 })
    .animal('M', speciesId, { sex: 'male', bornDay: today - 4000 })
  for (const id of ['F', 'M']) {
    b.write('weighed', animal(id), -10, { massG: 500 })
    b.write('fed', animal(id), -fedDaysAgo, { prey: 'mouse.adult', offered: 1, taken: 1 })
  }
  b.pair('F', 'M', -15, 'P')
  return b
}

describe('when the rota begins', () => {
  it('not on the day of a meal nor the two days after, of either one', () => {
    const b = two('corn-snake', 1)
    // fed yesterday: that day, today and tomorrow are kept free; the next meal comes after ten days
    expect(starts(b)[0]).toBe(2)
    b.write('fed', animal('M'), 0, { prey: 'mouse.adult', offered: 1, taken: 1 })
    expect(starts(b)[0]).toBe(3)
  })

  it('a refused meal leaves nothing in the gut, yet the next offer is waited for', () => {
    const b = two('corn-snake', 12)
    b.write('fed', animal('F'), -1, { prey: 'mouse.adult', offered: 1, taken: 0 })
    b.write('fed', animal('M'), -1, { prey: 'mouse.adult', offered: 1, taken: 0 })
    expect(starts(b)[0]).toBe(0)
  })

  it('meals of a gecko, which eats every third day, are no bar', () => {
    expect(starts(two('fat-tailed-gecko', 0))[0]).toBe(0)
  })

  it('after the cold once both are ready; never while one lies in it', () => {
    const b = two('corn-snake')
    b.write('cooledDown', animal('F'), -9, {})
    const s = seasonOf(b)
    const ready = s.lanes.find(l => l.kind === 'pair')!.events.find(e => e.event === 'ready')!
    expect(s.breeding.rota.every(v => v.from >= ready.dist.start)).toBe(true)
    expect(s.tasks.some(t => t.id.startsWith('introduce:'))).toBe(false)
  })

  it('one week before a rest ends (common practice, no source)', () => {
    const b = two('fat-tailed-gecko')
    b.write('cooledDown', animal('F'), -40, {})
    b.winter('W', 'fat-tailed-gecko', -40, ['F'], { ways: { holdDays: 50, stepDownDays: 0, warmUp: 'atOnce' } })
    const [group] = seasonOf(b).winter.groups
    expect(starts(b)[0]).toBe(Math.max(0, group!.programme.wakeDay - 7 - today))
  })
})

describe('who is not on the rota', () => {
  it.each<[string, (b: HouseBuilder) => void]>([
    ['a male that was sold mid-season', b => void b.write('sold', animal('M'), -1)],
    ['a female that is not well', b => void b.write('checked', animal('F'), -1, { well: false })],
    ['a pair whose season ended', b => void b.write('pairingEnded', pairing('P'), -1, {})],
    ['a female that ovulated', b => void b.write('ovulation', pairing('P'), -1)],
    [
      'a pair with the locks that are wanted',
      b => {
        for (const day of [-9, -5]) b.write('copulation', pairing('P'), day, { confirmed: true })
      },
    ],
    [
      'a female that laid and brings one clutch',
      b => void b.write('laid', pairing('P'), -3, { tag: 'C', eggs: 9, slugs: 0, tempC: 28, placeId: null }, 'C'),
    ],
  ])('%s', (_, happen) => {
    const b = two('corn-snake')
    expect(rota(b)[0]).toMatchObject({ pairingId: 'P' })
    happen(b)
    expect(rota(b)).toEqual([])
  })

  it('social species, which live in groups', () => {
    expect(rota(two('golden-mantella'))).toEqual([])
  })

  it('one that is together is shown until it is taken apart, whatever happened', () => {
    const b = two('corn-snake')
    b.write('introduced', pairing('P'), -6)
    b.write('ovulation', pairing('P'), -1)
    expect(rota(b)).toMatchObject([{ running: true, why: 'she carries: take him out', to: today }])
    expect(seasonOf(b).tasks.find(t => t.id === 'visit:P')!.actions[0]!.kind).toBe('separated')
  })
})

describe('one male for several', () => {
  it('rests between females: nothing with another on the days after a visit', () => {
    const b = two('corn-snake').animal('G', 'corn-snake', { sex: 'female', bornDay: today - 4000 })
    b.write('weighed', animal('G'), -10, { massG: 500 })
    b.write('fed', animal('G'), -20, { prey: 'mouse.adult', offered: 1, taken: 0 })
    b.pair('G', 'M', -15, 'Q')
    b.write('introduced', pairing('P'), -3)
    b.write('separated', pairing('P'), 0)
    const first = rota(b)[0]!
    expect(first.pairingId).toBe('Q')
    // two days of rest after today
    expect(first.from).toBeGreaterThanOrEqual(today + 3)
  })

  it('goes first to the one he was with least', () => {
    const b = two('fat-tailed-gecko').animal('G', 'fat-tailed-gecko', { sex: 'female', bornDay: today - 4000 })
    b.write('weighed', animal('G'), -10, { massG: 60 })
    b.pair('G', 'M', -15, 'Q')
    b.write('introduced', pairing('P'), -12)
    b.write('separated', pairing('P'), -10)
    expect(rota(b)[0]!.pairingId).toBe('Q')
  })
})

describe('what the rota asks in the Round', () => {
  it('looks in daily, falls silent once a lock is written, and asks to take him out on the last day', () => {
    const b = two('corn-snake')
    b.write('introduced', pairing('P'), -1)
    const task = () => seasonOf(b).tasks.find(t => t.id === 'visit:P')
    expect(task()!.actions.map(a => a.label)).toEqual(['Lock', 'Lay together', 'Rejected'])
    b.write('copulation', pairing('P'), 0, { confirmed: true })
    expect(task()).toBeUndefined()
    const c = two('corn-snake')
    c.write('introduced', pairing('P'), -2)
    expect(seasonOf(c).tasks.find(t => t.id === 'visit:P')!.what).toBe('Take M out, away from F')
  })

  it('warns of snake-eaters', () => {
    const b = two('milk-snake')
    b.write('introduced', pairing('P'), 0)
    expect(seasonOf(b).tasks.find(t => t.id === 'visit:P')!.caution).toMatch(/never left unattended/)
  })
})

describe('her meals while she carries', () => {
  const prey = (b: HouseBuilder) => seasonOf(b).tasks.find(t => t.id === 'feed:F')!

  it('smaller while gravid, smallest in the last month, as prey by weight', () => {
    const plain = prey(two('corn-snake'))
    const gravid = two('corn-snake')
    gravid.write('copulation', pairing('P'), 0, { confirmed: true })
    const late = two('corn-snake')
    late.write('preLayShed', pairing('P'), -1)
    const size = (t: typeof plain) => almanac.feeders[String(t.actions[0]!.data.prey)]!.massG.likely
    expect(size(prey(gravid))).toBeLessThan(size(plain))
    expect(size(prey(late))).toBeLessThanOrEqual(size(prey(gravid)))
    expect(
      prey(late)
        .reasons.map(r => r.rule)
        .join(),
    ).toMatch(/a third of it in the last month/)
    expect(
      prey(gravid)
        .reasons.map(r => r.rule)
        .join(),
    ).toMatch(/half of it while gravid/)
  })
})

describe('the house it is computed from', () => {
  it('is not changed by it', () => {
    const records = two('corn-snake').records()
    const house = houseOf(records)
    const before = JSON.stringify(house)
    season(records, almanac, defaultSettings, today)
    expect(JSON.stringify(houseOf(records))).toBe(before)
  })
})
