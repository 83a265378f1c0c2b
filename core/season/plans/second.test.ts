import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { feederOf, shippedAlmanac as almanac } from '../../almanac'
import { nextWeekday } from '../../units'
import { foundersOf } from './together'
import { cultureDay, defaultSettings, houseOf, planFeeders, seasonOfHouse, startTasks, type HouseSettings } from '..'

const today = 20_000
const solve = solverFrom(await highsLoader())
const ROACH = 'roach.nymph'

/** Two grown geckos on roach nymphs, and colonies of these that were started so many days ago. */
function house(colonies: readonly number[], eaters = 2) {
  const b = new HouseBuilder(today).place('bench', { kind: 'shelf', tempC: 29 })
  for (let i = 0; i < eaters; i++) b.animal(`G-${i}`, 'fat-tailed-gecko', { bornDay: today - 900 })
  colonies.forEach((age, i) => {
    b.culture(`RO-${i + 1}`, ROACH, -age, 'bench')
    if (age > 200) b.write('producing', { type: 'culture', id: `RO-${i + 1}` }, 190 - age)
  })
  return b
}
function told(b: HouseBuilder, settings: HouseSettings = defaultSettings) {
  const state = houseOf(b.records())
  const { season, scenarios } = seasonOfHouse(state, almanac, settings, today)
  const plans = planFeeders(season, scenarios, state, almanac, settings, solve)
  const task = startTasks(plans, almanac, today).find(t => t.id === `second:${ROACH}`)
  return { task, sheet: cultureDay(plans, season.tasks, { house: state, almanac, settings, today }), plans }
}

describe('a second of everything', () => {
  it('is asked for on culture day where one colony runs, from that one, and stands on the worksheet', () => {
    const { task, sheet } = told(house([400]))
    expect(task).toMatchObject({
      due: nextWeekday(today, defaultSettings.cultureWeekday),
      actions: [{ kind: 'cultureStarted', data: { feederId: ROACH }, times: 1 }],
    })
    expect(task!.detail).toContain('RO-1 is the only one')
    expect(sheet.starts.find(s => s.task.id === task!.id)).toMatchObject({ count: 1, from: ['RO-1'], lacking: 0 })
  })

  it('is there, also while it grows; one that failed or was taken out is none', () => {
    expect(told(house([400, 400])).task).toBeUndefined()
    expect(told(house([400, 30])).task).toBeUndefined()
    const failed = house([400, 400])
    failed.write('cultureFailed', { type: 'culture', id: 'RO-2' }, -3)
    expect(told(failed).task?.detail).toContain('RO-1 is the only one')
  })

  it('is not asked of one that is too young to found it, of what nobody eats, nor by the other school', () => {
    expect(told(house([60])).task).toBeUndefined()
    expect(told(house([400], 0)).task).toBeUndefined()
    expect(told(house([])).task).toBeUndefined()
    expect(told(house([400]), { ...defaultSettings, schools: { secondColony: 'one' } }).task).toBeUndefined()
  })

  it('is not asked for beside one that the plan starts anyhow', () => {
    const many = told(house([400], 120))
    const planned = many.plans.find(p => p.prey === ROACH)!.starts.filter(s => s.day <= today + 6)
    expect(planned.map(s => s.day)).toContain(nextWeekday(today, defaultSettings.cultureWeekday))
    expect(many.task).toBeUndefined()
  })
})

describe('what founds a colony', () => {
  const founding = (id: string) => {
    const feeder = feederOf(almanac, id)
    const { supply, otherWays = [] } = feeder
    const way = [supply, ...otherWays].find(w => w.kind === 'colony')!
    return foundersOf({ feeder, supply: way }, almanac)
  }

  it('is taken from what is fed off only where that is what founds it: not of breeders, beetles or moths', () => {
    expect(founding('isopod.dwarf')).toMatchObject({ pieces: feederOf(almanac, 'isopod.dwarf').recipe!.founders.value })
    expect(founding('springtail')).not.toBeNull()
    for (const id of ['roach.nymph', 'mealworm', 'superworm', 'cricket.pinhead', 'waxworm', 'mouse.pinky', 'rat.pup'])
      expect([id, founding(id)]).toEqual([id, null])
  })
})
