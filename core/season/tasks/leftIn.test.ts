import { describe, expect, it } from 'vitest'
import { shippedAlmanac as almanac } from '../../almanac'
import { checkEntry } from '../../subjects'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { defaultSettings, houseOf, season } from '..'

const today = 20_560
const K = { type: 'animal' as const, id: 'K' }
const king = () => {
  const b = new HouseBuilder(today).animal('K', 'california-kingsnake')
  b.write('preyCounted', { type: 'prey', id: 'mouse.adult' }, -30, { count: 20 })
  b.write('fed', K, -14, { prey: 'mouse.adult', offered: 1, taken: 1 })
  return b
}
const tasks = (b: HouseBuilder, day = today) =>
  season(b.records(), almanac, defaultSettings, day).season.tasks.filter(t => ['feed', 'left'].includes(t.kind))
const stateOf = (b: HouseBuilder) => houseOf(b.records()).animals.K!

describe('prey that is left in overnight', () => {
  it('is offered by the Round, asked of next morning and not before, and then fed again at its interval', () => {
    const b = king()
    const [feed] = tasks(b)
    const leave = feed!.actions.find(a => a.label === 'Left in')!
    b.write(leave.kind, K, 0, leave.data)
    expect(tasks(b)).toEqual([])
    const [asked] = tasks(b, today + 1)
    expect(asked).toMatchObject({ id: 'left:K', due: today + 1, what: 'Look whether 1 adult mouse left in is gone' })
    // nobody says anything: it is still asked, and nothing is fed on top of it
    expect(tasks(b, today + 40).map(t => t.id)).toEqual(['left:K'])
    b.write('fed', K, 1, asked!.actions.find(a => a.label === 'Gone')!.data)
    expect(stateOf(b).leftIn).toBeUndefined()
    expect(stateOf(b).meals.at(-1)).toMatchObject({ day: today, taken: 1, outcome: 'overnight' })
    const every = season(b.records(), almanac, defaultSettings, today + 2).season
    expect(every.tasks.find(t => t.kind === 'feed')).toBeUndefined()
    expect(houseOf(b.records()).stocks['mouse.adult']!.left).toBe(18)
  })

  it('that is still there is a refusal, and thrown away', () => {
    const b = king()
    b.write('leftIn', K, -1, { prey: 'mouse.adult', offered: 1, state: 'thawed' })
    const [asked] = tasks(b)
    expect(asked!.caution).toMatch(/thrown away/)
    b.write('fed', K, 0, asked!.actions.find(a => a.label === 'Still there')!.data)
    expect(stateOf(b)).toMatchObject({ refusals: 1 })
    expect(stateOf(b).meals.at(-1)).toMatchObject({ day: today - 1, taken: 0, state: 'thawed' })
    expect(houseOf(b.records()).stocks['mouse.adult']!.left).toBe(18)
  })

  it('twice of the same is asked, of none is refused, and live prey is never offered so', () => {
    const b = king()
    b.write('leftIn', K, 0, { prey: 'mouse.adult', offered: 1 })
    const problem = (data: Record<string, unknown>) => {
      const records = b.records()
      const at = new Date(today * 86_400_000 + 12 * 3_600_000).toISOString()
      const entry = { id: 'new', at, day: today, source: 'keeper' as const, subject: K, kind: 'leftIn', data }
      return checkEntry(entry, { house: houseOf(records), records, almanac, today })[0]?.message
    }
    expect(problem({ prey: 'mouse.adult', offered: 1 })).toMatch(/in with it already/)
    expect(problem({ prey: 'mouse.adult', offered: 0 })).toMatch(/at least 1/)
    const young = new HouseBuilder(today).animal('K', 'california-kingsnake', { bornDay: today - 20, clutchId: 'C' })
    const feed = tasks(young).find(t => t.kind === 'feed')!
    expect(feed.actions.map(a => a.label)).toEqual(['Took', 'Refused', 'Struck'])
  })
})
