import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { HouseBuilder } from '../../tests/fixtures/records'
import { feederOf, shippedAlmanac } from '../almanac'
import { defaultSettings, type HouseSettings } from '../settings'
import { nextWeekday } from '../units'
import { houseOf, planFeeders, seasonOfHouse, tellInPlace } from '.'

const today = 20_000
const solve = solverFrom(await highsLoader())
const { feeders } = shippedAlmanac
const inTurn: HouseSettings = { ...defaultSettings, schools: { 'preyVariety@fat-tailed-gecko': 'inTurn' } }

/** Geckos that ate nine days ago, and what is there by count. */
function geckos(there: Record<string, number>, count = 6) {
  const b = new HouseBuilder(today)
  for (let i = 0; i < count; i++) {
    b.animal(`G-${i}`, 'fat-tailed-gecko', { bornDay: today - 900 })
    b.write('fed', { type: 'animal', id: `G-${i}` }, -9, { prey: 'roach.nymph', offered: 6, taken: 6 })
  }
  for (const [prey, n] of Object.entries(there)) b.write('preyCounted', { type: 'prey', id: prey }, 0, { count: n })
  return b
}
const seen = (b: HouseBuilder, settings: HouseSettings = defaultSettings) => {
  const house = houseOf(b.records())
  const made = seasonOfHouse(house, shippedAlmanac, settings, today)
  return { ...made, house, settings }
}
const mealsOf = (b: HouseBuilder, settings: HouseSettings = inTurn) =>
  seen(b, settings)
    .season.tasks.filter(t => t.kind === 'feed')
    .map(t => t.actions[0]!.data as { prey: string; offered: number })
const plansOf = (b: HouseBuilder, settings: HouseSettings = inTurn) => {
  const { season, scenarios, house } = seen(b, settings)
  return planFeeders(season, scenarios, house, shippedAlmanac, settings, solve)
}
const sum = (row: readonly number[]) => row.reduce((a, b) => a + b, 0)
const usual = mealsOf(geckos({}), defaultSettings)[0]!

describe('whose turn it is, on the Round', () => {
  const other = feeders[usual.prey]!.standIns![0]!.prey
  const ate = (there: Record<string, number>) => {
    const b = geckos(there)
    for (let i = 0; i < 6; i++)
      b.write('fed', { type: 'animal', id: `G-${i}` }, -8, {
        prey: usual.prey,
        offered: usual.offered,
        taken: usual.offered,
      })
    return b
  }

  it('is that of what it has not eaten lately, where that is there; the task writes it, and says why', () => {
    const tasks = seen(ate({ [other]: 5000 }), inTurn).season.tasks.filter(t => t.kind === 'feed')
    expect(tasks).toHaveLength(6)
    for (const task of tasks) {
      const { prey, offered } = task.actions[0]!.data as { prey: string; offered: number }
      expect(prey).toBe(other)
      const grams = (id: string, n: number) => n * feederOf(shippedAlmanac, id).massG.likely
      expect(Math.abs(grams(other, offered) - grams(usual.prey, usual.offered))).toBeLessThanOrEqual(
        feederOf(shippedAlmanac, other).massG.likely,
      )
      expect(task.what).toContain(feederOf(shippedAlmanac, other).many)
      expect(task.reasons.some(r => r.rule.startsWith('Several kinds in turn'))).toBe(true)
    }
  })

  it('by the other school, with nothing else there, or for one that refuses it stays the ladder’s', () => {
    const prey = (meals: { prey: string }[]) => [...new Set(meals.map(m => m.prey))]
    expect(prey(mealsOf(ate({ [other]: 5000 }), defaultSettings))).toEqual([usual.prey])
    expect(prey(mealsOf(ate({})))).toEqual([usual.prey])
    expect(prey(mealsOf(ate({ [other]: 1 })))).toEqual([usual.prey])
    const refuses = ate({ [other]: 5000 })
    for (let i = 0; i < 6; i++)
      refuses.write('fed', { type: 'animal', id: `G-${i}` }, -7, { prey: usual.prey, offered: 6, taken: 0 })
    expect(prey(mealsOf(refuses))).toEqual([usual.prey])
  })

  it('of a group is that of all, and only what is enough for all', () => {
    const moss = (there: number) => {
      const b = new HouseBuilder(today).place('tank')
      b.group('Moss', 'golden-mantella', -100, { placeId: 'tank', unknown: 12 })
      const first = seen(b).season.tasks.find(t => t.id === 'feed:Moss')!.actions[0]!.data as {
        prey: string
        count: number
      }
      b.write('groupOffered', { type: 'group', id: 'Moss' }, -3, { ...first })
      const { prey: second } = feeders[first.prey]!.standIns![0]!
      b.write('preyCounted', { type: 'prey', id: second }, 0, { count: there })
      const settings = { ...defaultSettings, schools: { preyVariety: 'inTurn' } }
      const task = seen(b, settings).season.tasks.find(t => t.id === 'feed:Moss')!
      return { first: first.prey, second, prey: (task.actions[0]!.data as { prey: string }).prey }
    }
    const much = moss(10_000)
    expect(much.prey).toBe(much.second)
    const few = moss(20)
    expect(few.prey).toBe(few.first)
  })
})

describe('several kinds in turn, planned', () => {
  const there = { 'roach.nymph': 9000, 'cricket.adult': 400 }

  it('takes no kind much above its share, and asks for others to be got', () => {
    const plans = plansOf(geckos(there, 20))
    const plan = plans.find(p => p.prey === usual.prey)!
    const needed = sum(
      seen(geckos(there, 20))
        .season.prey.find(p => p.prey === usual.prey)!
        .mean.slice(0, 56),
    )
    const others = plan.standIns.filter(s => s.inTurn && s.from < today + 56)
    expect(new Set(others.map(s => s.prey)).size).toBeGreaterThanOrEqual(2)
    expect(others.every(s => s.inTurn)).toBe(true)
    expect(sum(others.map(s => s.for))).toBeGreaterThan(0.5 * needed)
    expect(tellInPlace(plan, feeders, today)).toMatch(/^In turn with it: \d/)
    // by the ladder nothing stands for it while there is enough
    expect(plansOf(geckos(there, 20), defaultSettings).find(p => p.prey === usual.prey)!.standIns).toEqual([])
  })

  it('is worth no trip of its own: what it asks for waits for culture day', () => {
    const next = nextWeekday(today, defaultSettings.cultureWeekday)
    expect(next).toBeGreaterThan(today)
    const days = plansOf(geckos(there, 20)).flatMap(p => [...p.starts, ...p.orders].map(s => s.day))
    expect(Math.min(...days)).toBe(next)
  })

  it('leaves nobody hungrier than one prey does', () => {
    const short = (settings: HouseSettings) =>
      sum(plansOf(geckos({ 'cricket.adult': 30 }, 20), settings).map(p => p.shortDays))
    expect(short(inTurn)).toBeLessThanOrEqual(short(defaultSettings) + 0.5)
  })
})
