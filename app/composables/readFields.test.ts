import { describe, expect, it } from 'vitest'
import { entryKinds } from '#core/subjects'
import { readFurther } from './furtherFields'

const withFields = [...entryKinds.values()].filter(kind => kind.fields)

describe('further fields of an entry', () => {
  it('are of its kind: each alone is taken by the schema, and what is no such field is not', () => {
    const samples = {
      day: '2030-01-31',
      count: 1,
      number: 9.5,
      text: 'dried out',
      temperature: 28,
      mass: 3.1,
      place: 'inc-1',
    }
    const [laying, birth] = [
      { tag: 'C-1', eggs: 6 },
      { tag: 'L-1', live: 6 },
    ]
    const needed: Record<string, object> = {
      laid: laying,
      groupLaid: laying,
      born: birth,
      groupBore: birth,
      groupLost: { count: 1 },
      groupWeighed: { count: 1, massG: 2 },
      clutchMoved: { placeId: 'inc-1' },
      eggsWeighed: { massG: 9 },
      eggsAdded: { eggs: 1 },
      preyReceived: { count: 1 },
      materialBought: { amount: 3 },
      orderConfirmed: { comes: '2024-10-20' },
      cultureFound: { what: 'mites' },
      preyDiscarded: { count: 1 },
    }
    expect(withFields.map(k => k.kind).sort()).toEqual([
      'born',
      'clutchMoved',
      'colonyLooked',
      'cultureFailed',
      'cultureFound',
      'died',
      'eggsAdded',
      'eggsWeighed',
      'groupBore',
      'groupLaid',
      'groupLost',
      'groupWeighed',
      'laid',
      'materialBought',
      'orderConfirmed',
      'orderDropped',
      'preyDiscarded',
      'preyKept',
      'preyReceived',
      'sold',
    ])
    for (const kind of withFields)
      for (const [name, hint] of Object.entries(kind.fields!)) {
        const data = { ...needed[kind.kind], [name]: samples[hint.as] }
        expect(kind.data.safeParse(data), `${kind.kind}.${name}`).toMatchObject({ success: true, data })
        expect(kind.data.safeParse({ ...data, [`${name}s`]: 1 }).success).toBe(false)
      }
  })

  it('are read with their units, and left out where nothing was typed', () => {
    const { fields } = entryKinds.get('laid')!
    const read = (typed: Record<string, string | number>, unit: '°C' | '°F') =>
      readFurther(fields!, typed, { tempUnit: unit, massUnit: 'g' })
    expect(read({ massG: '1 oz', placeId: 'inc-1' }, '°C')).toEqual({
      data: { massG: 28.35, placeId: 'inc-1' },
      problems: {},
    })
    const both = { data: { slugs: 2, tempC: 28 }, problems: {} }
    expect(read({ slugs: '2', tempC: '82.4 °F' }, '°C')).toEqual(both)
    expect(read({ slugs: 2, tempC: '82.4' }, '°F')).toEqual(both)
    expect(read({ slugs: ' ', tempC: '' }, '°C')).toEqual({ data: {}, problems: {} })
  })

  it('say by field what cannot be read', () => {
    const { data, problems } = readFurther(
      entryKinds.get('laid')!.fields!,
      { slugs: '1.5', tempC: '28 g' },
      { tempUnit: '°C', massUnit: 'g' },
    )
    expect(data).toEqual({})
    expect(problems).toEqual({ slugs: 'Write a whole number', tempC: expect.stringContaining('g') as string })
    const says = (slugs: string) =>
      readFurther(entryKinds.get('laid')!.fields!, { slugs }, { tempUnit: '°C', massUnit: 'g' }).problems.slugs
    expect([says('-5'), says('many')]).toEqual(['It cannot be negative', 'Write a number'])
  })
})
