import type { Knex } from 'knex'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { openDatabase } from '../db/open'
import { ProblemError } from '../utils/problem'
import { Access, setPassphrase } from './access'

let db: Knex
beforeEach(async () => {
  db = await openDatabase(':memory:')
})
afterEach(async () => {
  await db.destroy()
})

const PHRASE = 'seven geckos under a warm lamp'
const status = (work: Promise<unknown>) =>
  work.then(
    () => 200,
    (e: unknown) => (e as ProblemError).problem.status,
  )

describe('the passphrase', () => {
  it('is kept as a scrypt hash only', async () => {
    await setPassphrase(db, PHRASE)
    const rows = await db<{ key: string; value: string }>('access')
    expect(rows.find(r => r.key === 'passphrase')!.value).toMatch(/^\$scrypt\$n=\d+,r=\d+,p=\d+\$/)
    expect(JSON.stringify(rows)).not.toContain('gecko')
  })

  it('lets in who knows it, and nobody else', async () => {
    await setPassphrase(db, PHRASE)
    const access = await Access.open(db)
    expect(await status(access.enter(PHRASE, 'a'))).toBe(200)
    expect(await status(access.enter(`${PHRASE} `, 'a'))).toBe(401)
    expect(await status((await Access.open(await openDatabase(':memory:'))).enter('', 'a'))).toBe(401)
  })

  it('after five wrong tries an address waits, also with the right one; others do not', async () => {
    await setPassphrase(db, PHRASE)
    const access = await Access.open(db)
    for (let i = 0; i < 5; i++) expect(await status(access.enter('wrong', 'a'))).toBe(401)
    const error = await access.enter(PHRASE, 'a').then(
      () => null,
      (e: unknown) => e as ProblemError,
    )
    expect(error!.problem.status).toBe(429)
    expect(Number(error!.headers['retry-after'])).toBeGreaterThan(200)
    expect(await status(access.enter(PHRASE, 'b'))).toBe(200)
  })

  it('set anew, ends every session', async () => {
    await setPassphrase(db, PHRASE)
    const before = (await Access.open(db)).sessionSecret
    await setPassphrase(db, `${PHRASE}, again`)
    const after = await Access.open(db)
    expect(after.sessionSecret).not.toBe(before)
    expect(await status(after.enter(PHRASE, 'a'))).toBe(401)
  })

  it('is no short word', async () => {
    await expect(setPassphrase(db, 'snake')).rejects.toThrow(ProblemError)
    expect((await Access.open(db)).hasPassphrase).toBe(false)
  })
})
