import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { calendarOf, noonOf } from '../units'
import type { DatedEntry } from './entry'
import { inOrder } from './records'
import { redated } from './redated'

const ZONES = ['UTC', 'Europe/Berlin', 'Pacific/Auckland', 'Pacific/Kiritimati', 'Etc/GMT+12', 'America/St_Johns']
const zone = fc.constantFrom(...ZONES)
const written = (at: string, day: number, id = at): DatedEntry => ({
  id,
  at,
  day,
  subject: { type: 'animal', id: 'a' },
  kind: 'shed',
  data: {},
  source: 'keeper',
})

describe('the instant that stands for a day', () => {
  it('is on that day in every time zone, through the days on which clocks change', () => {
    for (const name of Intl.supportedValuesOf('timeZone')) {
      const dayOf = calendarOf(name)
      for (const day of [20_539, 20_542, 20_751, 20_754, 20_782, 20_909]) expect(dayOf(noonOf(day, name))).toBe(day)
    }
  }, 30_000)
})

describe('a log in another time zone', () => {
  it('moves moments near midnight, and keeps days', () => {
    const moment = written('2026-11-20T23:30:00.000Z', 20_777)
    const { moved, kept } = redated([moment, written('2026-11-21T12:00:00.000Z', 20_778)], 'UTC', 'Europe/Berlin')
    expect(moved).toEqual([{ ...moment, day: 20_778 }])
    expect(kept).toEqual([])
  })

  it('is as if it had been written there: every day is that of its instant, in the order of time, and the way back leads home', () => {
    const moments = fc.array(
      fc.record({ ms: fc.integer({ min: 1_770_000_000_000, max: 1_796_000_000_000 }), whole: fc.boolean() }),
      { maxLength: 40 },
    )
    fc.assert(
      fc.property(zone, zone, moments, (from, to, list) => {
        const dayOf = calendarOf(from)
        const log = list.map(({ ms, whole }, i) => {
          const day = dayOf(ms)
          return written(whole ? noonOf(day, from) : new Date(ms).toISOString(), day, `e${i}`)
        })
        const read = (entries: DatedEntry[], a: string, b: string) => {
          const { moved, kept } = redated(entries, a, b)
          const now = new Map([...moved, ...kept].map(e => [e.id, e]))
          return entries.map(e => now.get(e.id) ?? e)
        }
        const there = read(log, from, to)
        for (const e of there) expect(e.day).toBe(calendarOf(to)(e.at))
        for (const [i, e] of there.entries()) if (list[i]!.whole) expect(e.day).toBe(log[i]!.day)
        const days = [...there].sort(inOrder).map(e => e.day)
        expect(days).toEqual([...days].sort((a, b) => a - b))
        expect(read(there, to, from)).toEqual(log)
      }),
      { numRuns: 60 },
    )
  }, 30_000)
})
