import { describe, expect, it } from 'vitest'
import { ALLELE_FIELDS, entryKinds } from '#core/subjects'
import { asSeveral, readFields, severalOf } from './readFields'

const withFields = [...entryKinds.values()].filter(kind => kind.fields)

const locus = {
  name: 'Ash',
  speciesId: 'corn-snake',
  linkage: 'autosomal',
  note: null,
  alleles: [{ sign: 'a', mode: 'recessive', look: 'ash', doubleLook: null, double: 'well' }],
}

describe('fields of a form', () => {
  it('are of its kind: each alone is taken by the schema, and what is no such field is not', () => {
    const samples = {
      day: '2030-01-31',
      count: 1,
      number: 9.5,
      text: 'dried-out',
      lines: 'seen twice',
      temperature: 28,
      mass: 3.1,
      place: 'inc-1',
      species: 'corn-snake',
      choice: 'female',
      money: 25.5,
      share: 0.9,
      flag: true,
      several: [] as unknown,
      one: 'some-id',
      size: { widthCm: 60, depthCm: 40, heightCm: 30 },
    }
    const founded = { tag: 'X-1', speciesId: 'corn-snake' }
    const [laying, birth] = [
      { tag: 'C-1', eggs: 6 },
      { tag: 'L-1', live: 6 },
    ]
    /** What is none of these samples. */
    const choices: Record<string, unknown> = {
      'lampFitted.source': 'tube',
      'waysSet.ways': ['strikes', 'tongs'],
      'supplierAdded.sendsOn': [1, 3],
      'supplierChanged.sendsOn': [1, 3],
      'placeAdded.kind': 'rack',
      'placeAdded.substrate': 'paper',
      'treatmentStarted.everyDays': 0.5,
      'locusNamed.unstatedShare': 0.1,
      'locusChanged.unstatedShare': 0.1,
      'locusNamed.linkage': 'Z',
      'locusChanged.linkage': 'X',
      'settingsChanged.timeZone': 'Europe/Berlin',
      'settingsChanged.massUnit': 'oz',
      'settingsChanged.tempUnit': '°F',
      'settingsChanged.cultureWeekday': 3,
      'settingsChanged.currency': 'EUR',
      'settingsChanged.waste': 0.1,
      'settingsChanged.warmUpDay': 20_900,
    }
    const needed: Record<string, object> = {
      animalAdded: founded,
      groupAdded: { ...founded, unknown: 2 },
      eggsBrought: { ...founded, eggs: 6, laid: '2024-10-20' },
      laid: laying,
      groupLaid: laying,
      born: birth,
      groupBore: birth,
      groupLost: { count: 1 },
      vetSeen: { said: 'rest' },
      treatmentStarted: { what: 'wash', dose: 'as said', everyDays: 1, times: 7 },
      locusNamed: locus,
      locusChanged: locus,
      groupWeighed: { count: 1, massG: 2 },
      clutchMoved: { placeId: 'inc-1' },
      eggsWeighed: { massG: 9 },
      eggsAdded: { eggs: 1 },
      preyReceived: { count: 1 },
      materialBought: { amount: 3 },
      orderConfirmed: { comes: '2024-10-20' },
      cultureFound: { what: 'mites' },
      preyDiscarded: { count: 1 },
      alarmAnswered: { alarm: 'place:low:p' },
      lampFitted: { tag: 'U-1', lamp: 'Tube', lifeDays: 365 },
      waysSet: { ways: [], more: '', only: '' },
      supplierAdded: { name: 'A', leadDays: 2 },
      cultureStarted: { tag: 'FL-1', feederId: 'fly.large', placeId: null },
      paired: { tag: 'P-1', damId: 'dam', sireId: null },
      groupJoined: { male: 0, female: 0 },
      placeAdded: { name: 'Tub', kind: 'tub', parentId: null, order: 1, tempC: null, capacity: null },
    }
    expect(withFields.map(k => k.kind).sort()).toEqual([
      'alarmAnswered',
      'animalAdded',
      'animalCorrected',
      'born',
      'clutchMoved',
      'colonyLooked',
      'cultureCorrected',
      'cultureFailed',
      'cultureFound',
      'cultureMoved',
      'cultureStarted',
      'died',
      'eggsAdded',
      'eggsBrought',
      'eggsWeighed',
      'groupAdded',
      'groupBore',
      'groupJoined',
      'groupLaid',
      'groupLost',
      'groupWeighed',
      'laid',
      'lampFitted',
      'locusChanged',
      'locusNamed',
      'materialBought',
      'orderConfirmed',
      'orderDropped',
      'paired',
      'placeAdded',
      'preyDiscarded',
      'preyKept',
      'preyReceived',
      'settingsChanged',
      'sold',
      'speciesChanged',
      'supplierAdded',
      'supplierChanged',
      'treatmentStarted',
      'vetSeen',
      'waysSet',
    ])
    for (const kind of withFields)
      for (const [name, hint] of Object.entries(kind.fields!)) {
        const data = { ...needed[kind.kind], [name]: choices[`${kind.kind}.${name}`] ?? samples[hint.as] }
        expect(kind.data.safeParse(data), `${kind.kind}.${name}`).toMatchObject({ success: true, data })
        expect(kind.data.safeParse({ ...data, [`${name}s`]: 1 }).success).toBe(false)
      }
  })

  it('are read with their units, and left out where nothing was typed', () => {
    const { fields } = entryKinds.get('laid')!
    const read = (typed: Record<string, string>, unit: '°C' | '°F') =>
      readFields(fields!, typed, { tempUnit: unit, massUnit: 'g' })
    expect(read({ massG: '1 oz', placeId: 'inc-1' }, '°C')).toEqual({
      data: { massG: 28.35, placeId: 'inc-1' },
      problems: {},
    })
    const both = { data: { slugs: 2, tempC: 28 }, problems: {} }
    expect(read({ slugs: '2', tempC: '82.4 °F' }, '°C')).toEqual(both)
    expect(read({ slugs: '2', tempC: '82.4' }, '°F')).toEqual(both)
    expect(read({ slugs: ' ', tempC: '' }, '°C')).toEqual({ data: {}, problems: {} })
  })

  it('say by field what cannot be read', () => {
    const { data, problems } = readFields(
      entryKinds.get('laid')!.fields!,
      { slugs: '1.5', tempC: '28 g' },
      { tempUnit: '°C', massUnit: 'g' },
    )
    expect(data).toEqual({})
    expect(problems).toEqual({ slugs: 'Write a whole number', tempC: expect.stringContaining('g') as string })
    const says = (slugs: string) =>
      readFields(entryKinds.get('laid')!.fields!, { slugs }, { tempUnit: '°C', massUnit: 'g' }).problems.slugs
    expect([says('-5'), says('many')]).toEqual(['It cannot be negative', 'Write a number'])
  })
  it('that are needed and empty are refused: a tag by the schema, in its own words', () => {
    const { fields, data } = entryKinds.get('eggsBrought')!
    const read = readFields(fields!, { eggs: ' ', slugs: '' }, { tempUnit: '°C', massUnit: 'g' })
    expect(read).toEqual({
      data: { tag: '', speciesId: '', laid: '' },
      problems: { speciesId: 'Choose a species', eggs: 'Write a number', laid: 'Say on which day' },
    })
    const refused = data.safeParse({ ...read.data, speciesId: 'corn-snake', eggs: 2, laid: '2024-10-20' }).error!
    expect(refused.issues.map(i => i.path.join('.'))).toEqual(['tag'])
  })

  it('offer no choice that their schema does not take', () => {
    const choices = withFields.flatMap(kind =>
      Object.entries(kind.fields!).flatMap(([name, { as, choices = {} }]) =>
        Object.keys(choices).map(choice => ({ kind, name, as, choice })),
      ),
    )
    expect(choices.map(c => `${c.kind.kind} ${c.choice}`)).toContain('animalCorrected unknown')
    const bases: Record<string, object> = {
      animalAdded: { tag: 'X-1', speciesId: 'corn-snake' },
      lampFitted: { tag: 'U-1', lamp: 'Tube', lifeDays: 365 },
      waysSet: { ways: [], more: '', only: '' },
      supplierAdded: { name: 'A', leadDays: 2 },
      cultureStarted: { tag: 'FL-1', feederId: 'fly.large', placeId: null },
      paired: { tag: 'P-1', damId: 'dam', sireId: null },
      groupJoined: { male: 0, female: 0 },
      placeAdded: { name: 'Tub', kind: 'tub', parentId: null, order: 1, tempC: null, capacity: null },
      locusNamed: locus,
      locusChanged: locus,
    }
    for (const { kind, name, as, choice } of choices) {
      // days of the week are numbers, which a form cannot hold
      const one = name === 'sendsOn' || name === 'cultureWeekday' ? Number(choice) : choice
      const data = { ...bases[kind.kind], [name]: as === 'several' ? [one] : one }
      expect(kind.data.safeParse(data).success, `${kind.kind} ${choice}`).toBe(true)
      // several stand in a form side by side
      if (as === 'several') expect(severalOf(asSeveral([choice, choice]))).toEqual([choice, choice])
    }
  })

  it('say in words of their own what is beyond their limits', () => {
    const numbers = ['count', 'number', 'temperature', 'mass', 'money', 'share']
    const samples = (as: string) =>
      numbers.includes(as)
        ? ['999999999999', '0', '0.00001', '-1', '-999999']
        : ['text', 'lines'].includes(as)
          ? ['x'.repeat(3000), 'one\ntwo']
          : []
    let refused = 0
    for (const kind of withFields)
      for (const [name, field] of Object.entries(kind.fields!))
        for (const text of samples(field.as)) {
          const { data, problems } = readFields({ [name]: field }, { [name]: text }, { tempUnit: '°C', massUnit: 'g' })
          const issues = name in data ? (kind.data.safeParse(data).error?.issues ?? []) : []
          const own = issues.filter(i => i.path[0] === name).map(i => i.message)
          for (const message of [...own, ...Object.values(problems)]) {
            refused++
            expect(message, `${kind.kind}.${name} ${text.slice(0, 14)}`).not.toMatch(
              /expected|too (big|small)|invalid/i,
            )
          }
        }
    expect(refused).toBeGreaterThan(100)
  })

  it('of an allele offer no choice that a locus does not take', () => {
    const allele = { sign: 'a', mode: 'recessive', look: 'ash', doubleLook: null, double: 'well' }
    const { data } = entryKinds.get('locusNamed')!
    for (const [name, { choices = {} }] of Object.entries(ALLELE_FIELDS))
      for (const choice of Object.keys(choices))
        expect(data.safeParse({ ...locus, alleles: [{ ...allele, [name]: choice }] }).success, choice).toBe(true)
    expect(Object.keys(ALLELE_FIELDS).sort()).toEqual(Object.keys(allele).sort())
  })

  it('of several none is none, and what is not ticked is not said', () => {
    const { fields } = entryKinds.get('supplierAdded')!
    const units = { tempUnit: '°C', massUnit: 'g' } as const
    const none = readFields(fields!, { name: 'A', leadDays: '2', sendsOn: '', simulated: '' }, units)
    expect(none).toEqual({ data: { name: 'A', leadDays: 2 }, problems: {} })
    const said = { name: 'A', leadDays: '2', sendsOn: '1,5', simulated: 'yes', minimum: '12,50', carriage: 'free' }
    const read = readFields(fields!, said, units)
    expect(read.data).toMatchObject({ sendsOn: ['1', '5'], simulated: true, minimum: 12.5 })
    expect(Object.keys(read.problems)).toEqual(['carriage'])
  })
})
