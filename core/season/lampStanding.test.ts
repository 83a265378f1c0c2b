import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac } from '../almanac'
import { kindOf } from '../subjects'
import { dayFromIso } from '../units'
import { defaultSettings, season } from '.'

const today = dayFromIso('2026-11-25')
const LAMP = { type: 'lamp' as const, id: 'U-1' }
const PEN = { type: 'place' as const, id: 'pen' }
/** A tube over a sun-basker, fitted so many days ago, with a life of a year. */
function house(fittedAgo: number, more: Record<string, unknown> = {}) {
  const b = new HouseBuilder(today).place('pen').animal('O-1', 'ocellated-lizard', { placeId: 'pen' })
  const data = { tag: 'U-1', lamp: 'tube', placeId: 'pen', lifeDays: 365, source: 'tube', distanceCm: 30, ...more }
  b.write('lampFitted', LAMP, -fittedAgo, data, 'U-1')
  return b
}
const read = (b: HouseBuilder, day: number, value: number) =>
  b.write('placeRead', PEN, day, { channel: 'uvIndex', zone: 'spot', value })
const told = (b: HouseBuilder, day = today) => {
  const { tasks, alarms } = season(b.records(), shippedAlmanac, defaultSettings, day).season
  return {
    task: tasks.find(t => t.id === 'lamp:U-1') ?? null,
    alarm: alarms.find(a => a.id === 'lamp:U-1') ?? null,
    thermostat: alarms.some(a => a.id === 'thermostat:U-1'),
  }
}

describe('when a lamp is replaced', () => {
  it('without a meter by its age, and long past that it is an alarm', () => {
    expect(told(house(364)).task).toBeNull()
    expect(told(house(365)).task).toMatchObject({ due: today, detail: expect.stringContaining('fitted') })
    expect([told(house(379)).alarm, told(house(380)).alarm?.text]).toEqual([
      null,
      'U-1 (tube) is 15 days past its life',
    ])
  })

  it('the meter decides, not the age: an old tube that is right stays, a new one that is too weak goes', () => {
    const old = house(900)
    read(old, -3, 3)
    expect(told(old)).toMatchObject({ task: null, alarm: null })
    // of a band of 1.5 to 4 the middle is 2.75: a tube would have to hang at 30 · 0.3 / 2.75 = 3 cm, nearer than one may
    const weak = house(20)
    read(weak, -3, 0.3)
    expect(told(weak).task).toMatchObject({ due: today - 3, detail: 'by the meter' })
  })

  it('a reading speaks for it for 90 days (from memory, no source), while nothing is written', () => {
    const old = house(900)
    read(old, -3, 3)
    expect(told(old, today + 87).task).toBeNull()
    expect(told(old, today + 88).task).not.toBeNull()
  })

  it('fading readings: due on the day on which it fades out of the band, and asked to be read again before', () => {
    const b = house(300)
    for (const [day, value] of [
      [-270, 4],
      [-180, 3.2],
      [-90, 2.6],
      [0, 2.1],
    ] as const)
      read(b, day, value)
    const first = Array.from({ length: 90 }, (_, n) => n).find(n => told(b, today + n).task)
    // by hand: ln(4 / 2.1) / 270 a day, from 2.1 to the low end of 1.5 in 141 days: a reading does not speak so long
    expect(first).toBeUndefined()
    read(b, 80, 1.72)
    const then = Array.from({ length: 90 }, (_, n) => 80 + n).find(n => told(b, today + n).task)
    // ln(4 / 1.72) / 350 a day, from 1.72 to 1.5 in 57 days more; the line goes through all five
    expect(Math.abs(then! - 137)).toBeLessThan(12)
  })

  it('a reading under another mesh or distance says nothing of how it hangs now', () => {
    const b = house(900)
    read(b, -30, 3)
    b.write('lampHung', LAMP, -10, { mesh: 0.6 })
    expect(told(b).task).not.toBeNull()
    const same = house(900)
    read(same, -30, 3)
    same.write('lampHung', LAMP, -10, { powerW: 39, thermostat: false })
    expect(told(same).task).toBeNull()
  })
})

describe('what heats', () => {
  it('without a thermostat is told until it has one; what is not said, and what gives light, is not', () => {
    expect(told(house(10, { source: 'mat', thermostat: false })).thermostat).toBe(true)
    expect(told(house(10, { source: 'mat' })).thermostat).toBe(false)
    expect(told(house(10, { source: 'tube', thermostat: false })).thermostat).toBe(false)
    const b = house(10, { source: 'ceramic', thermostat: false })
    b.write('lampHung', LAMP, -1, { thermostat: true })
    expect(told(b).thermostat).toBe(false)
  })

  it('unbelievable power and mesh are refused', () => {
    const fits = (data: object) => kindOf('lampHung').data.safeParse(data).success
    expect([{}, { powerW: 5000 }, { mesh: 0 }, { mesh: 60 }].map(fits)).toEqual([false, false, false, false])
    expect([{ mesh: null }, { mesh: 0.6 }, { thermostat: true }].map(fits)).toEqual([true, true, true])
  })
})
