import { expect, it } from 'vitest'
import { shippedAlmanac } from '#core/almanac'
import { almanacPlace } from './almanacPlace'

it('leads to the sheet on which a number stands, and nowhere from what is on none', () => {
  const place = (path: string) => almanacPlace(path, shippedAlmanac)
  const on = (path: string, hash: string) => ({ path: '/almanac', query: { at: path }, hash })
  for (const [path, hash] of [
    ['common.hungryCost.value', '#every'],
    ['species.corn-snake.cold.holdC.value', '#corn-snake'],
    ['feeders.fly.large.supply.yieldTotal.value', '#fly.large'],
    ['feeders.mouse.pinky.live.supply.keepDays.value', '#mouse.pinky.live'],
    ['feeders.mouse.pinky.supply.keepDays.value', '#mouse.pinky'],
  ] as const)
    expect(place(path)).toEqual(on(path, hash))
  expect(place('schools.preyVariety')).toEqual({ path: '/settings' })
  for (const path of ['species.no-such.cold', 'feeders.none', 'signs.x', '']) expect(place(path)).toBeNull()
})
