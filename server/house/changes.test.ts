import { isDeepStrictEqual } from 'node:util'
import { v7 } from 'uuid'
import { describe, expect, it } from 'vitest'
import { Entry } from '#core/subjects'
import type { Changes } from '#shared/contracts/changes'
import { patched } from '#shared/delta'
import { Fuzz, randomFrom } from '../../tests/fixtures/fuzz'
import { DEMO_DAY, onDemoHouse } from '../../tests/fixtures/demoKeeper'
import { setMantelToday } from '../../tests/fixtures/today'
import { ProblemError } from '../utils/problem'

const house = onDemoHouse()

const idOf = (tag: string) => Object.values(house().house.animals).find(a => a.tag === tag)!.id
const write = (kind: string, tag: string, data: Record<string, unknown>) =>
  house().writer.write([
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
    const fuzz = new Fuzz(randomFrom(11), DEMO_DAY, v7)
    const first = overTheWire(await house().changes.since(undefined))
    let { token } = first
    let shown = taken(null, first)
    let [accepted, deltas, compared] = [0, 0, 0]
    for (let n = 0; n < 300 && accepted < 40; n++) {
      const entry = Entry.safeParse(JSON.parse(JSON.stringify(fuzz.entry(house().queries.snapshot().house, []))))
      if (!entry.success) continue
      try {
        await house().writer.write([entry.data])
        accepted++
      } catch (error) {
        if (!(error instanceof ProblemError)) throw error
        continue
      }
      // some windows look seldom
      if (accepted % 3 === 1) continue
      const changes = await house().changes.since(token)
      if ('delta' in changes) deltas++
      shown = taken(shown, overTheWire(changes))
      token = changes.token
      const all = overTheWire(await house().changes.since(undefined))
      // told by `expect` only where it is not so: that takes long over a whole house
      const wanted = taken(null, all)
      if (!isDeepStrictEqual(shown, wanted)) expect(shown).toEqual(wanted)
      const snapshot = overTheWire(house().queries.snapshot())
      if (!isDeepStrictEqual(shown.house, snapshot)) expect(shown.house).toEqual(snapshot)
      compared++
    }
    expect(accepted).toBe(40)
    expect(deltas).toBeGreaterThan(20)
    expect(compared).toBeGreaterThan(20)
  }, 120_000)

  it('a tap moves a few kilobytes of the house, and of the plans', async () => {
    const { token } = await house().changes.since(undefined)
    const { token: plansToken } = await house().changes.plansSince(undefined)
    await write('weighed', 'K-01', { massG: 560, sure: true })
    const changes = await house().changes.since(token)
    const plans = await house().changes.plansSince(plansToken)
    expect(bytes(changes) + bytes(plans)).toBeLessThan(40_000)
    expect(changes).toMatchObject({ from: token })
    const animals = (changes as unknown as { delta: { house: { house: { animals: object } } } }).delta.house.house
      .animals
    expect(Object.keys(animals)).toEqual([idOf('K-01')])
  })

  it('nothing has changed when nothing was written; another day, and a state of another start, are told', async () => {
    const { token } = await house().changes.since(undefined)
    expect(await house().changes.since(token)).toEqual({ token, from: token, delta: undefined })
    expect(await house().changes.since('of before.1.20782')).toHaveProperty('whole')
    setMantelToday('2026-11-26')
    const next = await house().changes.since(token)
    expect(next.token).not.toBe(token)
    expect(next).toHaveProperty('delta.house.today')
  })

  it('who listens hears of each change, until they no longer do', async () => {
    // what devices sent is taken over before
    expect(house().changes.token).toBe(house().changes.token)
    const heard: string[] = []
    const stop = house().session.onChange(() => heard.push(house().changes.token))
    await write('shed', 'K-01', {})
    await write('shed', 'K-02', {})
    stop()
    await write('shed', 'K-03', {})
    expect(new Set(heard).size).toBe(2)
  })
})
