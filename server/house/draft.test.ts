import { v7 } from 'uuid'
import { expect, it } from 'vitest'
import { foldHouse, type DatedEntry } from '#core/subjects'
import { DEMO_DAY, onDemoHouse } from '../../tests/fixtures/demoKeeper'

const house = onDemoHouse()

it('a batch over all animals costs the fold of each, parents proven by their young too, and stands as folded anew', () => {
  const draft = house().session.draft()
  const living = Object.values(house().house.animals).filter(a => a.status === 'alive')
  const proven = living.filter(a => a.sexEvidence.some(e => e.by === 'proof' && e.entryId in house().house.clutches))
  expect(proven.length).toBeGreaterThan(3)
  const weighed = (id: string, second: number): DatedEntry => ({
    id: v7(),
    at: `2026-11-25T10:00:${String(second % 60).padStart(2, '0')}.000Z`,
    day: DEMO_DAY,
    subject: { type: 'animal', id },
    kind: 'weighed',
    data: { massG: 100 + second, sure: true },
    source: 'keeper',
  })
  draft.add(weighed(living[0]!.id, 0))
  const before = draft.house
  for (const [i, { id }] of [...living, ...proven].entries()) draft.add(weighed(id, i + 1))
  // the house was added to, and never made anew
  expect(draft.house).toBe(before)
  expect(draft.house.animals).toEqual(foldHouse(draft.records).animals)
})
