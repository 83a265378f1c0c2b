import { isDeepStrictEqual } from 'node:util'
import type { Knex } from 'knex'
import { v7 } from 'uuid'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { Entry } from '#core/subjects'
import type { Changes } from '#shared/contracts/changes'
import { patched } from '#shared/delta'
import { Fuzz, randomFrom } from '../../tests/fixtures/fuzz'
import { planHere } from '../../tests/fixtures/planHere'
import { setMantelToday } from '../../tests/fixtures/today'
import { openDatabase } from '../db/open'
import { alderYard } from '../demo/alderYard'
import { fillWithDemo } from '../demo/fill'
import { ProblemError } from '../utils/problem'
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

const idOf = (tag: string) => Object.values(keeper.house.animals).find(a => a.tag === tag)!.id
const write = (kind: string, tag: string, data: Record<string, unknown>) =>
  keeper.writer.write([
    { id: v7(), at: '2026-11-25T10:00:00Z', subject: { type: 'animal', id: idOf(tag) }, kind, data, source: 'keeper' },
  ])
/** What a window shows that takes over what it is told. */
function taken<T>(shown: T | null, changes: Changes<T>): T {
  return 'whole' in changes ? changes.whole : patched(shown!, changes.delta)
}
const overTheWire = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T
const bytes = (x: unknown) => JSON.stringify(x).length

describe('a window is told what has changed', () => {
  it('one that takes over changes shows the same house as one that is told all, whatever is written', async () => {
    const fuzz = new Fuzz(randomFrom(11), TODAY, v7)
    const first = overTheWire(await keeper.changes.since(undefined))
    let { token } = first
    let shown = taken(null, first)
    let [accepted, deltas, compared] = [0, 0, 0]
    for (let n = 0; n < 300 && accepted < 40; n++) {
      const entry = Entry.safeParse(JSON.parse(JSON.stringify(fuzz.entry(keeper.queries.snapshot().house, []))))
      if (!entry.success) continue
      try {
        await keeper.writer.write([entry.data])
        accepted++
      } catch (error) {
        if (!(error instanceof ProblemError)) throw error
        continue
      }
      // some windows look seldom
      if (accepted % 3 === 1) continue
      const changes = await keeper.changes.since(token)
      if ('delta' in changes) deltas++
      shown = taken(shown, overTheWire(changes))
      token = changes.token
      const all = overTheWire(await keeper.changes.since(undefined))
      // told by `expect` only where it is not so: that takes long over a whole house
      const wanted = taken(null, all)
      if (!isDeepStrictEqual(shown, wanted)) expect(shown).toEqual(wanted)
      const snapshot = overTheWire(keeper.queries.snapshot())
      if (!isDeepStrictEqual(shown.house, snapshot)) expect(shown.house).toEqual(snapshot)
      compared++
    }
    expect(accepted).toBe(40)
    expect(deltas).toBeGreaterThan(20)
    expect(compared).toBeGreaterThan(20)
  }, 120_000)

  it('a tap moves a few kilobytes of the house, and of the plans', async () => {
    const { token } = await keeper.changes.since(undefined)
    const { token: plansToken } = await keeper.changes.plansSince(undefined)
    await write('weighed', 'K-01', { massG: 560, sure: true })
    const changes = await keeper.changes.since(token)
    const plans = await keeper.changes.plansSince(plansToken)
    expect(bytes(changes) + bytes(plans)).toBeLessThan(40_000)
    expect(changes).toMatchObject({ from: token })
    const animals = (changes as unknown as { delta: { house: { house: { animals: object } } } }).delta.house.house
      .animals
    expect(Object.keys(animals)).toEqual([idOf('K-01')])
  })

  it('nothing has changed when nothing was written; another day, and a state of another start, are told', async () => {
    const { token } = await keeper.changes.since(undefined)
    expect(await keeper.changes.since(token)).toEqual({ token, from: token, delta: undefined })
    expect(await keeper.changes.since('of before.1.20782')).toHaveProperty('whole')
    setMantelToday('2026-11-26')
    const next = await keeper.changes.since(token)
    expect(next.token).not.toBe(token)
    expect(next).toHaveProperty('delta.house.today')
  })

  it('who listens hears of each change, until they no longer do', async () => {
    // what devices sent is taken over before
    expect(keeper.changes.token).toBe(keeper.changes.token)
    const heard: string[] = []
    const stop = keeper.session.onChange(() => heard.push(keeper.changes.token))
    await write('shed', 'K-01', {})
    await write('shed', 'K-02', {})
    stop()
    await write('shed', 'K-03', {})
    expect(new Set(heard).size).toBe(2)
  })
})
