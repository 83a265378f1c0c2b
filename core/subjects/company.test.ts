import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac } from '../almanac'
import { defaultSettings, houseOf, season } from '../season'
import { checkEntry, companyProblems, draftOf, tellCompany, type AnimalCard } from '.'

const today = 20_782

const tub = (...animals: [string, string, Partial<AnimalCard>?][]) => {
  const b = new HouseBuilder(today).place('tub').place('other')
  for (const [id, species, card] of animals) b.animal(id, species, { placeId: 'tub', ...card })
  return b
}
const problems = (b: HouseBuilder) => {
  const house = houseOf(b.records())
  return companyProblems(
    house,
    shippedAlmanac,
    Object.values(house.animals).filter(a => a.placeId === 'tub'),
  ).map(p => p.why)
}
const alarms = (b: HouseBuilder) =>
  season(b.records(), shippedAlmanac, defaultSettings, today).season.alarms.filter(a => a.id.startsWith('company'))

describe('who sits with whom', () => {
  it('a leopard gecko is always alone, a kingsnake too: they eat snakes (common practice, no source)', () => {
    expect(problems(tub(['G-1', 'leopard-gecko']))).toEqual([])
    expect(problems(tub(['G-1', 'leopard-gecko'], ['G-2', 'leopard-gecko']))).toEqual(['alone'])
    expect(problems(tub(['K-1', 'california-kingsnake'], ['S-1', 'corn-snake']))).toEqual(['alone', 'otherSpecies'])
  })

  it('mourning geckos in groups of at least four, about twenty at most (common practice, no source)', () => {
    const geckos = (n: number) =>
      tub(...Array.from({ length: n }, (_, i): [string, string] => [`M-${i}`, 'mourning-gecko']))
    expect(problems(geckos(1))).toEqual(['tooFew'])
    expect(problems(geckos(3))).toEqual(['tooFew'])
    expect(problems(geckos(4))).toEqual([])
    expect(problems(geckos(20))).toEqual([])
    expect(problems(geckos(21))).toEqual(['tooMany'])
  })

  it('two males of lizards that live with one, and sizes that do not go together', () => {
    const pair = (sexes: ['male' | 'female', 'male' | 'female'], grams: [number, number]) => {
      const b = tub(['O-1', 'ocellated-lizard', { sex: sexes[0] }], ['O-2', 'ocellated-lizard', { sex: sexes[1] }])
      grams.forEach((massG, i) => b.write('weighed', { type: 'animal', id: `O-${i + 1}` }, -3, { massG }))
      return problems(b)
    }
    expect(pair(['male', 'female'], [200, 150])).toEqual([])
    expect(pair(['male', 'male'], [200, 190])).toEqual(['twoMales'])
    expect(pair(['female', 'female'], [300, 100])).toEqual(['size'])
  })

  it('two that were put together to mate are left in peace until they are parted', () => {
    const b = tub(['A-1', 'corn-snake', { sex: 'female' }], ['A-2', 'corn-snake', { sex: 'male' }])
    expect(problems(b)).toEqual(['alone'])
    b.pair('A-1', 'A-2', -10, 'P')
    b.write('introduced', { type: 'pairing', id: 'P' }, -2)
    expect(problems(b)).toEqual([])
    b.write('separated', { type: 'pairing', id: 'P' }, -1)
    expect(problems(b)).toEqual(['alone'])
  })

  it('types of one species are of one species', () => {
    const types = Object.values(shippedAlmanac.species).filter(s => s.typeOf && s.company?.lives === 'group')
    for (const s of types) expect(problems(tub(['A', s.id], ['B', s.typeOf!])), s.id).not.toContain('otherSpecies')
    expect(Object.values(shippedAlmanac.species).every(s => s.company)).toBe(true)
  })
})

describe('told', () => {
  it('as an alarm of the tub, silent when it is answered, anew when another comes', () => {
    const b = tub(['G-1', 'leopard-gecko'], ['G-2', 'leopard-gecko'])
    expect(alarms(b)).toMatchObject([{ subject: { id: 'tub' }, text: 'tub, G-1, G-2: Leopard gecko lives alone' }])
    b.write('alarmAnswered', { type: 'place', id: 'tub' }, 0, { alarm: alarms(b)[0]!.id, why: 'Sisters, watched' })
    expect(alarms(b)).toEqual([])
    b.animal('G-3', 'leopard-gecko', { placeId: 'tub' })
    expect(alarms(b)).toHaveLength(1)
  })

  it('many places of one sort as one; a rack holds many behind glass, and is no company', () => {
    const b = new HouseBuilder(today).place('rack', { kind: 'rack' })
    for (let i = 0; i < 5; i++) {
      b.place(`t${i}`)
      for (const k of ['a', 'b']) b.animal(`${i}${k}`, 'leopard-gecko', { placeId: `t${i}` })
      b.animal(`r${i}`, 'leopard-gecko', { placeId: 'rack' })
    }
    expect(alarms(b).map(a => a.id)).toEqual(['company:many:alone'])
  })

  it('is asked of those that come together as of those that come one after the other', () => {
    const b = new HouseBuilder(today).place('tub', { tempC: 28 }).place('other', { tempC: 28 }).place('far')
    for (const id of ['G-1', 'G-2', 'G-3']) b.animal(id, 'leopard-gecko', { placeId: 'far' })
    const records = b.records()
    const draft = draftOf(records, houseOf(records))
    const moved = (id: string, placeId: string) => {
      const entry = { id: `m${id}`, kind: 'moved', data: { placeId }, subject: { type: 'animal', id } } as const
      const dated = { ...entry, at: '2026-11-25T10:00:00Z', day: today, source: 'keeper' } as const
      const context = { records: draft.records, house: draft.house, almanac: shippedAlmanac, today }
      const found = checkEntry(dated, context).map(p => p.message)
      draft.add(dated)
      return found
    }
    expect(moved('G-1', 'other')).toEqual([])
    expect(moved('G-2', 'tub')).toEqual([])
    expect(moved('G-3', 'tub')).toEqual(['tub: Leopard gecko lives alone. Move G-3 there all the same?'])
  })

  it('is asked before one is moved, and not of an import or one who is sure', () => {
    const b = tub(['G-1', 'leopard-gecko']).animal('G-2', 'leopard-gecko', { placeId: 'other' })
    const records = b.records()
    const house = houseOf(records)
    const move = (more: object, source: 'keeper' | 'import' = 'keeper') =>
      checkEntry(
        {
          id: 'm',
          at: new Date(today * 86_400_000 + 43_200_000).toISOString(),
          day: today,
          subject: { type: 'animal', id: 'G-2' },
          kind: 'moved',
          data: { placeId: 'tub', ...more },
          source,
        },
        { house, records, almanac: shippedAlmanac, today },
      )
    expect(move({})).toMatchObject([
      { path: 'data.sure', message: 'tub: Leopard gecko lives alone. Move G-2 there all the same?' },
    ])
    expect(move({ sure: true })).toEqual([])
    expect(move({}, 'import')).toEqual([])
    expect(tellCompany({ why: 'tooFew', speciesId: 'mourning-gecko', count: 2, limit: 4 }, shippedAlmanac)).toMatch(
      /2 is too few of .*at least 4/,
    )
  })
})
