import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shipped, shippedAlmanac, withOwn, withOverrides, type Almanac, type OwnFeeder } from '../../almanac'
import { defaultSettings, type HouseSettings } from '../../settings'
import { houseOf, planFeeders, planJobs, preyGroups, seasonOfHouse, standInsFor, startTasks, tellInPlace } from '..'

const today = 20_000
const solve = solverFrom(await highsLoader())
const seasonIn = (b: HouseBuilder, almanac = shippedAlmanac, settings: HouseSettings = defaultSettings) => {
  const house = houseOf(b.records())
  return { house, settings, ...seasonOfHouse(house, almanac, settings, today) }
}
const plansOf = (b: HouseBuilder, almanac = shippedAlmanac, settings = defaultSettings) => {
  const { season, scenarios, house } = seasonIn(b, almanac, settings)
  return planFeeders(season, scenarios, house, almanac, settings, solve)
}
const young = (species: string, count: number, age: number, b = new HouseBuilder(today)) => {
  for (let i = 0; i < count; i++) b.animal(`${species}-${i}`, species, { bornDay: today - age })
  return b
}
const sum = (row: readonly number[]) => row.reduce((a, b) => a + b, 0)
const feederSays = (id: string, parts: OwnFeeder['parts']): Almanac =>
  withOwn(shipped, {
    species: [],
    feeders: [{ id, added: false, from: null, name: null, one: null, many: null, parts, retired: false }],
    numbers: [],
  }).almanac

describe('what may stand for a prey', () => {
  it('is exchanged by weight, and never what a species is not given', () => {
    const of = (never: string[]) => standInsFor('cricket.half', { never }, shippedAlmanac)
    const { feeders } = shippedAlmanac
    const small = of([]).find(s => s.prey === 'roach.small')!
    expect(small.pieces).toBeCloseTo(feeders['cricket.half']!.massG.likely / feeders['roach.small']!.massG.likely, 9)
    expect(of(['roach.small', 'mealworm']).map(s => s.prey)).not.toContain('roach.small')
    expect(of(['mealworm']).map(s => s.prey)).not.toContain('mealworm')
  })

  it('no frog of those that are given soft prey only is ever planned a hard one', () => {
    for (const species of ['golden-mantella', 'dyeing-dart-frog']) {
      const { season, scenarios, house, settings } = seasonIn(young(species, 12, 160))
      const never = shippedAlmanac.species[species]!.never!
      for (const job of planJobs(season.prey, scenarios, house, shippedAlmanac, settings, today))
        for (const eaters of Object.values(job.eaters).flat()) expect(eaters.never).toEqual(never)
      for (const plan of plansOf(young(species, 12, 160)))
        for (const { prey } of plan.standIns) expect(never).not.toContain(prey)
    }
  })

  it('joins prey into groups; what nobody eats and nobody may be given stays apart', () => {
    const b = young('bearded-dragon', 3, 400)
    b.animal('K', 'corn-snake', { bornDay: today - 900 })
    const { season, scenarios } = seasonIn(b)
    const groups = preyGroups(season.prey, scenarios, shippedAlmanac)
    const of = (prefix: string) => groups.filter(g => g.looks.some(l => l.prey.startsWith(prefix)))
    expect(
      of('mouse')
        .flatMap(g => g.looks)
        .every(l => /^(mouse|rat)/.test(l.prey)),
    ).toBe(true)
    expect(groups.flatMap(g => g.looks)).toHaveLength(season.prey.length)
  })
})

describe('a house short of one prey that has another', () => {
  const dragons = () => {
    const b = young('fat-tailed-gecko', 10, 120)
    b.write('preyCounted', { type: 'prey', id: 'cricket.half' }, 0, { count: 0 })
    b.write('preyCounted', { type: 'prey', id: 'roach.small' }, 0, { count: 900 })
    return b
  }

  it('gives that until what was ordered is there, and says so; without it they go hungry', () => {
    const plan = plansOf(dragons()).find(p => p.prey === 'cricket.half')!
    expect(plan.standIns[0]).toMatchObject({ prey: 'roach.small', from: today })
    expect(sum(plan.missing.slice(0, 2))).toBeLessThan(0.05 * sum(plan.bareMissing.slice(0, 2)))
    expect(tellInPlace(plan, shippedAlmanac.feeders, today)).toMatch(/^In its place: \d+ small roaches, /)
    const alone = plansOf(dragons(), feederSays('cricket.half', { standIns: [] })).find(p => p.prey === 'cricket.half')!
    expect(alone.standIns).toEqual([])
    expect(sum(alone.missing)).toBeGreaterThan(0)
    expect(alone.gaps[0]!.from).toBe(today)
  })

  it('what is grown is ordered where nothing that is started comes in time', () => {
    const plan = plansOf(young('golden-mantella', 25, 160)).find(p => p.prey === 'fly.small')!
    const firstCup = plan.starts[0]!
    expect(plan.orders[0]!.day).toBeLessThanOrEqual(firstCup.day)
    const task = startTasks([plan], shippedAlmanac, today).find(t => t.id === 'order:fly.small')!
    expect(task.actions[0]).toMatchObject({ kind: 'cultureStarted', data: { feederId: 'fly.small', bought: true } })
  })

  it('a start or order before culture day is worth its trip, or it waits', () => {
    const few = young('fat-tailed-gecko', 1, 120)
    few.write('preyCounted', { type: 'prey', id: 'cricket.half' }, 0, { count: 60 })
    const dear = withOverrides(shippedAlmanac, [{ path: 'common.extraTripCost.value', value: 100 }])
    for (const s of plansOf(few, dear).flatMap(p => p.starts)) expect(s.day).toBeGreaterThan(today)
  })
})

describe('seasons without a hungry day', () => {
  const frogs = () => {
    const b = young('golden-mantella', 20, 160)
    for (const [tag, day] of [
      ['F-1', -30],
      ['F-2', -22],
      ['F-3', -15],
      ['F-4', -8],
    ] as const) {
      b.culture(tag, 'fly.small', day)
      if (day < -20) b.write('producing', { type: 'culture', id: tag }, day + 15)
    }
    return b
  }
  const aimed = (safeSeasons: number | null) => {
    const schools = { cupRhythm: 'asNeeded' }
    const plans = plansOf(frogs(), shippedAlmanac, { ...defaultSettings, schools, safeSeasons })
    return { plans, spares: plans.reduce((n, p) => n + p.spares, 0) }
  }
  const safety = (plans: ReturnType<typeof plansOf>) =>
    plans.flatMap(p => p.reasons).find(r => r.rule.startsWith('Spares'))

  it('cost spares, more of them the surer; what they reach is told by fresh seasons too', () => {
    const [none, most, nearly] = [aimed(null), aimed(0.8), aimed(0.97)]
    expect(none.spares).toBe(0)
    expect(safety(none.plans)).toBeUndefined()
    expect(nearly.spares).toBeGreaterThan(0)
    expect(nearly.spares).toBeGreaterThanOrEqual(most.spares)
    const told = safety(nearly.plans)!
    // nearly all seasons are hungry without: too many to choose from at once
    expect(safety(most.plans)!.rule).toMatch(/found one after the other: fewer might do/)
    const reached = (label: string) => Number(/^\d+/.exec(told.inputs.find(i => i.label.startsWith(label))!.value)![0])
    expect(reached('Reached in fresh seasons')).toBeGreaterThanOrEqual(reached('Reached in the seasons by which') - 12)
    const before = Math.max(...none.plans.map(p => p.runOutChance))
    expect(Math.max(...nearly.plans.map(p => p.runOutChance))).toBeLessThanOrEqual(Math.max(before, 0.05))
  })
})
