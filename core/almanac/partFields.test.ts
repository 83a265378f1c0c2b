import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { FEEDER_PARTS, SPECIES_PARTS, ownWhereChanged, partFields, shippedAlmanac, speciesOf } from '.'

const corn = speciesOf(shippedAlmanac, 'corn-snake')
const asks = (part: (typeof SPECIES_PARTS)[number], value: unknown = corn[part]) =>
  partFields('species', part, value).map(f => `${f.path} ${f.is}${f.optional ? '?' : ''}`)
const copy = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T

describe('what there is to ask of a part', () => {
  it('follows the schema: numbers, spreads, choices, and what is not there', () => {
    expect(asks('clutchSize')).toEqual(['clutchSize spread'])
    expect(asks('winter')).toEqual(['winter choice'])
    expect(asks('nextClutch')).toEqual([
      'nextClutch group?',
      'nextClutch.days spread',
      'nextClutch.perSeason spread',
      'nextClutch.comes fact',
    ])
    expect(asks('sexByTemperature', undefined)).toEqual(['sexByTemperature absent?'])
    expect(asks('sexByTemperature', [{ tempC: 30, femaleShare: 0.5, mark: 'memory' }])).toEqual([
      'sexByTemperature points?',
    ])
    expect(asks('clocks')).toEqual(['clocks clocks'])
    expect(asks('cold')).toEqual(
      expect.arrayContaining(['cold.loss variant', 'cold.baths switch', 'cold.rest absent?']),
    )
  })

  it('every number of every shipped part is asked for, but of ladder, incubation and other ways, which have forms of their own', () => {
    const missing = new Set<string>()
    const numbersIn = (value: unknown, path: string): string[] =>
      typeof value === 'number'
        ? [path]
        : typeof value === 'object' && value !== null
          ? Object.entries(value).flatMap(([k, v]) => numbersIn(v, `${path}.${k}`))
          : []
    const look = (of: 'species' | 'feeder', part: never, value: unknown): void => {
      const fields = partFields(of, part, value).filter(f => f.is !== 'group')
      for (const path of numbersIn(value, part))
        if (!fields.some(f => path === f.path || path.startsWith(`${f.path}.`))) missing.add(path)
    }
    for (const s of Object.values(shippedAlmanac.species))
      for (const part of SPECIES_PARTS)
        if (part !== 'ladder' && part !== 'incubation' && s[part] !== undefined) look('species', part as never, s[part])
    for (const f of Object.values(shippedAlmanac.feeders))
      for (const part of FEEDER_PARTS)
        if (part !== 'otherWays' && f[part] !== undefined) look('feeder', part as never, f[part])
    expect([...missing]).toEqual([])
  })
})

describe('a part that was set by hand', () => {
  it('marks as own what says something else, and leaves the rest where it came from', () => {
    const after = copy(corn.cold!)
    after.holdC.value = 11
    after.weeks.latest += 2
    const made = ownWhereChanged(corn.cold, after)
    expect(made.holdC).toEqual({ value: 11, unit: '°C', mark: 'own' })
    expect(made.weeks.mark).toBe('own')
    expect(made.lowC).toEqual(corn.cold!.lowC)
  })

  it('a list row that moved keeps its mark, one that changed or is new is own', () => {
    const [first, second] = copy(corn.ladder)
    const changed = { ...second!, everyDays: 99 }
    const made = ownWhereChanged(corn.ladder, [changed, first!])
    expect(made.map(step => step.mark)).toEqual(['own', corn.ladder[0]!.mark])
    expect(made[1]).toEqual(corn.ladder[0])
  })

  it('a clock that is new is own, and so is the mark of a choice that stands beside it', () => {
    const fact = { value: 1, unit: 'share', mark: 'memory' as const }
    const days = { earliest: 1, likely: 2, latest: 3, unit: 'days', mark: 'memory' as const }
    const clocks = {
      ...copy(corn.clocks),
      'ready>laid': { from: 'ready' as const, to: 'laid' as const, days, comes: fact },
    }
    const made = ownWhereChanged(corn.clocks, clocks)
    expect(made['ready>laid']).toMatchObject({ days: { mark: 'own' }, comes: { mark: 'own' } })
    expect({ ...made, 'ready>laid': undefined }).toEqual({ ...corn.clocks, 'ready>laid': undefined })
    const sexing = { ...copy(corn.sexing!), system: 'XY' as const }
    expect(ownWhereChanged(corn.sexing, sexing).systemFrom).toEqual({ mark: 'own' })
    expect(ownWhereChanged(corn.sexing, copy(corn.sexing!))).toEqual(corn.sexing)
  })

  it('what is set as it was is as it was, whatever part of whatever species', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.values(shippedAlmanac.species)),
        fc.constantFrom(...SPECIES_PARTS),
        (s, part) => {
          expect(ownWhereChanged(s[part], copy(s[part] ?? null))).toEqual(s[part] ?? null)
        },
      ),
      { numRuns: 300 },
    )
  })
})
