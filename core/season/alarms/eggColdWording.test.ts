import { describe, expect, it } from 'vitest'
import { shippedAlmanac } from '../../almanac'
import { tellEggsCold, type EggsCold } from './eggColdWording'

const { common } = shippedAlmanac
const cold: EggsCold = {
  name: 'Incubator',
  now: 24.04,
  setC: 29,
  hours: 4,
  room: 12,
  timeConstant: 6,
  standsAt: 18,
  standsIn: 4.2,
  diesIn: null,
  tempUnit: '°C',
  lost: [{ tag: 'C-1', days: 0.12 }],
}
const kills = common.eggsColdKills!.value

describe('eggs that cool, in words', () => {
  it.each([
    [{}, ', and falls: development stands still at 18 °C in about 4 hours.'],
    [{ standsIn: 0.2 }, 'stands still at 18 °C in about 1 hour.'],
    // toward a room that is warm enough it gets there never
    [{ standsIn: Infinity }, 'for 4 hours. Lost'],
    [{ standsIn: null }, 'for 4 hours. Lost'],
    [{ now: 18 }, 'for 4 hours: development stands still. Lost'],
    [{ diesIn: 9.6 }, `, and they die from ${kills} °C, in about 10 hours.`],
    [{ now: kills, diesIn: null }, `; under ${kills} °C eggs die.`],
    [{ hours: common.eggsLately!.value }, `for over ${common.eggsLately!.value} hours`],
  ] as [Partial<EggsCold>, string][])('%o', (part, said) => {
    const { text } = tellEggsCold({ ...cold, ...part }, common)
    expect(text).toContain(said)
    expect(text).toMatch(/^Incubator is at .* and set to 29 °C, .* in days of development: C-1 0\.1$/)
  })

  it('the working says what is not known as such', () => {
    const { reasons } = tellEggsCold({ ...cold, room: null, timeConstant: null }, common)
    expect(reasons[0]!.inputs.filter(i => i.from.kind === 'computed').map(i => i.value)).toEqual([
      'not known',
      'not to be read yet',
      '18 °C',
    ])
  })
})
