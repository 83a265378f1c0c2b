import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { DeviceList, TookReadings } from '#shared/contracts/devices'
import type { HouseSnapshot, SeasonSnapshot } from '#shared/contracts/house'
import type { ProblemDetails } from '#shared/contracts/problem'
import { startServer, type RunningServer } from './server'

let demo: RunningServer
let plain: RunningServer
beforeAll(async () => {
  ;[demo, plain] = await Promise.all([startServer({ MANTEL_DEMO: '1' }), startServer()])
})
afterAll(async () => {
  await Promise.all([demo?.stop(), plain?.stop()])
})

async function call<T>(
  server: RunningServer,
  path: string,
  method = 'GET',
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<{ status: number; body: T }> {
  const response = await fetch(server.address + path, {
    method,
    ...(body !== undefined && { body: JSON.stringify(body) }),
    headers: { ...(body !== undefined && { 'content-type': 'application/json' }), ...headers },
  })
  return { status: response.status, body: (await response.json()) as T }
}
const winter = async (server = demo) => (await call<SeasonSnapshot>(server, '/api/season')).body.season
const house = async (server = demo) => (await call<HouseSnapshot>(server, '/api/house')).body.house
const write = (server: RunningServer, kind: string, subject: { type: string; id: string }, data: object, id = v7()) =>
  call<ProblemDetails>(server, '/api/entries', 'POST', {
    entries: [{ id, at: '2026-11-25T09:00:00Z', subject, kind, data }],
  })

describe('a real gateway', () => {
  let device = { id: '', token: '' }
  let placeId = ''
  const send = (readings: unknown[], token = device.token, id = device.id) =>
    call<TookReadings & ProblemDetails>(
      plain,
      `/api/devices/${id}/readings`,
      'POST',
      { readings },
      { authorization: `Bearer ${token}` },
    )

  it('gets an address and a token once; the list tells no token', async () => {
    placeId = (
      await call<{ id: string }>(plain, '/api/places', 'POST', { name: 'Chest', kind: 'cold', tempC: 12, capacity: 4 })
    ).body.id
    device = (
      await call<{ id: string; token: string }>(plain, '/api/devices', 'POST', {
        name: 'Probe',
        kind: 'probe',
        placeId,
      })
    ).body
    expect(device.token.length).toBeGreaterThan(24)
    const listed = await fetch(`${plain.address}/api/devices`).then(r => r.text())
    expect(listed).toContain('"Probe"')
    expect(listed).not.toContain(device.token)
  })

  it('sends readings; nonsense is set aside and said, the rest is taken', async () => {
    const took = await send([
      { at: '2026-11-25T10:00:00Z', tempC: 11.8 },
      { at: '2026-11-25T10:01:00Z', tempC: null },
      { at: '2030-01-01T00:00:00Z', tempC: 12 },
      { at: '2026-11-25T10:00:00Z', tempC: 11.8 },
    ])
    expect(took.status).toBe(200)
    expect(took.body).toMatchObject({ taken: 1, known: 1, setAside: [{ index: 1 }, { index: 2 }] })
    expect((await call<DeviceList>(plain, '/api/devices')).body.devices[0]).toMatchObject({
      setAside: 2,
      latest: [{ channel: 'temperature', value: 11.8 }],
    })
    expect((await winter(plain)).winter.places).toMatchObject([{ placeId, capacity: 4 }])
  })

  it('is refused with a wrong token, as an unknown device is, and with too much at once', async () => {
    expect((await send([{ at: '2026-11-25T10:05:00Z', tempC: 12 }], 'wrong')).status).toBe(401)
    expect((await send([{ at: '2026-11-25T10:05:00Z', tempC: 12 }], device.token, 'nobody')).status).toBe(401)
    expect((await send([])).status).toBe(422)
    expect((await send(new Array(5001).fill({ at: '2026-11-25T10:05:00Z', tempC: 12 }))).status).toBe(422)
  })

  it('time passes by itself, and only a demonstration may push it', async () => {
    expect((await call(plain, '/api/time', 'POST', { hours: 5 })).status).toBe(409)
    expect((await call(plain, `/api/devices/${device.id}/faults`, 'POST', { fault: 'battery', on: true })).status).toBe(
      409,
    )
  })
})

describe('the winter of the demo', () => {
  it('tells the two in trouble, harm first', async () => {
    const { winter: w } = await winter()
    expect(w.cold.slice(0, 2).map(c => [c.tag, c.verdict.value.action])).toEqual([
      ['M-09', 'takeOut'],
      ['K-02', 'offerWater'],
    ])
    expect(w.cold[0]!.verdict.reasons.length).toBeGreaterThan(3)
  })

  it('does not send the readings of every hour to the interface', async () => {
    expect((await house()).climate).toEqual({})
  })

  it('questions an impossible weight, writes nothing, and writes it when one is sure', async () => {
    const animal = Object.values((await house()).animals).find(a => a.tag === 'M-01')!
    const before = animal.weights.length
    const asked = await write(demo, 'weighed', { type: 'animal', id: animal.id }, { massG: 640 })
    expect(asked.status).toBe(422)
    expect(asked.body.errors![0]).toMatchObject({
      path: 'data.sure',
      message: expect.stringMatching(/Was the tub weighed/),
    })
    expect((await house()).animals[animal.id]!.weights).toHaveLength(before)
    const id = v7()
    expect(
      (await write(demo, 'weighed', { type: 'animal', id: animal.id }, { massG: 640, sure: true }, id)).status,
    ).toBe(200)
    expect((await write(demo, 'void', { type: 'entry', id }, {})).status).toBe(200)
    expect((await house()).animals[animal.id]!.weights).toHaveLength(before)
  })

  it('changes a programme, and the waking, the season and the exports follow', async () => {
    const group = (await winter()).winter.groups.find(g => g.tag === 'W-1')!
    const dam = Object.values((await house()).animals).find(a => a.tag === 'K-02')!
    const ready = async () =>
      (await winter()).lanes.find(l => l.title.startsWith('K-02'))!.events.find(e => e.event === 'ready')!.dist.start
    const before = await ready()
    expect(
      (await write(demo, 'winterChanged', { type: 'winter', id: group.groupId }, { ways: { holdDays: 100 } })).status,
    ).toBe(200)
    const after = (await winter()).winter
    expect(after.groups.find(g => g.tag === 'W-1')!.programme.wakeDay).toBe(group.programme.coolDay + 100)
    expect(after.cold.find(c => c.animalId === dam.id)!.wakeDay).toBe(group.programme.coolDay + 100)
    expect(await ready()).toBeGreaterThan(before + 10)
    const csv = await fetch(`${demo.address}/api/winters/${group.groupId}/csv`)
    expect(csv.headers.get('content-type')).toMatch(/text\/csv/)
    expect((await csv.text()).split('\r\n')[0]).toBe('time,setpoint_c,light_hours')
    const calendar = await fetch(`${demo.address}/api/winters/${group.groupId}/calendar`)
    expect(await calendar.text()).toMatch(/^BEGIN:VCALENDAR/)
    expect((await call(demo, '/api/winters/nothing/csv')).status).toBe(404)
    expect(
      (await write(demo, 'winterChanged', { type: 'winter', id: group.groupId }, { ways: { holdC: 55 } })).body
        .errors![0]!.message,
    ).toMatch(/check the unit/)
  })

  it('a scale settles on an animal', async () => {
    const { devices } = (await call<DeviceList>(demo, '/api/devices')).body
    const scale = devices.find(d => d.kind === 'scale')!
    const animal = Object.values((await house()).animals).find(a => a.tag === 'M-02')!
    await call(demo, `/api/devices/${scale.id}/load`, 'POST', { animalId: animal.id })
    let shown = { massG: 0, stable: false }
    for (let i = 0; i < 40 && !shown.stable; i++) {
      await new Promise(resolve => setTimeout(resolve, 100))
      shown = (await call<typeof shown>(demo, `/api/devices/${scale.id}/weight`)).body
    }
    expect(shown.stable).toBe(true)
    expect(Math.abs(shown.massG / animal.weights.at(-1)!.massG - 1)).toBeLessThan(0.02)
  })

  it('a failing compressor and a dead battery raise their alarms as time passes, with whom they endanger', async () => {
    const { devices } = (await call<DeviceList>(demo, '/api/devices')).body
    const [chest, fridge] = ['Chest probe', 'Fridge probe'].map(n => devices.find(d => d.name === n)!)
    await call(demo, `/api/devices/${chest!.id}/faults`, 'POST', { fault: 'battery', on: true })
    await call(demo, `/api/devices/${fridge!.id}/faults`, 'POST', { fault: 'compressor', on: true })
    expect((await call(demo, '/api/time', 'POST', { hours: 9 })).status).toBe(200)
    const alarms = (await winter()).alarms.filter(a => a.id.startsWith('climate:'))
    expect(alarms.map(a => a.id.split(':')[1]).sort()).toEqual(['silent', 'tooWarm'])
    expect(alarms.find(a => a.id.includes('silent'))!.text).toMatch(
      /^Cold chest sends no reading since \d+ hours.*K-02/,
    )
    expect(alarms.find(a => a.id.includes('tooWarm'))!.text).toMatch(/T-02, T-03/)
    await call(demo, `/api/devices/${chest!.id}/faults`, 'POST', { fault: 'battery', on: false })
    await call(demo, `/api/devices/${fridge!.id}/faults`, 'POST', { fault: 'compressor', on: false })
    await call(demo, '/api/time', 'POST', { hours: 12 })
    expect((await winter()).alarms.filter(a => a.id.startsWith('climate:'))).toEqual([])
  })
})
