import { isDeepStrictEqual } from 'node:util'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { computedInput, entryInput, factInput, settingInput, spreadInput } from '../judgement'
import { SeasonMemory, isLike, remembering } from './remember'

describe('remembering', () => {
  it('works once per object while nothing it depends on is another', () => {
    const remember = remembering<object, number>()
    const context = { memory: new SeasonMemory() }
    let worked = 0
    const work = (of: object, dependsOn: unknown[]) => remember(context, of, dependsOn, () => ++worked)
    const [a, b, settings] = [{}, {}, {}]
    expect([work(a, [1, settings]), work(a, [1, settings]), work(b, [1, settings])]).toEqual([1, 1, 2])
    expect(work(a, [2, settings])).toBe(3)
    expect(work(a, [2, {}])).toBe(4)
    expect(work(a, [2])).toBe(5)
    // another house remembers nothing of it, and without a memory nothing is kept
    expect(remember({ memory: new SeasonMemory() }, a, [2], () => ++worked)).toBe(6)
    expect([remember({}, a, [2], () => ++worked), remember({}, a, [2], () => ++worked)]).toEqual([7, 8])
    expect(work(a, [2])).toBe(5)
  })

  it('remembers also that there is nothing', () => {
    const remember = remembering<object, null>()
    const of = {}
    let worked = 0
    const nothing = () => {
      worked++
      return null
    }
    const context = { memory: new SeasonMemory() }
    remember(context, of, [], nothing)
    remember(context, of, [], nothing)
    expect(worked).toBe(1)
  })
})

describe('inputs of a working', () => {
  it('carry their value with its unit and where it came from', () => {
    expect(
      factInput('Fertility', 'species.x.fertility.value', { value: 0.8, unit: 'share', mark: 'memory' }),
    ).toMatchObject({
      value: '0.8 share',
      from: { kind: 'almanac', mark: 'memory', path: 'species.x.fertility.value' },
    })
    expect(
      spreadInput('Clock', 'p', { earliest: 7, likely: 10, latest: 16, unit: 'days', mark: 'practice' }),
    ).toMatchObject({ value: '7, 10, 16 days', from: { mark: 'practice' } })
    expect(entryInput('Seen', '3 Jun', { day: 20_000, entryId: 'e' })).toMatchObject({
      from: { kind: 'entry', entryId: 'e', day: 20_000 },
    })
    expect(settingInput('Appetite', '1.2 ×', 'appetite').from).toEqual({ kind: 'setting', name: 'appetite' })
    expect(computedInput('Alive', '7').from).toEqual({ kind: 'computed' })
  })
})

describe('whether two values say the same', () => {
  it('is as the deep comparison of Node says, of whatever JSON can hold', () => {
    const copy = (x: unknown): unknown => JSON.parse(JSON.stringify(x))
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (a, b) => {
        // JSON knows no -0
        const [one, other] = [copy(a), copy(b)]
        expect(isLike(one, copy(a))).toBe(true)
        expect(isLike(one, other)).toBe(isDeepStrictEqual(one, other))
        expect(isLike([one, other], [one, copy(a)])).toBe(isDeepStrictEqual(other, one))
      }),
    )
  })

  it('tells apart a key that is missing, and a list from an object', () => {
    expect(isLike({ a: undefined }, { b: undefined })).toBe(false)
    expect(isLike({ a: 1 }, { a: 1, b: 2 })).toBe(false)
    expect(isLike({}, [])).toBe(false)
    expect(isLike([], {})).toBe(false)
    expect(isLike({ toString: 1 }, {})).toBe(false)
  })
})
