import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { changedIn, foldHouse, tagYoung } from '.'

const today = 20_782

describe('some of a clutch or a group are made animals of their own', () => {
  const built = () =>
    new HouseBuilder(today)
      .place('Room', { kind: 'room' })
      .place('inc', { kind: 'incubator', parentId: 'Room' })
      .animal('Y-02', 'corn-snake')
  it('with the next tags that are free, by what their group is, and the sex that is said', () => {
    const b = built()
    b.group('g', 'corn-snake', -30, { tag: 'G-1', unknown: 5, placeId: 'Room' })
    let made = 0
    const wish = { count: 3, prefix: 'Y', placeId: null, sex: 'female' as const }
    const told = tagYoung(foldHouse(b.records()), { type: 'group', id: 'g' }, wish, 'by', () => `id-${++made}`)!
    expect(told).toMatchObject({ kind: 'groupTagged', data: { count: 3, sex: 'female' } })
    expect(told.cards.map(c => [c.id, c.tag])).toEqual([
      ['id-1', 'Y-01'],
      ['id-2', 'Y-03'],
      ['id-3', 'Y-04'],
    ])
    for (const card of told.cards)
      expect(card).toMatchObject({ sex: 'female', placeId: 'Room', groupId: 'g', clutchId: null, foundedBy: 'by' })
  })

  it('not in the incubator where their eggs lay, unless that is said; of nothing there is none', () => {
    const b = built()
    b.write(
      'eggsBrought',
      { type: 'clutch', id: 'c' },
      -80,
      {
        tag: 'C-1',
        speciesId: 'corn-snake',
        eggs: 6,
        laid: '2026-08-01',
        give: 0,
        from: null,
        placeId: 'inc',
        tempC: null,
      },
      'c',
    )
    b.write('hatched', { type: 'clutch', id: 'c' }, -5, { count: 4 })
    const house = foldHouse(b.records())
    const of = { type: 'clutch' as const, id: 'c' }
    const card = (placeId: string | null) =>
      tagYoung(house, of, { count: 1, prefix: 'C', placeId }, 'by', () => 'x')!.cards[0]!
    expect(card(null)).toMatchObject({ placeId: null, bornDay: today - 5, clutchId: 'c', sex: 'unknown' })
    expect(card('inc').placeId).toBe('inc')
    expect(tagYoung(house, { type: 'clutch', id: 'none' }, { count: 1, prefix: 'C' }, 'by', () => 'x')).toBeNull()
  })

  it('of what is said again only what is another is written', () => {
    const before = { name: 'Shelf', size: { w: 1 }, light: null }
    expect(changedIn<object>(before, { name: 'Shelf', size: { w: 1 }, light: { on: 8 }, new: 0 })).toEqual({
      light: { on: 8 },
      new: 0,
    })
    expect(changedIn(before, { ...before })).toEqual({})
  })
})
