import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { feederOf, shippedAlmanac as almanac, speciesOf, type Almanac } from '../../almanac'
import { formatDay } from '../../units'
import { checkEntry } from '../../subjects'
import { defaultSettings, houseOf, season, standInsFor, type Task } from '..'

const today = 20_560
const GECKO = 'fat-tailed-gecko'
const NYMPH = 'roach.nymph'
const animal = (id: string) => ({ type: 'animal' as const, id })

/** Grown geckos, each of which wants so many roach nymphs when it is due. */
function geckos(count: number): HouseBuilder {
  const b = new HouseBuilder(today).place('room', { kind: 'room' })
  for (let i = 0; i < count; i++) b.animal(`G${i}`, GECKO, { bornDay: today - 900, placeId: 'room' })
  return b
}
const stock = (b: HouseBuilder, prey: string, count: number): HouseBuilder => {
  b.write('preyCounted', { type: 'prey', id: prey }, 0, { count })
  return b
}
const meals = (b: HouseBuilder, by: Almanac = almanac): Map<string, Task> =>
  new Map(
    season(b.records(), by, defaultSettings, today)
      .season.tasks.filter(t => t.kind === 'feed')
      .map(t => [t.tag, t]),
  )
const insteadOf = (task: Task) => task.actions.find(a => a.label === 'Instead')
const step = speciesOf(almanac, GECKO).ladder.at(-1)!
const EACH = step.meal.find(m => m.prey === NYMPH)!.count
const waits = `wait until ${formatDay(today + step.everyDays, today)}`

describe('meals for which there is not enough', () => {
  it('are as usual where there is enough, and where nothing is known of what is there', () => {
    const unknown = [...meals(geckos(3)).values()]
    const enough = [...meals(stock(geckos(3), NYMPH, 3 * EACH)).values()]
    for (const task of [...unknown, ...enough]) {
      expect(task.short).toBeUndefined()
      expect(insteadOf(task)).toBeUndefined()
      expect(task.detail).not.toMatch(/for all/)
    }
    expect(enough.map(t => t.what)).toEqual(unknown.map(t => t.what))
  })

  it('go to those first that can wait least; the next gets what is left, the others wait for their next day', () => {
    const b = stock(geckos(4), NYMPH, 2 * EACH + 1)
    // fed longest ago: the next meal of this one would be due soonest
    for (const [id, day] of [
      ['G0', -4],
      ['G1', -9],
      ['G2', -5],
      ['G3', -4],
    ] as const)
      b.write('fed', animal(id), day, { prey: NYMPH, offered: EACH, taken: EACH })
    const all = meals(b)
    const told = `too few ${feederOf(almanac, NYMPH).many} for all`
    for (const id of ['G1', 'G2']) {
      expect(all.get(id)!.short).toEqual([{ prey: NYMPH, there: 2 * EACH + 1, wanted: 4 * EACH }])
      expect(insteadOf(all.get(id)!)).toBeUndefined()
    }
    const next = all.get('G0')!
    expect(next.detail).toContain(`${told}; 1 ${feederOf(almanac, NYMPH).one} left for it; the rest can ${waits}`)
    expect(insteadOf(next)).toMatchObject({ kind: 'fed', data: { prey: NYMPH, offered: 1, taken: 1 } })
    const last = all.get('G3')!
    expect(last.detail).toContain(`${told}; it can ${waits}`)
    expect(insteadOf(last)).toBeUndefined()
    // what is really there, the keeper sees: the usual answer stands first
    expect(next.actions[0]).toMatchObject({ label: 'Took', data: { offered: EACH } })
  })

  it('are made up by what may stand for it beyond what its own eaters want, as much of a meal as it may be', () => {
    const { standIns } = feederOf(almanac, NYMPH)
    const other = standIns!.find(s => !(speciesOf(almanac, GECKO).never ?? []).includes(s.prey))!.prey
    const b = stock(stock(geckos(2), NYMPH, EACH), other, 1000)
    const [, second] = [...meals(b).values()]
    const { pieces, mostShare } = standInsFor(NYMPH, { never: [] }, almanac).find(s => s.prey === other)!
    expect(insteadOf(second!)!.data).toMatchObject({ prey: other, offered: Math.round(EACH * mostShare * pieces) })
    expect(second!.detail).toContain('instead ')
    // who refuses is offered what it knows
    for (const day of [-12, -8, -4]) b.write('fed', animal('G1'), day, { prey: NYMPH, offered: EACH, taken: 0 })
    for (const day of [-12, -8, -4]) b.write('fed', animal('G0'), day, { prey: NYMPH, offered: EACH, taken: EACH })
    const refuses = meals(b).get('G1')!
    expect(refuses.short).toBeDefined()
    expect(refuses.detail).not.toContain('instead')
  })

  it('are not made up where the prey must be itself, and only as far as it need not', () => {
    const { standIns } = feederOf(almanac, NYMPH)
    const other = standIns!.find(s => !(speciesOf(almanac, GECKO).never ?? []).includes(s.prey))!.prey
    const asking = (least: number): Almanac => {
      const species = speciesOf(almanac, GECKO)
      const ladder = species.ladder.map(s => ({
        ...s,
        meal: s.meal.map(m => (m.prey === NYMPH ? { ...m, least } : m)),
      }))
      return { ...almanac, species: { ...almanac.species, [GECKO]: { ...species, ladder } } }
    }
    const second = (least: number) => {
      const b = stock(stock(geckos(2), NYMPH, EACH), other, 1000)
      return [...meals(b, asking(least)).values()][1]!
    }
    const { pieces, mostShare } = standInsFor(NYMPH, { never: [] }, almanac).find(s => s.prey === other)!
    expect(second(1).detail).toContain(`it can ${waits}`)
    expect(insteadOf(second(1))).toBeUndefined()
    expect(insteadOf(second(0.5))!.data.offered).toBe(Math.round(EACH * Math.min(0.5, mostShare) * pieces))
  })

  it('never share out more than there is, of the prey or of what stands in; all that is told can be written', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 3, max: 12 }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 0, max: 30 }),
        fc.integer({ min: 0, max: 30 }),
        (ages, nymphs, crickets) => {
          const b = stock(stock(geckos(ages.length), NYMPH, nymphs), 'cricket.half', crickets)
          ages.forEach((days, i) => b.write('fed', animal(`G${i}`), -days, { prey: NYMPH, offered: EACH, taken: EACH }))
          const tasks = [...meals(b).values()]
          const given = new Map<string, number>()
          for (const task of tasks) {
            const action = insteadOf(task) ?? (task.detail?.includes('it can wait') ? undefined : task.actions[0])
            for (const d of action ? [action.data, ...(action.also ?? [])] : [])
              given.set(String(d.prey), (given.get(String(d.prey)) ?? 0) + Number(d.offered))
          }
          expect(given.get(NYMPH) ?? 0).toBeLessThanOrEqual(nymphs)
          expect(given.get('cricket.half') ?? 0).toBeLessThanOrEqual(crickets)
          // all of it is given while anyone wants it
          if (tasks.some(t => t.short)) expect(given.get(NYMPH) ?? 0).toBe(nymphs)
          // nobody goes short for one that could wait longer
          const full = (t: Task) => !insteadOf(t) && !t.detail?.includes('it can wait')
          const shortest = Math.min(...tasks.filter(t => !full(t)).map(t => t.due))
          for (const t of tasks.filter(full)) expect(t.due).toBeLessThanOrEqual(shortest)
          const records = b.records()
          for (const task of tasks.filter(t => insteadOf(t)))
            for (const data of [insteadOf(task)!.data, ...(insteadOf(task)!.also ?? [])])
              expect(
                checkEntry(
                  {
                    ...{ id: 'n', at: new Date(today * 86_400_000 + 1).toISOString(), day: today, source: 'keeper' },
                    ...{ kind: 'fed', subject: task.subject, data },
                  },
                  { records, house: houseOf(records), almanac, today },
                ),
              ).toEqual([])
        },
      ),
      { numRuns: 40 },
    )
  })

  it('of a harvest that is an estimate a little less is no want; what was given of it today is not there any more', () => {
    const frogs = (count: number) => {
      const b = new HouseBuilder(today).place('shelf', { kind: 'shelf', tempC: 24 })
      for (let i = 0; i < count; i++) b.animal(`M${i}`, 'golden-mantella', { bornDay: today - 900, placeId: 'shelf' })
      b.culture('F', 'fly.small', -20, 'shelf')
      b.write('producing', { type: 'culture', id: 'F' }, -5)
      return b
    }
    const wantedOf = (b: HouseBuilder) => meals(b).get('M0')!.short?.[0]
    const { running } = season(frogs(1).records(), almanac, defaultSettings, today).season.prey.find(
      p => p.prey === 'fly.small',
    )!
    const one = Number(meals(frogs(1)).get('M0')!.actions[0]!.data.offered)
    const enough = Math.floor((running[0]! * 1.05) / one)
    expect(wantedOf(frogs(enough))).toBeUndefined()
    const many = Math.ceil((running[0]! * 1.3) / one)
    expect(wantedOf(frogs(many))).toMatchObject({ there: Math.floor(running[0]!), wanted: many * one })
    const b = frogs(many)
    b.write('fed', animal('M1'), 0, { prey: 'fly.small', offered: one, taken: one })
    expect(wantedOf(b)!.there).toBe(Math.floor(running[0]! - one))
  })
})
