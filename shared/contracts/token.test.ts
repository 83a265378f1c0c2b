import { describe, expect, it } from 'vitest'
import { isNewer, tokenOf } from './token'

describe('the name of a state', () => {
  it('tells what came after what: by version, then by day; of another run anything is news', () => {
    const of = (version: number, today = 20_782, run = 'a') => tokenOf({ run, version, today })
    expect([isNewer(of(3), of(2)), isNewer(of(2), of(3)), isNewer(of(10), of(9))]).toEqual([true, false, true])
    expect([isNewer(of(2), of(2)), isNewer(of(2, 20_783), of(2)), isNewer(of(2), of(2, 20_783))]).toEqual([
      false,
      true,
      false,
    ])
    expect(isNewer(of(1, 20_782, 'b'), of(9))).toBe(true)
  })
})
