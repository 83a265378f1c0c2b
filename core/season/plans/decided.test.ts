import highsLoader from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shippedAlmanac as almanac } from '../../almanac'
import { checkEntry, foldHouse } from '../../subjects'
import type { SolveLp } from '../../supply'
import { dayToIso, nextWeekday } from '../../units'
import { defaultSettings, houseOf, planFeeders, seasonOfHouse, type FeederPlan } from '..'

let solve: SolveLp
beforeAll(async () => {
  solve = solverFrom(await highsLoader())
})

const today = 20_000
const settings = { ...defaultSettings, cultureWeekday: 0 }
const sunday = nextWeekday(today, 0)
const FLIES = { type: 'prey' as const, id: 'fly.small' }

/** Toads about to leave the water, and cups that feed them. */
function house(): HouseBuilder {
  const b = new HouseBuilder(today)
    .animal('B-1', 'fire-bellied-toad', { sex: 'female' })
    .animal('B-2', 'fire-bellied-toad', { sex: 'male' })
  const pair = b.pair('B-1', 'B-2', -60)
  b.write('laid', { type: 'pairing', id: pair }, -50, { tag: 'S-1', eggs: 80, slugs: 0 })
  b.culture('F-1', 'fly.small', -16)
  b.write('producing', { type: 'culture', id: 'F-1' }, -2, {})
  return b
}
function plansOf(b: HouseBuilder): FeederPlan[] {
  const of = houseOf(b.records())
  const { season, scenarios } = seasonOfHouse(of, almanac, settings, today)
  return planFeeders(season, scenarios, of, almanac, settings, solve)
}
const flies = (b: HouseBuilder) => plansOf(b).find(p => p.prey === 'fly.small')!
const on = (plan: FeederPlan, day: number) => plan.starts.find(s => s.day === day)?.count ?? 0
const decide = (b: HouseBuilder, day: number, units: number | null) =>
  b.write('startDecided', FLIES, 0, { day: dayToIso(day), units })

describe('what the keeper decides', () => {
  it('is what is started on that day, more or fewer than the plan would; the rest is planned round it', () => {
    const free = flies(house())
    const planned = on(free, sunday)
    for (const units of [0, planned + 3, planned + 9]) {
      const b = house()
      decide(b, sunday, units)
      const plan = flies(b)
      expect(on(plan, sunday)).toBe(units)
      expect(plan.decided).toMatchObject([{ day: sunday, units, said: units }])
      expect(plan.reasons.flatMap(r => r.inputs).find(i => i.label.startsWith('Decided for'))?.value).toBe(`${units}`)
    }
    // with far more on Sunday fewer are started after it
    const more = house()
    decide(more, sunday, planned + 20)
    const after = (p: FeederPlan) =>
      p.starts.filter(s => s.day > sunday && s.day < sunday + 21).reduce((n, s) => n + s.count, 0)
    expect(after(flies(more))).toBeLessThan(after(free))
  })

  it('a decision on another day than culture day is kept too, and one that is taken back leaves it to the plan', () => {
    const b = house()
    decide(b, today + 2, 5)
    expect(on(flies(b), today + 2)).toBe(5)
    decide(b, today + 2, null)
    const again = flies(b)
    expect(again.decided).toEqual([])
    expect(again.starts).toEqual(flies(house()).starts)
  })

  it('what was started of it today is done; of a day that is over nothing is left', () => {
    const b = house()
    decide(b, today, 3)
    expect(on(flies(b), today)).toBe(3)
    b.culture('F-2', 'fly.small', 0)
    expect(on(flies(b), today)).toBe(2)
    b.culture('F-3', 'fly.small', 0)
    b.culture('F-4', 'fly.small', 0)
    b.culture('F-5', 'fly.small', 0)
    expect(on(flies(b), today)).toBe(0)
    const past = house()
    past.write('startDecided', FLIES, -5, { day: dayToIso(today - 2), units: 9 })
    expect(flies(past).decided).toEqual([])
  })

  it('of bought prey packs are decided, and what was ordered today is done', () => {
    const b = house().animal('G-1', 'leopard-gecko')
    const prey = { type: 'prey' as const, id: 'cricket.half' }
    const crickets = () => plansOf(b).find(p => p.prey === prey.id)!
    b.write('startDecided', prey, 0, { day: dayToIso(today), units: 2 })
    expect(on(crickets(), today)).toBe(2)
    b.write('preyOrdered', prey, 0, { count: 250 })
    expect(on(crickets(), today)).toBe(1)
  })

  it('is of a day to come, within a month, and below what anyone starts', () => {
    const b = house()
    const records = b.records()
    const problem = (data: object) => {
      const entry = {
        id: 'n',
        at: new Date(today * 86_400_000).toISOString(),
        day: today,
        subject: FLIES,
        kind: 'startDecided',
        data: { ...data },
        source: 'keeper' as const,
      }
      return checkEntry(entry, { records, house: foldHouse(records), almanac, today })[0]?.message
    }
    expect(problem({ day: dayToIso(today - 1), units: 3 })).toBe('That day is over')
    expect(problem({ day: dayToIso(today + 60), units: 3 })).toMatch(/too far ahead/)
    expect(problem({ day: dayToIso(today), units: null })).toMatch(/Nothing is decided/)
    expect(problem({ day: dayToIso(today), units: 10_000 })).toMatch(/Over 500/)
    expect(problem({ day: dayToIso(today), units: 3 })).toBeUndefined()
  })
})
