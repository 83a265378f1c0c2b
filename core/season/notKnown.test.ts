import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac, speciesOf, withOwn, shipped, type OwnSpecies } from '../almanac'
import { defaultSettings } from '../settings'
import { notKnownOf } from './notKnown'
import { season } from './season'

const today = 20_782
const own = (id: string, parts: OwnSpecies['parts']): OwnSpecies => ({
  id,
  added: false,
  from: null,
  type: false,
  name: null,
  latin: null,
  retired: false,
  parts,
})

/** Where the forecasts of a pair that locked, and of a clutch that lies, end for want of knowledge. */
function ends(speciesId: string, parts: OwnSpecies['parts'] = {}) {
  const b = new HouseBuilder(today)
    .animal('F', speciesId, { sex: 'female', bornDay: today - 3000 })
    .animal('M', speciesId, { sex: 'male', bornDay: today - 3000 })
  b.pair('F', 'M', -40)
  b.write('copulation', { type: 'pairing', id: 'pair-F' }, -30, { confirmed: true })
  b.animal('G', speciesId, { sex: 'female', bornDay: today - 3000 }).pair('G', 'M', -90)
  const laying = speciesOf(shippedAlmanac, speciesId).mode === 'live' ? 'born' : 'laid'
  const said = laying === 'born' ? { tag: 'C', live: 8 } : { tag: 'C', eggs: 8, slugs: 0, tempC: 28 }
  b.write(laying, { type: 'pairing', id: 'pair-G' }, -10, said, 'C')
  const { almanac } = withOwn(shipped, { species: [own(speciesId, parts)], feeders: [], numbers: [] })
  const made = season(b.records(), almanac, defaultSettings, today).season
  expect(made.alarms.filter(a => a.broken)).toEqual([])
  const of = (id: string) => {
    const end = notKnownOf(
      made.lanes.find(l => l.id === id)!,
      speciesOf(almanac, speciesId),
    )
    return end && `${end.event}: ${end.part}`
  }
  return [of('pairing:pair-F'), of('clutch:C')]
}

describe('where a forecast ends for want of knowledge', () => {
  it('nowhere in what is shipped', () => {
    for (const id of ['corn-snake', 'leopard-gecko', 'hermanns-tortoise', 'golden-mantella', 'rosy-boa'])
      expect([id, ...ends(id)]).toEqual([id, null, null])
  })

  it('without clocks at the laying, without a table at the hatch, and each names the part to set', () => {
    expect(ends('corn-snake', { clocks: {} })).toEqual(['laid: clocks', 'firstMeal: clocks'])
    expect(ends('corn-snake', { incubation: null })).toEqual(['hatched: incubation', 'hatched: incubation'])
    expect(ends('rosy-boa', { clocks: {} })).toEqual(['born: clocks', 'firstMeal: clocks'])
    expect(ends('golden-mantella', { clocks: {} })).toEqual(['laid: clocks', 'hatched: clocks'])
  })

  it('whatever is left out of a species, the others are forecast and nothing breaks', () => {
    const left = ['incubation', 'nextClutch', 'mating', 'sexing', 'sexByTemperature', 'cold'] as const
    for (const { id } of Object.values(shippedAlmanac.species).filter(s => !s.typeOf)) {
      const bare = Object.fromEntries(left.map(part => [part, null]))
      expect([id, ends(id, { ...bare, winter: 'none', clocks: {} })[0]]).toEqual([
        id,
        `${speciesOf(shippedAlmanac, id).mode === 'live' ? 'born' : 'laid'}: clocks`,
      ])
    }
  })
})
