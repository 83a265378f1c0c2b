import { describe, expect, it } from 'vitest'
import { shippedAlmanac } from '../almanac'
import type { PairingState } from '../subjects'
import { cyclesOf, unwrittenRates } from '.'

const at = (...days: number[]) => days.map(day => ({ day, entryId: String(day) }))
const pair = (seen: PairingState['seen']) => ({ seen })

describe('how often a house does not write what happens', () => {
  it('begins with the almanac', () => {
    const rates = unwrittenRates([], shippedAlmanac)
    expect([rates.of('laid'), rates.of('copulation'), rates.of('preLayShed')]).toEqual([0.03, 0.6, 0.4])
  })

  it('a sign belongs to the cycle whose laying it came before', () => {
    expect(
      cyclesOf(pair({ laid: at(100, 160), copulation: at(50, 110, 170), preLayShed: at(150) })).map(c => [...c].sort()),
    ).toEqual([['copulation'], ['copulation', 'preLayShed']])
    expect(cyclesOf(pair({ copulation: at(5) }))).toEqual([])
  })

  it('moves to what the house does, as a beta rate worth eight cycles: by hand, 20 cycles that all have a lock', () => {
    const cycles = Array.from({ length: 20 }, () => new Set(['copulation' as const]))
    const rates = unwrittenRates(cycles, shippedAlmanac)
    // (0.6 · 8 + 0) / 28 = 0.171, kept to twentieths
    expect(rates.of('copulation')).toBe(0.15)
    // (0.4 · 8 + 20) / 28 = 0.829
    expect(rates.of('preLayShed')).toBe(0.85)
    // what can only be known when it is written stays as it is
    expect(rates.of('laid')).toBe(0.03)
    expect(rates.seen('copulation')).toEqual({ cycles: 20, written: 20 })
  })
})
