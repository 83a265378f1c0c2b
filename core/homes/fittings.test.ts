import { describe, expect, it } from 'vitest'
import { FITTINGS, SUBSTRATES, shippedAlmanac, speciesOf } from '../almanac'
import { HouseBuilder } from '../../tests/fixtures/records'
import { kindOf } from '../subjects'
import { houseOf } from '../season'
import { fittedAs, homeFaults, tellHomeFault } from '.'

const told = (fitted: Parameters<typeof homeFaults>[0], ...species: string[]) =>
  homeFaults(fitted, species, shippedAlmanac).map(f => tellHomeFault(f, shippedAlmanac))

describe('what must be in a home', () => {
  it('a leopard gecko has a damp hide, else toes are lost, and no carpet or calcium sand (PRACTICE: common practice)', () => {
    expect(told({ fittings: ['hide'], substrate: 'calciumSand' }, 'leopard-gecko')).toEqual([
      'it lacks a damp hide for Leopard gecko: without one sheds stick and toes are lost',
      'calcium sand does not suit Leopard gecko: it is swallowed and cakes in the gut',
    ])
    expect(told({ fittings: ['hide', 'dampHide'], substrate: 'soilSand' }, 'leopard-gecko')).toEqual([])
  })

  it('of what is not said nothing is told, and one that has all there is lacks nothing', () => {
    const all = Object.keys(shippedAlmanac.species)
    expect(told({ fittings: null, substrate: null }, ...all)).toEqual([])
    expect(told({ fittings: FITTINGS, substrate: 'paper' }, ...all)).toEqual([])
  })

  it('cedar suits nobody; what climbs needs something to climb, and only that does', () => {
    for (const { id, home } of Object.values(shippedAlmanac.species)) {
      if (!home) continue
      expect(told({ fittings: null, substrate: 'cedar' }, id), id).toHaveLength(1)
      expect(home.musts?.includes('climbing') ?? false, id).toBe(Boolean(home.heightM))
      expect(
        home.notOn!.every(s => SUBSTRATES.includes(s)),
        id,
      ).toBe(true)
    }
    expect(speciesOf(shippedAlmanac, 'axolotl').home!.musts).toContain('waterArea')
  })

  it('is said once of a rack, and of one tub otherwise; a room says nothing of what stands in it', () => {
    const b = new HouseBuilder(20_000)
      .place('room', { kind: 'room', fittings: [] })
      .place('rack', { kind: 'rack', parentId: 'room', fittings: ['hide'], substrate: 'paper' })
      .place('t1', { parentId: 'rack' })
      .place('t2', { parentId: 'rack', fittings: ['hide', 'dampHide'] })
      .place('pen', { parentId: 'room' })
    const { places } = houseOf(b.records())
    const of = (id: string) => fittedAs(places, places[id]!)
    expect(of('t1')).toEqual({ fittings: ['hide'], substrate: 'paper' })
    expect(of('t2')).toEqual({ fittings: ['hide', 'dampHide'], substrate: 'paper' })
    expect(of('pen')).toEqual({ fittings: null, substrate: null })
  })

  it('a floor that nobody knows is refused', () => {
    const fits = (data: object) => kindOf('placeChanged').data.safeParse(data).success
    expect([fits({ substrate: 'lava' }), fits({ fittings: ['throne'] })]).toEqual([false, false])
    expect([fits({ substrate: 'soil' }), fits({ fittings: [] }), fits({ fittings: null })]).toEqual([true, true, true])
  })
})
