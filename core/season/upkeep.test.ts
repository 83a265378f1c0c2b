import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac as almanac } from '../almanac'
import { checkEntry, foldHouse } from '../subjects'
import { defaultSettings, houseOf, seasonOfHouse, upkeepDue } from '.'

const today = 20_000
/** Two roach colonies and one of isopods on a bench, half-grown crickets, and frozen mice. */
function feeders(): HouseBuilder {
  const b = new HouseBuilder(today).place('bench', { kind: 'shelf', tempC: 27 })
  b.animal('G-1', 'fat-tailed-gecko', { bornDay: today - 400 })
  for (const tag of ['RO-1', 'RO-2']) {
    b.culture(tag, 'roach.nymph', -300, 'bench')
    b.write('producing', { type: 'culture', id: tag }, -100)
  }
  b.culture('I-1', 'isopod.dwarf', -40, 'bench')
  b.write('preyReceived', { type: 'prey', id: 'cricket.half' }, -2, { count: 250 })
  b.write('preyReceived', { type: 'prey', id: 'mouse.adult' }, -2, { count: 25 })
  return b
}
const done = (b: HouseBuilder, prey: string, job: string, day: number) =>
  b.write('upkeepDone', { type: 'prey', id: prey }, day, { job })
const worked = (b: HouseBuilder, on = today) => {
  const house = houseOf(b.records())
  const { season } = seasonOfHouse(house, almanac, defaultSettings, on)
  const tasks = season.tasks.filter(t => t.kind === 'upkeep')
  return { tasks, due: upkeepDue({ house, almanac, today: on }, season.prey) }
}
const brief = (b: HouseBuilder, on = today) => worked(b, on).tasks.map(t => [t.what, t.tag, t.due - on])

describe('the upkeep of feeders', () => {
  it('comes round for what is kept: colonies, and what was bought alive; never written it is due today', () => {
    expect(brief(feeders()).sort()).toEqual(
      [
        ['Dead out, moist fruit renewed', 'Cricket, half-inch', 0],
        ['Protein food', 'RO-1, RO-2', 0],
        ['Vegetables', 'RO-1, RO-2', 0],
        ['Wet side moist, leaves, a little protein', 'I-1', 0],
      ].sort(),
    )
  })

  // rhythm and tolerance: common practice, no source
  it('is due its days after it was done, and late past what it tolerates', () => {
    const b = feeders()
    done(b, 'isopod.dwarf', 'moist', -6)
    const moist = (on: number) => worked(b, on).due.find(u => u.job.id === 'moist')!
    expect(moist(today)).toMatchObject({ due: today + 1, late: false, everyDays: 7 })
    expect(brief(b).flat()).not.toContain('Wet side moist, leaves, a little protein')
    expect(brief(b, today + 1).flat()).toContain('Wet side moist, leaves, a little protein')
    expect(moist(today + 5).late).toBe(false)
    expect(moist(today + 6).late).toBe(true)
  })

  it('is one line for all that want the same in one place, and one press writes it of each', () => {
    const b = feeders()
    b.write('preyReceived', { type: 'prey', id: 'cricket.quarter' }, -1, { count: 500 })
    const task = worked(b).tasks.find(t => t.what.startsWith('Dead out'))!
    expect(task.tag).toBe('2 feeders')
    expect(task.actions[0]!.each!.map(s => s.id).sort()).toEqual(['cricket.half', 'cricket.quarter'])
    done(b, 'cricket.half', 'deadOut', 0)
    expect(worked(b).tasks.find(t => t.what.startsWith('Dead out'))!.tag).toBe('Cricket, quarter-inch')
  })

  it('ends with what it is for: a culture that failed, a lot that is eaten', () => {
    const b = feeders()
    b.write('cultureFailed', { type: 'culture', id: 'I-1' }, 0)
    b.write('preyCounted', { type: 'prey', id: 'cricket.half' }, 0, { count: 0 })
    expect(
      brief(b)
        .map(([what]) => what)
        .sort(),
    ).toEqual(['Protein food', 'Vegetables'])
  })

  it('has a rhythm of the house’s own, or is not done here, until it is as usual again', () => {
    const b = feeders()
    const set = (day: number, data: object) =>
      b.write('upkeepSet', { type: 'prey', id: 'roach.nymph' }, day, { job: 'vegetables', ...data })
    done(b, 'roach.nymph', 'vegetables', -2)
    const vegetables = () => worked(b).due.find(u => u.job.id === 'vegetables')!
    expect(vegetables()).toMatchObject({ due: today - 1, own: false })
    set(-9, { everyDays: 3 })
    expect(vegetables()).toMatchObject({ due: today + 1, own: true, everyDays: 3 })
    set(-8, { everyDays: null })
    expect(vegetables().everyDays).toBeNull()
    expect(brief(b).flat()).not.toContain('Vegetables')
    set(-7, {})
    expect(vegetables()).toMatchObject({ due: today - 1, own: false, everyDays: 1 })
  })

  it('takes only what comes round for that feeder', () => {
    const records = feeders().records()
    const problem = (prey: string, job: string) =>
      checkEntry(
        {
          ...{ id: 'n', at: new Date(today * 86_400_000).toISOString(), day: today, source: 'keeper' as const },
          ...{ kind: 'upkeepDone', subject: { type: 'prey' as const, id: prey }, data: { job } },
        },
        { records, house: foldHouse(records), almanac, today },
      )[0]?.message
    expect(problem('cricket.half', 'deadOut')).toBeUndefined()
    expect(problem('cricket.half', 'bran')).toBe('Nothing of that comes round for this feeder')
    expect(problem('mouse.adult', 'deadOut')).toBe('Nothing of that comes round for this feeder')
  })

  it('stays as long as nothing is written, and is never due before it was done', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 40 }),
        fc.array(fc.integer({ min: -30, max: 0 }), { maxLength: 5 }),
        (ahead, days) => {
          const b = feeders()
          for (const day of days.sort((a, c) => a - c)) done(b, 'isopod.dwarf', 'moist', day)
          const { due } = worked(b, today + ahead)
          const moist = due.find(u => u.job.id === 'moist')!
          const last = days.length ? Math.max(...days) : null
          expect(moist.due).toBe(last === null ? today + ahead : today + last + 7)
        },
      ),
      { numRuns: 20 },
    )
  })
})
