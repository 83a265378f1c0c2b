import type { Knex } from 'knex'
import { v7 } from 'uuid'
import { afterEach, beforeEach, expect, it } from 'vitest'
import { foldHouse, type DatedEntry } from '#core/subjects'
import { planHere } from '../../tests/fixtures/planHere'
import { setMantelToday } from '../../tests/fixtures/today'
import { openDatabase } from '../db/open'
import { alderYard } from '../demo/alderYard'
import { fillWithDemo } from '../demo/fill'
import { HouseKeeper } from './houseKeeper'

const TODAY = 20_782
let db: Knex
let keeper: HouseKeeper
beforeEach(async () => {
  setMantelToday('2026-11-25')
  db = await openDatabase(':memory:')
  await fillWithDemo(db, alderYard(TODAY))
  keeper = await HouseKeeper.open(db, await planHere())
})
afterEach(async () => {
  await db.destroy()
})

it('a batch over all animals costs the fold of each, parents proven by their young too, and stands as folded anew', () => {
  const draft = keeper.session.draft()
  const living = Object.values(keeper.house.animals).filter(a => a.status === 'alive')
  const proven = living.filter(a => a.sexEvidence.some(e => e.by === 'proof' && e.entryId in keeper.house.clutches))
  expect(proven.length).toBeGreaterThan(3)
  const weighed = (id: string, second: number): DatedEntry => ({
    id: v7(),
    at: `2026-11-25T10:00:${String(second % 60).padStart(2, '0')}.000Z`,
    day: TODAY,
    subject: { type: 'animal', id },
    kind: 'weighed',
    data: { massG: 100 + second, sure: true },
    source: 'keeper',
  })
  draft.add(weighed(living[0]!.id, 0))
  const { house } = draft
  for (const [i, { id }] of [...living, ...proven].entries()) draft.add(weighed(id, i + 1))
  // the house was added to, and never made anew
  expect(draft.house).toBe(house)
  expect(draft.house.animals).toEqual(foldHouse(draft.records).animals)
})
