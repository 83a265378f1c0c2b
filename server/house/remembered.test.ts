import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { v7 } from 'uuid'
import { planKey, type FeederPlan } from '#core/season'
import { DEMO_DAY } from '../../tests/fixtures/demoKeeper'
import { planHere } from '../../tests/fixtures/planHere'
import { setMantelToday } from '../../tests/fixtures/today'
import { openDatabase } from '../db/open'
import { alderYard } from '../demo/alderYard'
import { fillWithDemo } from '../demo/fill'
import { HouseKeeper, type PlanSolver } from './houseKeeper'

let folder: string
let solve: PlanSolver
let solved: number
/** Plans that were worked out in this file already: that they are asked for is what is looked at. */
const known = new Map<string, FeederPlan[]>()

beforeEach(async () => {
  setMantelToday('2026-11-25')
  folder = mkdtempSync(join(tmpdir(), 'mantel-remembered-'))
  const here = await planHere()
  solved = 0
  solve = async job => {
    solved++
    const key = planKey(job)
    if (!known.has(key)) known.set(key, await here(job))
    return known.get(key)!
  }
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

async function opened(program: string | null): Promise<HouseKeeper> {
  const db = await openDatabase(join(folder, 'house.sqlite'))
  await fillWithDemo(db, alderYard(DEMO_DAY))
  return HouseKeeper.open(db, solve, program)
}

describe('what was planned before a stop', () => {
  it('is told at the next start without being solved again, and follows what is written then', async () => {
    const first = await opened('this')
    const before = await first.queries.plans()
    expect(solved).toBeGreaterThan(0)
    await first.close()

    solved = 0
    const next = await opened('this')
    const after = await next.queries.plans()
    expect(solved).toBe(0)
    expect({ ...after, tookMs: 0, version: 0 }).toEqual({ ...before, tookMs: 0, version: 0 })
    const feeder = after.plans.find(p => p.kind === 'bought')!.prey
    const counted = { kind: 'preyCounted', data: { count: 50 } }
    await next.writer.write([
      { id: v7(), at: '2026-11-25T10:00:00Z', subject: { type: 'prey', id: feeder }, source: 'keeper', ...counted },
    ])
    await next.queries.plans()
    expect(solved).toBeGreaterThan(0)
    await next.close()
  }, 60_000)

  it('is solved again by another program, on another day, and where what was kept cannot be read', async () => {
    const first = await opened('this')
    await first.queries.plans()
    await first.close()

    const startsAs = async (program: string | null) => {
      solved = 0
      const keeper = await opened(program)
      await keeper.queries.plans()
      await keeper.database.destroy()
      return solved
    }
    expect(await startsAs('this')).toBe(0)
    expect(await startsAs('other')).toBeGreaterThan(0)
    expect(await startsAs(null)).toBeGreaterThan(0)
    setMantelToday('2026-11-26')
    expect(await startsAs('this')).toBeGreaterThan(0)

    setMantelToday('2026-11-25')
    const db = await openDatabase(join(folder, 'house.sqlite'))
    await db('remembered').update({ value: Buffer.from('no plan') })
    await db.destroy()
    const told = vi.spyOn(console, 'error').mockImplementation(() => undefined)
    expect(await startsAs('this')).toBeGreaterThan(0)
    expect(told).toHaveBeenCalledOnce()
    told.mockRestore()
  }, 60_000)
})
