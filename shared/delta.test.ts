import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { deltaOf, patched } from './delta'

const value = fc.letrec(tie => ({
  any: fc.oneof(
    { depthSize: 'small' },
    fc.integer({ min: -5, max: 5 }),
    fc.constantFrom('a', null, true),
    fc.array(fc.integer({ min: 0, max: 3 }), { maxLength: 12 }),
    fc.array(
      fc.double({ noNaN: true, noDefaultInfinity: true }).map(x => x || 0),
      { maxLength: 6 },
    ),
    fc.array(tie('any'), { maxLength: 4 }),
    fc.uniqueArray(fc.record({ id: fc.constantFrom('x', 'y', 'z', 'w'), row: tie('any') }), {
      selector: x => x.id,
      maxLength: 4,
    }),
    fc.dictionary(fc.constantFrom('p', 'q', 'r'), tie('any'), { maxKeys: 3 }),
  ),
})).any

describe('a change', () => {
  it('makes the one value the other, whatever both are, and leaves the first as it was', () => {
    fc.assert(
      fc.property(value, value, (before, after) => {
        const kept = structuredClone(before)
        const sent = JSON.stringify(deltaOf({ of: before }, { of: after })) as string | undefined
        const delta = sent === undefined ? undefined : (JSON.parse(sent) as ReturnType<typeof deltaOf>)
        expect(patched({ of: before }, delta)).toEqual({ of: after })
        expect(before).toEqual(kept)
      }),
      { numRuns: 2000 },
    )
  })

  it('leaves what it does not speak of the same object', () => {
    const before = {
      kept: { row: [1, 2] },
      list: [
        { id: 'x', of: { n: 1 } },
        { id: 'y', of: { n: 2 } },
      ],
      gone: 1,
    }
    const after = patched(
      before,
      deltaOf(before, {
        kept: { row: [1, 2] },
        list: [
          { id: 'y', of: { n: 2 } },
          { id: 'x', of: { n: 3 } },
        ],
      }),
    )
    expect(after).toEqual({
      kept: { row: [1, 2] },
      list: [
        { id: 'y', of: { n: 2 } },
        { id: 'x', of: { n: 3 } },
      ],
    })
    expect(after.kept).toBe(before.kept)
    expect(after.list[0]).toBe(before.list[1])
  })

  it('of a row of numbers tells the places that differ, or the row where many do', () => {
    const row = Array.from({ length: 100 }, (_, i) => i)
    expect(deltaOf(row, row.with(7, 70).with(90, 0))).toEqual({ _t: 'a', 7: [0, 70], 90: [0, 0] })
    const other = row.map(n => n + 1)
    expect(deltaOf(row, other)).toEqual([0, other])
    expect(deltaOf(row, [...row, 5])).toEqual([0, [...row, 5]])
    expect(deltaOf(row, [...row])).toBeUndefined()
    expect(patched(row, deltaOf(row, other))).toEqual(other)
  })
})
