import { describe, expect, it } from 'vitest'
import { shippedAlmanac } from '#core/almanac'
import { summarise } from '#core/chance'
import { defaultSettings, houseOf, laneNeed, seasonOfHouse } from '#core/season'
import { bigHouse } from '../../bench/bigHouse'
import { drawnSeason } from './drawnSeason'

const today = 20_782
const { records } = bigHouse({ animals: 120, clutches: 30, cultures: 12, entries: 4000 }, today)
const house = houseOf(records)
const { season } = seasonOfHouse(house, shippedAlmanac, defaultSettings, today)
const drawn = drawnSeason(season)

describe('the season as windows are told it', () => {
  it('says the same middle and range of every event, to the day', () => {
    let compared = 0
    season.lanes.forEach((lane, i) =>
      lane.events.forEach((event, j) => {
        const [was, told] = [summarise(event.dist), summarise(drawn.lanes[i]!.events[j]!.dist)]
        for (const key of ['low', 'median', 'high'] as const) {
          expect(told?.[key]).toBe(was?.[key])
          compared++
        }
      }),
    )
    expect(compared).toBeGreaterThan(300)
  })

  it('leaves tasks, alarms and all that is no curve as they are, and is well under its size', () => {
    expect(drawn.tasks).toBe(season.tasks)
    expect(drawn.alarms).toBe(season.alarms)
    const size = (x: unknown) => JSON.stringify(x).length
    expect(size(drawn.lanes) + size(drawn.mouths)).toBeLessThan(0.6 * (size(season.lanes) + size(season.mouths)))
    // what did not change between two seasons is the same row, so that no change is told of it
    expect(drawnSeason({ ...season }).lanes[3]).toBe(drawn.lanes[3])
  })

  it('lights the same need of a lane, to a thousandth of a feeder a day', () => {
    const lane = season.lanes.find(l => laneNeed(season, l.id, shippedAlmanac, defaultSettings).size)!
    const was = laneNeed(season, lane.id, shippedAlmanac, defaultSettings)
    for (const [prey, row] of laneNeed(drawn, lane.id, shippedAlmanac, defaultSettings))
      row.forEach((n, day) => expect(Math.abs(n - was.get(prey)![day]!)).toBeLessThan(0.005))
  })
})
