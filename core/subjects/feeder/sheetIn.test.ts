import { v7 as uuid } from 'uuid'
import { describe, expect, it } from 'vitest'
import { moths } from '../../../tests/fixtures/moths'
import { planSheet, shipped, shippedAlmanac, withOwn } from '../../almanac'
import { checkEntry, draftOf, foldHouse, ownRows, recordsFrom, type House } from '..'

const today = 20_000
const almanacOf = (house: House) => withOwn(shipped, { ...ownRows(house, 0), numbers: [] }).almanac

describe('a sheet of feeders that name each other', () => {
  it.each([
    ['ids of a house', uuid(), uuid()],
    ['ids of a hand', 'moth-1', 'moth-2'],
  ])('comes in entry by entry, each named when it is there: with %s', (_, small, large) => {
    const plan = planSheet({ mantelSheet: 1, species: [], feeders: moths(small, large) }, shippedAlmanac, uuid)
    expect(plan.problems).toEqual([])
    const draft = draftOf(recordsFrom([]), foldHouse(recordsFrom([])))
    plan.facts.forEach((fact, i) => {
      const at = new Date(86_400_000 * today + i).toISOString()
      const entry = { ...fact, at, day: today, source: 'keeper' as const }
      const { records, house } = draft
      expect(checkEntry(entry, { records, house, almanac: almanacOf(house), today }), fact.kind).toEqual([])
      draft.add(entry)
    })
    const { feeders } = almanacOf(draft.house)
    const [a, b] = ['Small moth', 'Large moth'].map(name => Object.values(feeders).find(f => f.name === name)!)
    expect([a!.grows!.into, b!.standIns!.map(s => s.prey), b!.grows]).toEqual([b!.id, [a!.id], undefined])
  })
})
