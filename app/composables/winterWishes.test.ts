import { describe, expect, it } from 'vitest'
import type { WinterGroup } from '#core/subjects'
import { nextWinterTag, winterChanges, type WinterSaid } from './winterWishes'

const own: WinterGroup = {
  id: 'w',
  tag: 'W-1',
  speciesId: 'milk-snake',
  placeId: 'chest',
  coolDay: 20_000,
  ways: { holdC: 10, holdDays: 60 },
  members: { A: {}, B: { holdDays: 40 }, C: {} },
  ended: null,
}
const said: WinterSaid = {
  cool: '2026-12-01',
  placeId: 'chest',
  ways: { holdC: 11 },
  chosen: ['A', 'B', 'D'],
  single: { A: {}, B: { holdDays: 40 }, C: {} },
}
const tell = (now: Partial<WinterSaid> = {}) =>
  winterChanges(own, { ...said, ...now }).map(({ kind, data }) => [kind, data])

describe('the changes of a planned winter', () => {
  it('are its programme, who joins, and who leaves; a way that is said no more goes back to the usual', () => {
    expect(tell()).toEqual([
      ['winterChanged', { cool: '2026-12-01', placeId: 'chest', ways: { holdC: 11, holdDays: null } }],
      ['winterMember', { animalId: 'D' }],
      ['winterMemberLeft', { animalId: 'C' }],
    ])
  })

  it('name a single animal only where its own ways differ, and it stays', () => {
    const single = { A: { pairAfterCold: 'atOnce' }, B: {}, C: { holdDays: 10 } }
    expect(tell({ single }).filter(([kind]) => kind === 'winterMember')).toEqual([
      ['winterMember', { animalId: 'D' }],
      ['winterMember', { animalId: 'A', ways: { holdDays: null, pairAfterCold: 'atOnce' } }],
      ['winterMember', { animalId: 'B', ways: { holdDays: null, pairAfterCold: null } }],
    ])
  })

  it('the next tag follows the highest, whatever else is called', () => {
    expect(nextWinterTag({})).toBe('W-1')
    expect(nextWinterTag({ a: { tag: 'W-9' }, b: { tag: 'W-12' }, c: { tag: 'cold ones' } })).toBe('W-13')
  })
})
