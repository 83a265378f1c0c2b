import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { feederOf, shippedAlmanac as almanac } from '../../almanac'
import { Fates, plannedSupply, playThrough } from '../../supply'
import { defaultSettings, houseOf, planFeeders, seasonOfHouse, tellHungry, type FeederPlan } from '..'
import { oneMoreOf } from './oneMore'
import type { Starts, Whole } from './whole'

const today = 20_000
const solve = solverFrom(await highsLoader())
const DAYS = 60
const SEASONS = 1500

/** Cups that fail every second time and else give plenty; wanted on one day of each season, in full or by half. */
const usual = plannedSupply(feederOf(almanac, 'fly.small'))!
const supply = { ...usual, failure: { ...(usual as { failure: object }).failure, value: 0.5 } } as typeof usual
const needs = new Float64Array(DAYS * SEASONS).map((_, i) => (i % DAYS === 24 ? 1 : 0))

function cups({ decided, kind = 'batch' }: { decided?: Map<number, number>; kind?: string } = {}) {
  const input = { from: today, startDays: [0, 14, 21], ...(decided && { decided }) }
  const whole = { kept: { key: 'a', byOrder: false, look: { prey: 'a' }, input, supply: { kind } }, input }
  const play = (starts: Starts, scenarios: readonly number[]) => {
    const coming = { supply, running: [], tempC: 24, factor: 1, luck: 0, starts: starts.get('a') ?? [] }
    return playThrough({
      ...{ days: DAYS, width: DAYS, hungryShare: 0.05, scenarios, need: () => needs },
      eaters: [{ prey: 'a', share: new Array<number>(DAYS).fill(1), standIns: [] }],
      feeders: [
        {
          ...{ id: 'a', stock: 0, keptPerDay: 0.9, countFrom: 20, days: DAYS },
          fates: new Fates(today, DAYS, coming, 7),
        },
      ],
    })
  }
  return { wholes: [whole as unknown as Whole], play }
}
const all = Array.from({ length: SEASONS }, (_, s) => s)
const started = (count: number): Starts => new Map([['a', count ? [{ day: today, count }] : []]])

function gained(count: number, how: Parameters<typeof cups>[0] = {}) {
  const { wholes, play } = cups(how)
  const starts = started(count)
  const seen: number[] = []
  const found = oneMoreOf(
    wholes,
    starts,
    play(starts, all),
    { others: [] },
    {
      scenarios: SEASONS,
      play: (s, scenarios) => {
        seen.push(scenarios.length)
        return play(s, scenarios)
      },
      lacks: () => [],
    },
  )
  return { more: found.get('a'), seen, play }
}

describe('one more', () => {
  it('halves the hungry seasons where every second cup fails: by the binomial', () => {
    for (const count of [1, 2, 3]) {
      const { more } = gained(count)
      // started on three culture days; only the first is old enough on the day on which they are wanted
      expect(more).toMatchObject({ units: 3, lacks: [] })
      // three standard deviations of 1,500 seasons
      expect(Math.abs(more!.chance - 0.5 ** (count + 1))).toBeLessThan(3 * Math.sqrt(0.25 / SEASONS))
    }
  })

  it('is what all seasons say, though only the hungry ones are played again', () => {
    for (const count of [0, 1, 2]) {
      const { more, seen, play } = gained(count)
      const days = [today, today + 14, today + 21]
      const starts = new Map([['a', days.map(day => ({ day, count: 1 + (day === today ? count : 0) }))]])
      expect(more!.chance).toBeCloseTo(play(starts, all).chance, 12)
      expect(seen).toEqual([Math.round(play(started(count), all).chance * SEASONS)])
    }
  })

  it('is one for good where it runs for good, and never on a day that the keeper has decided', () => {
    expect(gained(1, { kind: 'colony' }).more!.units).toBe(1)
    const { more } = gained(1, { decided: new Map([[0, 1]]) })
    expect(more!.units).toBe(2)
    // the later ones come too late for the day
    expect(more!.chance).toBeCloseTo(gained(1).play(started(1), all).chance, 12)
    expect(gained(1, { decided: new Map([0, 14, 21].map(s => [s, 0])) }).more).toBeUndefined()
  })

  it('is nothing where nobody goes hungry', () => {
    expect(gained(40).more).toBeUndefined()
  })
})

describe('what one more gains, in a plan', () => {
  const settings = { ...defaultSettings, cultureWeekday: 0, schools: { cupRhythm: 'asNeeded' } }
  /** Frogs on flies, with one cup that runs. */
  function flies(capacity: number | null): FeederPlan {
    const b = new HouseBuilder(today).place('board', { kind: 'shelf', tempC: 24, capacity })
    for (let i = 0; i < 24; i++) b.animal(`M-${i}`, 'golden-mantella', { bornDay: today - 160 })
    b.culture('F-1', 'fly.small', -24, 'board')
    b.write('producing', { type: 'culture', id: 'F-1' }, -10)
    const house = houseOf(b.records())
    const { season, scenarios } = seasonOfHouse(house, almanac, settings, today)
    return planFeeders(season, scenarios, house, almanac, settings, solve).find(p => p.prey === 'fly.small')!
  }

  it('is told with its hungry seasons, and with the shelf that has no room for it', () => {
    const [wide, narrow] = [flies(null), flies(1)]
    for (const plan of [wide, narrow]) {
      expect(plan.runOutChance).toBeGreaterThan(0.02)
      expect(plan.oneMore!.chance).toBeLessThan(plan.runOutChance)
    }
    expect(wide.oneMore!.lacks).toEqual([])
    expect(narrow.oneMore!.lacks).toMatchObject([{ of: 'room', place: { id: 'board', name: 'board' } }])
    expect(narrow.oneMore!.lacks[0]!.from).toBeGreaterThanOrEqual(today)
    expect(tellHungry(narrow, today)).toMatch(
      /; with one more cup a week in \d+ \(not enough room on board from \d+ \w+\)\.$/,
    )
    const working = wide.reasons.flatMap(r => r.inputs).find(i => i.label === 'With one more cup a week')
    expect(working!.value).toBe(`${Math.round(100 * wide.oneMore!.chance)} %`)
  })

  it('is said of no rare chance, and said where it changes nothing', () => {
    const plan = { ...flies(null), unit: 'cup' }
    const of = (runOutChance: number, chance: number, units = 20) =>
      tellHungry({ ...plan, runOutChance, oneMore: { units, chance, lacks: [] } }, today)
    expect(of(0.019, 0)).toBeNull()
    expect(of(0.04, 0.04)).toBe('A hungry day in 4 of 100 seasons; one more cup a week would not change it.')
    expect(of(0.04, 0.01, 1)).toBe('A hungry day in 4 of 100 seasons; with one more cup in 1.')
    expect(tellHungry({ ...plan, runOutChance: 0.04, oneMore: null }, today)).toBe('A hungry day in 4 of 100 seasons.')
    expect(of(0.04, 0.001)).toBe('A hungry day in 4 of 100 seasons; with one more cup a week in none.')
    const lacks = [
      { of: 'minutes' as const, place: null, from: today },
      { of: 'money' as const, place: null, from: today + 1 },
    ]
    expect(tellHungry({ ...plan, runOutChance: 0.1, oneMore: { units: 9, chance: 0.02, lacks } }, today)).toBe(
      'A hungry day in 10 of 100 seasons; with one more cup a week in 2 (not enough minutes of culture day from 4 Oct, money for orders from 5 Oct).',
    )
  })
})
