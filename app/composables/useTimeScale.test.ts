import { describe, expect, it } from 'vitest'
import { dayFromIso } from '#core/units'
import { ticksApart, timeScale, timeTicks } from './useTimeScale'

describe('labels of a time axis', () => {
  it.each([180, 300, 520, 1100])('stand clear of each other at %d px, and the year is among them', width => {
    const span = { from: dayFromIso('2025-08-20'), to: dayFromIso('2026-12-01'), width }
    const x = timeScale(span)
    const kept = ticksApart(timeTicks(span), x)
    expect(kept.map(t => t.label)).toContain('Jan 2026')
    kept.slice(1).forEach((t, i) => {
      // a letter of the axis is over 7 px wide
      expect(x(t.day) - x(kept[i]!.day)).toBeGreaterThan(7 * kept[i]!.label.length)
    })
  })

  it('none is dropped where there is room', () => {
    const span = { from: dayFromIso('2026-01-01'), to: dayFromIso('2026-12-01'), width: 1600 }
    expect(ticksApart(timeTicks(span), timeScale(span))).toEqual(timeTicks(span))
  })
})
