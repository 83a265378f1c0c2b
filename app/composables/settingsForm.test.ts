import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseSettings, defaultSettings } from '#core/settings'
import { entryKinds } from '#core/subjects'
import { changedIn } from '#core/subjects/changed'
import { readFields } from './readFields'
import { followed, settingsRead, typedSettings } from './settingsForm'

const fields = entryKinds.get('settingsChanged')!.fields!
const units = { tempUnit: '°C', massUnit: 'g' } as const
const reread = (settings: HouseSettings) => {
  const { data, problems } = readFields(fields, typedSettings(settings), units)
  expect(problems).toEqual({})
  return settingsRead(data)
}

describe('the form of the settings', () => {
  it('says what it was filled with: nothing is changed by keeping it as it stands', () => {
    const share = (min: number, max: number) => fc.integer({ min, max }).map(n => n / 100)
    const orNull = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: null })
    fc.assert(
      fc.property(
        fc.record({
          cultureWeekday: fc.integer({ min: 0, max: 6 }),
          coverQuantile: share(50, 99),
          safeSeasons: orNull(share(50, 99)),
          massUnit: fc.constantFrom('g' as const, 'oz' as const),
          appetite: share(20, 500),
          waste: share(0, 50),
          cupYield: share(10, 500),
          cultureMinutes: orNull(fc.integer({ min: 5, max: 1440 })),
          orderMoney: orNull(fc.integer({ min: 1, max: 1_000_000 })),
          warmUpDay: orNull(fc.integer({ min: 0, max: 40_000 })),
          latitude: orNull(fc.integer({ min: -180, max: 180 }).map(n => n / 2)),
          sexCertainty: fc.integer({ min: 8000, max: 9999 }).map(n => n / 10_000),
        }),
        some => {
          const settings = HouseSettings.parse({ ...defaultSettings, ...some })
          expect(changedIn<object>(settings, reread(settings))).toEqual({})
        },
      ),
    )
  })

  it('asks for every setting but the schools, which are chosen, and the shift of a what-if', () => {
    const asked = Object.keys(fields).sort()
    expect(asked).toEqual(
      Object.keys(HouseSettings.shape)
        .filter(name => name !== 'schools' && name !== 'incubationShiftC')
        .sort(),
    )
    expect(Object.keys(typedSettings(defaultSettings)).sort()).toEqual(asked)
  })

  it('reads per cent with its sign, a latitude south, and three letters in small', () => {
    const typed = { ...typedSettings(defaultSettings), appetite: '80 %', latitude: '−33,5', currency: 'chf' }
    const { data, problems } = readFields(fields, typed, units)
    expect(problems).toEqual({})
    expect(settingsRead(data)).toMatchObject({ appetite: 0.8, latitude: -33.5, currency: 'CHF' })
  })

  it('says in words of its own what is beyond its limits, or no number', () => {
    const { data: schema } = entryKinds.get('settingsChanged')!
    const numbers = Object.entries(fields).filter(([, { as }]) => as === 'share' || as === 'number')
    expect(numbers.map(([name]) => name)).toContain('coverQuantile')
    for (const [name, { below }] of numbers)
      for (const text of ['99999999', '0.0001', '0', ...(below ? ['-91'] : ['-1']), 'many']) {
        const { data, problems } = readFields(fields, { ...typedSettings(defaultSettings), [name]: text }, units)
        const issues = schema.safeParse(settingsRead(data)).error?.issues.map(i => i.message) ?? []
        for (const message of [...Object.values(problems), ...issues])
          expect(message, `${name} ${text}`).not.toMatch(/expected|invalid|too (big|small)/i)
        // nothing so large is taken
        if (text === '99999999' || text === 'many') expect([...Object.values(problems), ...issues]).not.toEqual([])
      }
  })

  it('a share less than nothing is refused', () => {
    const typed = { ...typedSettings(defaultSettings), waste: '-5' }
    expect(readFields(fields, typed, units).problems).toEqual({ waste: 'It cannot be negative' })
  })
})

describe('a form that another window writes past', () => {
  const before = { name: 'Yard', appetite: '100', waste: '0' }

  it('follows where nobody has touched it here', () => {
    expect(followed(before, before, { ...before, waste: '5' })).toEqual({
      typed: { ...before, waste: '5' },
      crossed: [],
    })
  })

  it('keeps what was typed here, and tells what was changed here and there', () => {
    const typed = { ...before, appetite: '80', name: 'Barn' }
    expect(followed(typed, before, { ...before, appetite: '120', name: 'Barn' })).toEqual({
      typed,
      crossed: ['appetite'],
    })
  })

  it('knows what came in, and what has gone', () => {
    const typed = { a: '1' }
    expect(followed(typed, { a: '1' }, { b: '2' })).toEqual({ typed: { b: '2' }, crossed: [] })
  })
})
