import { describe, expect, it } from 'vitest'
import { shippedAlmanac as almanac } from '../almanac'
import { HouseBuilder } from '../../tests/fixtures/records'
import { defaultSettings, season } from '.'

const today = 20_560

/** A clutch of corn snake eggs laid so many days ago, of which nothing further is written. */
function laid(daysAgo: number, more: (b: HouseBuilder) => void = () => undefined) {
  const b = new HouseBuilder(today)
    .animal('F', 'corn-snake', { sex: 'female' })
    .animal('M', 'corn-snake', { sex: 'male' })
  b.pair('F', 'M', -daysAgo - 40, 'P')
  b.write(
    'laid',
    { type: 'pairing', id: 'P' },
    -daysAgo,
    { tag: 'C-1', eggs: 9, slugs: 0, tempC: 28, placeId: null },
    'C',
  )
  b.write('candled', { type: 'clutch', id: 'C' }, -daysAgo + 8, { good: 8 })
  more(b)
  return season(b.records(), almanac, defaultSettings, today).season
}

describe('a clutch that never hatches', () => {
  it('keeps its alarm for as long as it lies open, and is proposed for closing', () => {
    for (const days of [90, 120, 200, 400]) {
      const s = laid(days)
      expect(s.alarms.find(a => a.id === 'late:clutch:C')?.text, `${days} days`).toMatch(/overdue/)
      const task = s.tasks.find(t => t.id === 'close:C')
      expect(
        task?.actions.map(a => a.kind),
        `${days} days`,
      ).toEqual(['clutchEnded', 'hatched', 'eggsChecked'])
      // nor is it opened for air for ever
      expect(s.tasks.some(t => t.id === 'eggs:C' || t.id === 'hatch:C')).toBe(false)
    }
  })

  it('is not proposed while a hatch may still come, and is quiet once closed', () => {
    expect(laid(40).tasks.some(t => t.id === 'close:C')).toBe(false)
    const s = laid(200, b => void b.write('clutchEnded', { type: 'clutch', id: 'C' }, -1))
    expect(s.alarms).toEqual([])
    expect(s.tasks.some(t => t.subject.type === 'clutch')).toBe(false)
  })
})

describe('the day an animal comes out of the cold', () => {
  it('asks for its weight, since what it lost decides when it is ready, until it is weighed', () => {
    const b = new HouseBuilder(today).animal('K', 'corn-snake', { sex: 'female' })
    b.write('weighed', { type: 'animal', id: 'K' }, -100, { massG: 500 })
    b.write('cooledDown', { type: 'animal', id: 'K' }, -95)
    b.write('weighed', { type: 'animal', id: 'K' }, -4, { massG: 480 })
    b.write('warmedUp', { type: 'animal', id: 'K' }, 0)
    const asked = () =>
      season(b.records(), almanac, defaultSettings, today).season.tasks.filter(t => t.id === 'weigh:K')
    expect(asked()).toMatchObject([{ what: 'Weigh, out of the cold', due: today }])
    b.write('weighed', { type: 'animal', id: 'K' }, 0, { massG: 478 })
    expect(asked()).toEqual([])
  })
})
