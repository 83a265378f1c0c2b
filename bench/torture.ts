// Kills the server during writes, and asks it anything: what is acknowledged must stand, and nothing accepted may
// break it.
// Not part of `npm test`: npm run torture [rounds] [requests]. Sends to this machine only, and ends by itself.
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { v7 } from 'uuid'
import { shippedAlmanac } from '#core/almanac'
import { PLACE_KINDS, type House } from '#core/subjects'
import { dayFromIso } from '#core/units'
import type { HouseSnapshot, PlansSnapshot, SeasonSnapshot } from '#shared/contracts/house'
import { build, install } from '../scripts/steps.mjs'
import { startServer, type RunningServer } from '../tests/api/server'
import { Fuzz, randomFrom } from '../tests/fixtures/fuzz'

const [rounds = 200, requests = 50_000] = process.argv.slice(2).map(Number)
const TODAY = '2026-11-25'
const LONGEST_MS = 2000
const REQUESTS_A_HOUSE = 5000
const LOOK_EVERY = 40

interface Answer {
  status: number
  body: unknown
  ms: number
}

async function call(
  server: RunningServer,
  path: string,
  method = 'GET',
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<Answer> {
  const since = performance.now()
  const response = await fetch(server.address + path, {
    method,
    headers: { ...(body !== undefined && { 'content-type': 'application/json' }), ...headers },
    ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
  })
  const text = await response.text()
  let parsed: unknown = text
  try {
    parsed = JSON.parse(text)
  } catch {
    /* calendars and tables are no JSON */
  }
  return { status: response.status, body: parsed, ms: performance.now() - since }
}

const faults: string[] = []
const fault = (what: string) => {
  faults.push(what)
  console.log(`FAULT ${what.slice(0, 1500)}`)
}
const snapshotOf = async (server: RunningServer) => (await call(server, '/api/house')).body as HouseSnapshot

async function furnish(server: RunningServer): Promise<void> {
  const places: string[] = []
  for (const [i, kind] of PLACE_KINDS.entries())
    places.push(
      (
        (await call(server, '/api/places', 'POST', { name: `P${i}`, kind, order: i, tempC: [null, 24, 28, 12][i % 4] }))
          .body as { id: string }
      ).id,
    )
  const species = Object.keys(shippedAlmanac.species)
  for (const [i, speciesId] of [...species, ...species].entries())
    await call(server, '/api/animals', 'POST', {
      tag: `A-${i}`,
      speciesId,
      sex: i < species.length ? 'female' : 'male',
      born: `202${i % 4}-05-01`,
      placeId: places[i % places.length],
    })
}

const watered = (id: string, animalId: string) => ({
  id,
  at: `${TODAY}T08:00:00Z`,
  subject: { type: 'animal', id: animalId },
  kind: 'watered',
  data: {},
})

/**
 * Batches of three are written as quickly as they are answered, until the server is killed; then all acknowledged must
 * be there, and no batch by halves.
 */
async function killing(): Promise<void> {
  let server = await startServer()
  const { database } = server
  const animalId = (
    (await call(server, '/api/animals', 'POST', { tag: 'K-1', speciesId: 'corn-snake', born: '2022-01-01' })).body as {
      id: string
    }
  ).id
  const acknowledged: string[][] = []
  const sent: string[][] = []
  for (let round = 0; round < rounds; round++) {
    let running = true
    const writers = Array.from({ length: 4 }, async () => {
      while (running) {
        const batch = [v7(), v7(), v7()]
        sent.push(batch)
        const answer = await call(server, '/api/entries', 'POST', {
          entries: batch.map(id => watered(id, animalId)),
        }).catch(() => null)
        if (answer?.status === 200) acknowledged.push(batch)
        else if (answer) fault(`a write was answered ${answer.status} in round ${round}`)
        else return
      }
    })
    await new Promise(resolve => setTimeout(resolve, 40 + Math.random() * 400))
    running = round % 3 !== 0 && running
    await server.kill()
    running = false
    await Promise.all(writers)
    server = await startServer({}, database)
    if (round % 10 === 9)
      console.log(`round ${round + 1}: ${acknowledged.length * 3} acknowledged of ${sent.length * 3} sent`)
  }
  await server.stop()
  const { default: Database } = await import('better-sqlite3')
  const db = new Database(database, { readonly: true })
  const stored = new Set((db.prepare('SELECT id FROM entries').all() as { id: string }[]).map(r => r.id))
  const integrity = db.pragma('integrity_check')
  db.close()
  const lost = acknowledged.flat().filter(id => !stored.has(id)).length
  const half = sent.filter(b => b.some(id => stored.has(id)) && !b.every(id => stored.has(id))).length
  if (lost || half || JSON.stringify(integrity) !== '[{"integrity_check":"ok"}]')
    fault(`${lost} lost, ${half} half, ${JSON.stringify(integrity)}`)
  console.log(
    `${rounds} kills during writes: ${acknowledged.length * 3} entries acknowledged, ${lost} lost, ${half} batches by halves`,
  )
  rmSync(join(database, '..'), { recursive: true, force: true })
}

/** Requests of every sort, mostly writes. */
function anyRequest(
  fuzz: Fuzz,
  house: House,
  snapshot: HouseSnapshot,
  known: string[],
): { path: string; method: string; body?: unknown } {
  const id = encodeURIComponent(fuzz.idOf(fuzz.pick(['animal', 'place', 'species', 'feeder', 'locus']), house))
  const sort = fuzz.random()
  if (sort < 0.74) {
    const entries = Array.from({ length: fuzz.chance(0.1) ? fuzz.int(2, 6) : 1 }, () => fuzz.entry(house, known))
    known.push(...entries.map(e => e.id).slice(0, 1))
    if (known.length > 400) known.shift()
    return { path: '/api/entries', method: 'POST', body: { entries } }
  }
  if (sort < 0.78)
    return {
      path: '/api/settings',
      method: 'PUT',
      body: { ...(fuzz.settings(house, snapshot.settings) as object), version: snapshot.settingsVersion },
    }
  if (sort < 0.81) return { path: '/api/almanac/overrides', method: 'PUT', body: fuzz.override() }
  if (sort < 0.82)
    return { path: `/api/almanac/overrides?path=${encodeURIComponent(fuzz.override().path)}`, method: 'DELETE' }
  if (sort < 0.85)
    return {
      path: '/api/animals',
      method: 'POST',
      body: {
        tag: `B-${fuzz.int(1, 1e6)}`,
        speciesId: decodeURIComponent(encodeURIComponent(fuzz.idOf('species', house))),
        sex: fuzz.pick(['female', 'male', 'unknown', 'both']),
        born: fuzz.pick([null, '2021-04-01', '0021-04-01', '2926-01-01']),
        placeId: fuzz.idOf('place', house),
      },
    }
  if (sort < 0.87)
    return {
      path: fuzz.chance(0.5) ? '/api/places' : `/api/places/${id}`,
      method: fuzz.chance(0.5) ? 'POST' : 'PUT',
      body: {
        name: fuzz.pick(['Shelf', 'A\nB', '']),
        kind: fuzz.pick(PLACE_KINDS),
        parentId: fuzz.chance(0.5) ? null : fuzz.idOf('place', house),
        tempC: fuzz.pick([null, 24, 82, 1e9]),
      },
    }
  if (sort < 0.89)
    return {
      path: `/api/clutches/${encodeURIComponent(fuzz.pick([...Object.keys(house.clutches), 'constructor']))}/tag`,
      method: 'POST',
      body: {
        count: fuzz.int(0, 4),
        prefix: `Y${fuzz.int(1, 999)}`,
        placeId: fuzz.chance(0.5) ? null : fuzz.idOf('place', house),
      },
    }
  if (sort < 0.9)
    return {
      path: '/api/animals/list',
      method: 'POST',
      body: {
        csv: `tag,species,born,dam\nL-${fuzz.int(1, 1e6)},${fuzz.pick(['corn snake', 'constructor', 'unicorn'])},2025-05-01,${fuzz.pick(['', 'A-0', '__proto__'])}`,
      },
    }
  if (sort < 0.93)
    return {
      path: `/api/bench?speciesId=${id}&wish=${encodeURIComponent(JSON.stringify([{ locusId: fuzz.idOf('locus', house), look: 'Amber' }]))}`,
      method: 'GET',
    }
  if (sort < 0.95)
    return {
      path: `/api/bench/cell?damId=${id}&sireId=${encodeURIComponent(fuzz.idOf('animal', house))}`,
      method: 'GET',
    }
  if (sort < 0.97)
    return {
      path: fuzz.pick([
        `/api/entries?day=${fuzz.pick(['2026-11-25', '0026-01-01', 'today'])}`,
        `/api/entries?subjectType=animal&subjectId=${id}`,
        `/api/winters/${id}/csv`,
        `/api/winters/${encodeURIComponent(fuzz.pick([...Object.keys(house.winters), 'x']))}/calendar`,
        '/api/devices',
        `/api/devices/${id}/weight`,
        '/api/backups',
        `/api/backups/${id}`,
      ]),
      method: 'GET',
    }
  return {
    path: fuzz.pick([
      '/api/entries',
      '/api/settings',
      '/api/devices',
      '/api/time',
      '/api/access',
      `/api/devices/${id}/readings`,
      '/api/nothing',
    ]),
    method: fuzz.pick(['POST', 'PUT', 'DELETE', 'PATCH']),
    body: fuzz.pick([
      '',
      '{',
      '[]',
      'null',
      '"x"',
      '['.repeat(9000),
      '{"__proto__":{"x":1}}',
      `{"entries":[${'{},'.repeat(700)}{}]}`,
    ]),
  }
}

/** Asks anything of one house, and looks now and then whether it still answers as a house does. */
async function asking(seed: number, count: number, tally: Map<number, number>): Promise<number> {
  let server = await startServer()
  const fuzz = new Fuzz(randomFrom(seed), dayFromIso(TODAY), v7)
  await furnish(server)
  let snapshot = await snapshotOf(server)
  const known: string[] = []
  let slowest = 0
  for (let n = 0; n < count; n++) {
    const { path, method, body } = anyRequest(fuzz, snapshot.house, snapshot, known)
    const answer = await call(server, path, method, body)
    tally.set(answer.status, (tally.get(answer.status) ?? 0) + 1)
    slowest = Math.max(slowest, answer.ms)
    const told = `${method} ${path} ${JSON.stringify(body) ?? ''}`
    if (answer.status >= 500) fault(`house ${seed}, request ${n}: ${answer.status} to ${told}`)
    if (answer.ms > LONGEST_MS) fault(`house ${seed}, request ${n}: ${Math.round(answer.ms)} ms for ${told}`)
    if (n % LOOK_EVERY) continue
    snapshot = await snapshotOf(server)
    const [season, plans] = [await call(server, '/api/season'), await call(server, '/api/plans')]
    slowest = Math.max(slowest, season.ms, plans.ms)
    const broken =
      season.status === 200 && plans.status === 200
        ? [
            ...(season.body as SeasonSnapshot).season.alarms.filter(a => a.broken),
            ...(plans.body as PlansSnapshot).alarms,
          ]
        : []
    if (season.status !== 200 || plans.status !== 200 || broken.length)
      fault(
        `house ${seed}, by request ${n}: season ${season.status}, plans ${plans.status}, ${JSON.stringify(broken)}; last ${told}`,
      )
    if (season.ms > LONGEST_MS || plans.ms > LONGEST_MS)
      fault(`house ${seed}, by request ${n}: season ${Math.round(season.ms)} ms, plans ${Math.round(plans.ms)} ms`)
  }
  // and the next start takes it as it is
  const { database } = server
  const before = JSON.stringify((await snapshotOf(server)).house)
  await server.stop(true)
  server = await startServer({}, database)
  const after = await snapshotOf(server)
  const sorted = (house: object) =>
    JSON.stringify(house, (_, v: unknown) =>
      v && typeof v === 'object' && !Array.isArray(v) ? Object.fromEntries(Object.entries(v).sort()) : v,
    )
  if (sorted(JSON.parse(before) as object) !== sorted(after.house))
    fault(`house ${seed}: another house after the next start`)
  await server.stop()
  rmSync(join(database, '..'), { recursive: true, force: true })
  return slowest
}

install()
build()
if (rounds) await killing()
const tally = new Map<number, number>()
let slowest = 0
for (let done = 0, seed = 1; done < requests; done += REQUESTS_A_HOUSE, seed++) {
  slowest = Math.max(slowest, await asking(seed, Math.min(REQUESTS_A_HOUSE, requests - done), tally))
  console.log(
    `${Math.min(done + REQUESTS_A_HOUSE, requests)} requests: ${[...tally]
      .sort((a, b) => a[0] - b[0])
      .map(([status, n]) => `${n} × ${status}`)
      .join(', ')}; slowest ${Math.round(slowest)} ms`,
  )
}
console.log(
  faults.length
    ? `\n${faults.length} faults`
    : '\nNo fault: nothing acknowledged was lost, nothing accepted broke the house.',
)
process.exit(faults.length ? 1 : 0)
