import { type ChildProcess, spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { request } from 'node:http'
import { connect } from 'node:net'
import { networkInterfaces, tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { backupTo, checkDatabaseFile } from '#server/db/backup'
import type { BackupList, BackupView } from '#shared/contracts/backups'
import type { HouseSnapshot, SeasonSnapshot } from '#shared/contracts/house'
import { freePort, root } from '../../scripts/steps.mjs'
import { startServer, type RunningServer } from './server'

const TODAY = '2026-11-25'
const JSON_TYPE = { 'content-type': 'application/json' }
let server: RunningServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(async () => {
  await server?.stop()
})

async function call<T>(
  path: string,
  method = 'GET',
  body?: unknown,
  to = server,
): Promise<{ status: number; body: T; headers: Headers }> {
  const response = await fetch(to.address + path, {
    method,
    ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body), headers: JSON_TYPE }),
  })
  return { status: response.status, body: (await response.json()) as T, headers: response.headers }
}
const entry = (kind: string, type: string, id: string | null, data: object = {}, at = `${TODAY}T08:00:00Z`) => {
  const own = v7()
  return { id: own, at, subject: { type, id: id ?? own }, kind, data }
}
const write = (...entries: object[]) =>
  call<{ written: string[]; known: string[]; errors: { path: string }[] }>('/api/entries', 'POST', { entries })
const add = async (tag: string, speciesId: string, sex = 'female') =>
  (await call<{ id: string }>('/api/animals', 'POST', { tag, speciesId, sex, born: '2022-05-01' })).body.id

/** A request as no browser sends it: any header. Tells the status. */
function raw(
  path: string,
  { method = 'GET', headers = {}, body }: { method?: string; headers?: Record<string, string>; body?: string },
  to = server,
): Promise<{ status: number; headers: Record<string, string | string[] | undefined>; text: string }> {
  const { hostname, port } = new URL(to.address)
  return new Promise((resolve, reject) => {
    const sent = request({ hostname, port, path, method, headers }, answer => {
      let text = ''
      answer.on('data', (chunk: Buffer) => {
        text += chunk.toString()
      })
      answer.on('end', () => resolve({ status: answer.statusCode!, headers: answer.headers, text }))
    })
    sent.on('error', reject)
    sent.end(body)
  })
}

/** Starts the built server as it is, and waits until it ends. */
function startAndEnd(env: Record<string, string>): Promise<{ code: number | null; said: string }> {
  const child = spawn(process.execPath, [join(root, '.output/server/index.mjs')], {
    env: { ...process.env, NODE_ENV: 'production', MANTEL_DEMO: '', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  return endOf(child)
}

function endOf(child: ChildProcess): Promise<{ code: number | null; said: string }> {
  let said = ''
  for (const stream of [child.stdout, child.stderr])
    stream?.on('data', (chunk: Buffer) => {
      said += chunk.toString()
    })
  return new Promise(resolve => child.once('exit', code => resolve({ code, said })))
}

describe('no foreign page gets in', () => {
  it('only JSON by its very name is read: text that mentions it is not', async () => {
    const id = await add('W-1', 'corn-snake')
    const body = JSON.stringify({ entries: [entry('died', 'animal', id)] })
    for (const type of [
      'text/plain; application/json',
      'text/plain;charset=application/json',
      'application/json-seq',
      'multipart/form-data; application/json',
      '',
    ]) {
      expect(
        (await raw('/api/entries', { method: 'POST', headers: type ? { 'content-type': type } : {}, body })).status,
        type,
      ).toBe(415)
    }
    expect((await call<HouseSnapshot>('/api/house')).body.house.animals[id]!.status).toBe('alive')
    expect(
      (
        await raw('/api/entries', {
          method: 'POST',
          headers: { 'content-type': 'Application/JSON; charset=utf-8' },
          body: JSON.stringify({ entries: [entry('shed', 'animal', id)] }),
        })
      ).status,
    ).toBe(200)
  })

  it('writes of another origin are refused on every address, whatever else they bring', async () => {
    for (const [path, method] of [
      ['/api/entries', 'POST'],
      ['/api/animals', 'POST'],
      ['/api/settings', 'PUT'],
      ['/api/backups', 'POST'],
      ['/api/almanac/overrides?path=a.b', 'DELETE'],
      ['/api/access', 'POST'],
    ]) {
      for (const headers of [
        { 'origin': 'https://example.org', 'sec-fetch-site': 'cross-site' },
        { origin: 'null' },
        { 'sec-fetch-site': 'same-site' },
      ]) {
        expect(
          (
            await raw(path!, {
              method: method!,
              headers: { ...JSON_TYPE, ...(headers as Record<string, string>) },
              ...(method !== 'DELETE' && { body: '{}' }),
            })
          ).status,
          `${method} ${path}`,
        ).toBe(403)
      }
    }
  })

  it('a name that was made to point here reads nothing, pages included', async () => {
    for (const path of ['/api/house', '/api/entries?day=2026-11-25', '/round', '/animals/x'])
      expect((await raw(path, { headers: { host: 'evil.example' } })).status, path).toBe(421)
    expect((await raw('/api/health', { headers: { host: 'localhost:1' } })).status).toBe(200)
  })

  it('pages carry a policy without inline script, are framed by nobody, and do not say what made them', async () => {
    const { headers, text } = await raw('/round', {})
    const policy = String(headers['content-security-policy'])
    const scripts = /script-src ([^;]+)/.exec(policy)![1]!
    expect(scripts).toMatch(/^'self' 'nonce-[^']{16,}' 'wasm-unsafe-eval'$/)
    expect(policy).toMatch(/default-src 'none'/)
    expect(policy).toMatch(/frame-ancestors 'none'/)
    expect([
      headers['x-content-type-options'],
      headers['referrer-policy'],
      headers['x-frame-options'],
      headers['x-powered-by'],
    ]).toEqual(['nosniff', 'no-referrer', 'DENY', undefined])
    // every script of the page carries the nonce of this very answer
    const nonce = /'nonce-([^']+)'/.exec(scripts)![1]!
    const tags = [...text.matchAll(/<script[^>]*>/g)].map(m => m[0])
    expect(tags.length).toBeGreaterThan(3)
    expect(tags.filter(t => !t.includes(`nonce="${nonce}"`))).toEqual([])
    expect((await raw('/round', {})).headers['content-security-policy']).not.toBe(policy)
  })
})

describe('nothing asked is answered with a fault', () => {
  it.each(['constructor', 'toString', 'valueOf', '__proto__', '%00', 'x'.repeat(300)])(
    'ids that every object has: %s',
    async id => {
      const part = encodeURIComponent(decodeURIComponent(id))
      for (const path of [
        `/api/bench?speciesId=${part}`,
        `/api/bench/cell?damId=${part}&sireId=${part}`,
        `/api/winters/${part}/csv`,
        `/api/winters/${part}/calendar`,
        `/api/devices/${part}/weight`,
        `/api/backups/${part}`,
        `/api/entries?subjectType=animal&subjectId=${part}`,
      ]) {
        expect((await call(path)).status, path).toBeLessThan(500)
      }
      for (const [path, method, body] of [
        [`/api/places/${part}`, 'PUT', { name: 'X', kind: 'room' }],
        [`/api/clutches/${part}/tag`, 'POST', { count: 1, prefix: 'X' }],
        [`/api/devices/${part}/readings`, 'POST', { readings: [{ at: 1 }] }],
        [
          `/api/devices/${part}/calibrations`,
          'POST',
          { channel: 'temperature', method: 'ice', shown: 0.2, reference: 0 },
        ],
        ['/api/animals', 'POST', { tag: 'Q-1', speciesId: id }],
        ['/api/places', 'POST', { name: 'Q', kind: 'tub', parentId: id }],
        ['/api/devices', 'POST', { name: 'Q', kind: 'probe', placeId: id }],
        [`/api/almanac/overrides`, 'PUT', { path: `species.${id}.fertility.value`, value: 1 }],
        [`/api/almanac/overrides?path=${part}`, 'DELETE', undefined],
      ] as const) {
        const { status } = await call(path, method, body)
        expect(status, `${method} ${path}`).toBeGreaterThanOrEqual(400 - (method === 'DELETE' ? 200 : 0))
        expect(status, `${method} ${path}`).toBeLessThan(500)
      }
      expect((await call<SeasonSnapshot>('/api/season')).status).toBe(200)
    },
  )

  it('a bench with a locus of another species, an unknown look or genotype', async () => {
    const locus = entry('locusNamed', 'locus', null, {
      name: 'Amber',
      speciesId: 'corn-snake',
      alleles: [{ sign: 'a', mode: 'recessive', look: 'Amber' }],
    })
    expect((await write(locus)).status).toBe(200)
    const wish = (w: object) => encodeURIComponent(JSON.stringify([{ locusId: locus.id, ...w }]))
    expect((await call('/api/bench?speciesId=corn-snake&wish=' + wish({ look: 'Amber' }))).status).toBe(200)
    for (const [speciesId, w] of [
      ['leopard-gecko', { look: 'Amber' }],
      ['corn-snake', { look: 'Moon' }],
      ['corn-snake', { genotype: 'q/q' }],
    ] as const)
      expect((await call(`/api/bench?speciesId=${speciesId}&wish=${wish(w)}`)).status).toBe(422)
  })

  it('tags into a place that is not there, and a tagging whose young is a dam in a list', async () => {
    const [dam, sire] = [await add('D-1', 'corn-snake'), await add('D-2', 'corn-snake', 'male')]
    const pair = entry('paired', 'pairing', null, { tag: 'P-1', damId: dam, sireId: sire }, '2024-03-01T08:00:00Z')
    const laid = entry('laid', 'animal', dam, { tag: 'E-1', eggs: 6 }, '2024-05-01T08:00:00Z')
    expect(
      (await write(pair, laid, entry('hatched', 'clutch', laid.id, { count: 5 }, '2024-07-01T08:00:00Z'))).status,
    ).toBe(200)
    expect(
      (await call(`/api/clutches/${laid.id}/tag`, 'POST', { count: 1, prefix: 'Y', placeId: 'nowhere' })).status,
    ).toBe(422)
    const young = (
      await call<{ foundedBy: string }[]>(`/api/clutches/${laid.id}/tag`, 'POST', { count: 1, prefix: 'Y' })
    ).body
    expect(
      (await call('/api/animals/list', 'POST', { csv: 'tag,species,born,dam\nZ-1,corn snake,2026-06-01,Y-01' })).status,
    ).toBe(200)
    const refused = await call<{ detail: string }>('/api/entries', 'POST', {
      entries: [entry('void', 'entry', young[0]!.foundedBy)],
    })
    expect([refused.status, refused.body.detail]).toEqual([
      422,
      expect.stringMatching(/Z-1 names what this brought into being/),
    ])
  })

  it('JSON nested without end, in a body or in a reading', async () => {
    const deep = (n: number) => `${'['.repeat(n)}${']'.repeat(n)}`
    expect((await call('/api/entries', 'POST', deep(200_000))).status).toBe(400)
    const place = (await call<{ id: string }>('/api/places', 'POST', { name: 'Chest', kind: 'cold' })).body.id
    const device = (
      await call<{ id: string; token: string }>('/api/devices', 'POST', {
        name: 'Probe',
        kind: 'probe',
        placeId: place,
      })
    ).body
    const send = (body: string) =>
      raw(`/api/devices/${device.id}/readings`, {
        method: 'POST',
        headers: { ...JSON_TYPE, authorization: `Bearer ${device.token}` },
        body,
      })
    expect((await send(`{"readings":[{"at":"${TODAY}T08:00:00Z","tempC":${deep(5000)}}]}`)).status).toBe(400)
    expect((await send(`{"readings":[{"at":"${TODAY}T08:00:00Z","tempC":${deep(20)}}]}`)).status).toBe(200)
    // brackets in a text are no nesting
    expect(
      (await write(entry('noted', 'animal', await add('N-1', 'corn-snake'), { text: '['.repeat(1500) }))).status,
    ).toBe(200)
  })

  it('a day with 33,000 entries', async () => {
    const own = await startServer()
    await own.stop(true)
    const db = new Database(own.database)
    const insert = db.prepare(
      'INSERT INTO entries (id, at, day, subject_type, subject_id, kind, data, source) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
    )
    db.transaction(() => {
      for (let i = 0; i < 33_000; i++)
        insert.run(`e${i}`, `${TODAY}T08:00:00.000Z`, 20_782, 'animal', 'gone', 'shed', '{}', 'import')
    })()
    db.close()
    const again = await startServer({}, own.database)
    const { status, body } = await call<unknown[]>(`/api/entries?day=${TODAY}`, 'GET', undefined, again)
    expect([status, body.length]).toEqual([200, 33_000])
    await again.stop()
    rmSync(join(own.database, '..'), { recursive: true, force: true })
  })

  it('a database held by another program: 503 with when to try again, at once; then it goes through', async () => {
    const id = await add('H-1', 'corn-snake')
    const other = new Database(server.database)
    other.exec('BEGIN IMMEDIATE')
    const shed = entry('shed', 'animal', id)
    const held = await write(shed)
    expect([held.status, held.headers.get('retry-after')]).toEqual([503, '1'])
    expect((await call('/api/season')).status).toBe(200)
    other.exec('COMMIT')
    other.close()
    expect((await write(shed)).body.written).toEqual([shed.id])
  })

  it('others are answered while 500 entries are taken and while plans are worked out', async () => {
    const id = await add('B-1', 'fat-tailed-gecko')
    const batch = Array.from({ length: 500 }, (_, i) =>
      entry('watered', 'animal', id, {}, `2026-11-${10 + (i % 15)}T08:00:00Z`),
    )
    const order: string[] = []
    const long = Promise.all([
      write(...batch).then(() => order.push('batch')),
      call('/api/plans').then(() => order.push('plans')),
    ])
    await new Promise(resolve => setTimeout(resolve, 30))
    await call('/api/health').then(() => order.push('health'))
    await long
    expect(order.indexOf('health')).toBeLessThan(order.indexOf('batch'))
  })
})

describe('one server a database, told in words', () => {
  it('a second one says who holds it and where that listens', async () => {
    const { code, said } = await startAndEnd({ MANTEL_DB: server.database, PORT: String(await freePort(5200)) })
    expect(code).toBe(1)
    expect(said).toContain(`held by another Mantel (process ${server.pid}`)
    expect(said).toContain(server.address)
    expect(said).not.toMatch(/\n\s+at /)
  })

  it('a taken port is told, and nothing stays behind', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'mantel-port-'))
    const file = join(folder, 'house.sqlite')
    const { code, said } = await startAndEnd({ MANTEL_DB: file, PORT: new URL(server.address).port })
    expect([code, said]).toEqual([1, expect.stringMatching(/port \d+ of 127\.0\.0\.1 is taken.*PORT=\d+ npm start/)])
    // the lock is free again
    expect((await startAndEnd({ MANTEL_DB: file, HOST: '203.0.113.7', PORT: '5300' })).said).toMatch(
      /without a passphrase/,
    )
    rmSync(folder, { recursive: true, force: true })
  })

  it('a killed one leaves no lock, and what it acknowledged is there', async () => {
    const own = await startServer()
    const acknowledged: string[] = []
    const id = (
      await call<{ id: string }>(
        '/api/animals',
        'POST',
        { tag: 'K-1', speciesId: 'corn-snake', born: '2022-01-01' },
        own,
      )
    ).body.id
    for (let round = 0; round < 20; round++) {
      const shed = entry('watered', 'animal', id)
      if ((await call('/api/entries', 'POST', { entries: [shed] }, own)).status === 200) acknowledged.push(shed.id)
    }
    void call('/api/entries', 'POST', { entries: [entry('watered', 'animal', id)] }, own).catch(() => undefined)
    await own.kill()
    const again = await startServer({}, own.database)
    const timeline = (
      await call<{ id: string }[]>(`/api/entries?subjectType=animal&subjectId=${id}`, 'GET', undefined, again)
    ).body.map(e => e.id)
    expect(acknowledged.filter(a => !timeline.includes(a))).toEqual([])
    expect(acknowledged).toHaveLength(20)
    await again.stop()
    rmSync(join(own.database, '..'), { recursive: true, force: true })
  })

  it('told to stop, it ends within five seconds though a body is half sent', async () => {
    const own = await startServer()
    const { hostname, port } = new URL(own.address)
    const socket = connect(Number(port), hostname)
    socket.on('error', () => undefined)
    socket.write(
      `POST /api/entries HTTP/1.1\r\nHost: ${hostname}:${port}\r\nContent-Type: application/json\r\nContent-Length: 900\r\n\r\n{"entries"`,
    )
    await new Promise(resolve => setTimeout(resolve, 200))
    const late = new Promise<'late'>(resolve => {
      setTimeout(() => resolve('late'), 5000).unref()
    })
    expect(await Promise.race([own.stop(), late])).toBe(0)
  })
})

describe('off this machine only with the passphrase', () => {
  const lan = Object.values(networkInterfaces())
    .flatMap(list => list ?? [])
    .find(n => !n.internal && n.family === 'IPv4')?.address
  const run = (command: string, env: Record<string, string>, input = '') => {
    const child = spawn(
      'npx',
      ['tsx', '--tsconfig', 'tsconfig.tests.json', 'scripts/house.ts', ...command.split(' ')],
      { cwd: root, env: { ...process.env, ...env }, stdio: ['pipe', 'pipe', 'pipe'] },
    )
    child.stdin.end(input)
    return endOf(child)
  }

  it.skipIf(!lan)('without one it does not start; with it one comes in, and out again', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'mantel-lan-'))
    const MANTEL_DB = join(folder, 'house.sqlite')
    const refused = await startAndEnd({ MANTEL_DB, HOST: '0.0.0.0', PORT: '5310' })
    expect([refused.code, refused.said]).toEqual([
      1,
      expect.stringMatching(/without a passphrase\.\nSet one first: npm run passphrase/),
    ])
    expect((await run('passphrase', { MANTEL_DB }, 'short\n')).said).toMatch(/at least 10 characters/)
    expect((await run('passphrase', { MANTEL_DB }, 'seven geckos under a lamp\n')).said).toMatch(
      /The passphrase is set/,
    )

    const open = await startServer({ HOST: lan! }, MANTEL_DB)
    expect(new URL(open.address).hostname).toBe(lan)
    const ask = (path: string, method: string, headers: Record<string, string> = {}, body?: object) =>
      raw(
        path,
        { method, headers: { ...(body && JSON_TYPE), ...headers }, ...(body && { body: JSON.stringify(body) }) },
        open,
      )
    expect((await ask('/api/health', 'GET')).text).toBe('{"ok":true}')
    expect(JSON.parse((await ask('/api/access', 'GET')).text)).toEqual({ closed: true, entered: false })
    for (const path of [
      '/api/house',
      '/api/season',
      '/api/backups',
      '/api/nothing',
      '//api/house',
      '/api/house/',
      '/%61pi/house',
      '/api/%68ouse',
      '/%2561pi/house',
      '/./api/house',
      '/x/../api/house',
      '/API/house',
    ]) {
      const { status, text } = await ask(path, 'GET')
      // an address that is none of the API is answered with the empty page, which holds nothing of the house
      expect([401, 200, 404], path).toContain(status)
      expect(text, path).not.toMatch(/"animals"|"lanes"/)
      if (path.startsWith('/api/')) expect(status, path).toBe(401)
    }
    expect((await ask('/%61pi/entries', 'POST', {}, { entries: [] })).status).toBe(401)
    expect((await ask('/round', 'GET')).status).toBe(200)
    expect((await ask('/api/access', 'POST', {}, { passphrase: 'wrong wrong wrong' })).status).toBe(401)
    const entered = await ask('/api/access', 'POST', {}, { passphrase: 'seven geckos under a lamp' })
    const cookie = String(entered.headers['set-cookie'])
    expect([entered.status, cookie]).toEqual([200, expect.stringMatching(/HttpOnly.*SameSite=Strict/i)])
    const session = { cookie: cookie.split(';')[0]! }
    expect((await ask('/api/house', 'GET', session)).status).toBe(200)
    expect((await ask('/api/house', 'GET', { cookie: `${session.cookie}x` })).status).toBe(401)
    const out = await ask('/api/access', 'DELETE', session)
    expect(String(out.headers['set-cookie'])).toMatch(/mantel=;/)
    for (let i = 0; i < 5; i++) await ask('/api/access', 'POST', {}, { passphrase: 'wrong wrong wrong' })
    const late = await ask('/api/access', 'POST', {}, { passphrase: 'seven geckos under a lamp' })
    expect([late.status, Number(late.headers['retry-after']) > 0]).toEqual([429, true])
    await open.stop()
    rmSync(folder, { recursive: true, force: true })
  })

  it('a house is backed up, changed, and restored from the command line; a running server is told', async () => {
    const own = await startServer()
    await call('/api/animals', 'POST', { tag: 'K-1', speciesId: 'corn-snake' }, own)
    const env = { MANTEL_DB: own.database }
    const away = join(own.database, '..', 'away.sqlite')
    expect((await run(`backup ${away}`, env)).said).toMatch(/read through and whole/)
    await call('/api/animals', 'POST', { tag: 'K-2', speciesId: 'corn-snake' }, own)
    expect((await run(`restore ${away} --yes`, env)).said).toContain(`held by another Mantel (process ${own.pid}`)
    await own.stop(true)
    expect((await run(`restore ${away}`, env, 'n\n')).said).toMatch(/Nothing was changed/)
    expect((await run(`restore ${away}`, env, 'y\n')).said).toMatch(
      /Restored\. The house before it lies in .*before-restore/,
    )
    const again = await startServer({}, own.database)
    const { body } = await call<HouseSnapshot>('/api/house', 'GET', undefined, again)
    expect(Object.values(body.house.animals).map(a => a.tag)).toEqual(['K-1'])
    await again.stop()
    rmSync(join(own.database, '..'), { recursive: true, force: true })
  })
})

describe('backups over the API', () => {
  it('one made now is listed, whole, and can be taken along; another name cannot', async () => {
    const made = (await call<BackupView>('/api/backups', 'POST', {})).body
    expect((await call<BackupList>('/api/backups')).body).toMatchObject({ problem: null, backups: [made] })
    const file = await fetch(`${server.address}/api/backups/${made.name}`)
    const bytes = Buffer.from(await file.arrayBuffer())
    expect([file.headers.get('content-disposition'), bytes.length]).toEqual([
      `attachment; filename="${made.name}"`,
      made.bytes,
    ])
    expect(bytes.subarray(0, 15).toString()).toBe('SQLite format 3')
    expect((await call(`/api/backups/${encodeURIComponent('../house.sqlite')}`)).status).toBe(404)
  })

  it('the log is brought into the file when the server stops', async () => {
    const own = await startServer()
    await call('/api/animals', 'POST', { tag: 'K-1', speciesId: 'corn-snake' }, own)
    expect(readdirSync(join(own.database, '..')).some(n => n.endsWith('-wal'))).toBe(true)
    await own.stop(true)
    expect(existsSync(`${own.database}-wal`)).toBe(false)
    expect(checkDatabaseFile(own.database)).toContain('003-access')
    await backupTo(own.database, `${own.database}.copy`)
    rmSync(join(own.database, '..'), { recursive: true, force: true })
  })
})
