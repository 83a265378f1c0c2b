import type { Knex } from 'knex'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { setMantelToday } from '../../tests/fixtures/today'
import { houseNow } from '../house/clock'
import { HouseKeeper } from '../house/houseKeeper'
import { openDatabase } from '../db/open'
import type { ProblemError } from '../utils/problem'
import { Climate } from './climate'
import { DeviceKeeper } from './deviceKeeper'
import { ColdChest, chestDefaults, incubatorDefaults, nextTempC } from './simulated/coldChest'
import { SettlingScale } from './simulated/scale'
import { Vivarium, vivariumOptions } from './simulated/vivarium'
import { sortReadings } from './sortReadings'

const MINUTE = 60_000
const HOUR = 60 * MINUTE
const now = Date.parse('2026-11-25T12:00:00Z')
const iso = (ms: number) => new Date(ms).toISOString()

describe('readings are taken, known, or set aside; none is lost', () => {
  const sort = (readings: { at?: unknown; tempC?: unknown }[], stored = new Map<number, number>()) =>
    sortReadings(readings, { temperature: stored }, now)

  it.each([
    ['no instant', { at: 'yesterday', tempC: 12 }, /No instant/],
    ['no offset', { at: '2026-11-25T11:00:00', tempC: 12 }, /No instant/],
    ['an instant missing', { tempC: 12 }, /No instant/],
    ['a clock that jumped ahead', { at: iso(now + 3 * HOUR), tempC: 12 }, /future/],
    ['a clock that fell back to 1970', { at: '1970-01-01T00:00:10Z', tempC: 12 }, /jumped/],
    ['no number', { at: iso(now), tempC: null }, /not a number/],
    ['NaN', { at: iso(now), tempC: Number.NaN }, /not a number/],
    ['text', { at: iso(now), tempC: '12' }, /not a number/],
    ['a broken sensor', { at: iso(now), tempC: -127 }, /not believable/],
  ])('%s', (_, reading, reason) => {
    const { fresh, setAside } = sort([reading, { at: iso(now - MINUTE), tempC: 12 }])
    expect(fresh).toEqual([{ channel: 'temperature', at: now - MINUTE, value: 12 }])
    expect(setAside).toHaveLength(1)
    expect(setAside[0]!.reason).toMatch(reason)
  })

  it('the same again is known; another value for the same instant is set aside', () => {
    const { fresh, known, setAside } = sort(
      [
        { at: iso(now), tempC: 12 },
        { at: iso(now), tempC: 12 },
        { at: iso(now), tempC: 13 },
        { at: iso(now - HOUR), tempC: 11 },
      ],
      new Map([[now - HOUR, 11]]),
    )
    expect([fresh.length, known, setAside.map(s => s.index)]).toEqual([1, 2, [2]])
  })

  it('order does not matter, and a few minutes ahead are forgiven', () => {
    expect(
      sort([
        { at: iso(now + 5 * MINUTE), tempC: 12 },
        { at: iso(now - 20 * HOUR), tempC: 12 },
        { at: iso(now - 40 * HOUR), tempC: 12 },
      ]).fresh,
    ).toHaveLength(3)
  })
})

describe('the climate in memory', () => {
  it('joins probes of one place, leaves gaps as NaN, and shows silence at the end', () => {
    const climate = new Climate()
    const by = (deviceNo: number) => ({ placeId: 'chest', deviceNo, channel: 'temperature', zone: 'air' }) as const
    climate.add(by(1), 100, { n: 60, sum: 720, min: 11.8, max: 12.3 })
    climate.add(by(2), 100, { n: 60, sum: 840, min: 13.8, max: 14.3 })
    climate.add(by(1), 103, { n: 10, sum: 120, min: 12, max: 12 })
    const log = climate.upTo(105).chest!['temperature:air']!
    expect(log.from).toBe(100)
    expect([...(log.mean as Float64Array)]).toEqual([13, Number.NaN, Number.NaN, 12, Number.NaN])
    expect([log.min[0], log.max[0]]).toEqual([11.8, 14.3])
    expect(climate.upTo(105)).toBe(climate.upTo(105))
    expect(climate.upTo(106).chest!['temperature:air']!.mean).toHaveLength(6)
  })
})

describe('an instrument that is off', () => {
  const at = { placeId: 'chest', deviceNo: 1, channel: 'temperature', zone: 'air' } as const
  const tenAt = (v: number) => ({ n: 10, sum: 10 * v, min: v - 0.5, max: v + 0.5 })

  it('is read as it is in truth from its calibration on, and as it was before', () => {
    const climate = new Climate()
    for (const hour of [100, 101, 102, 103]) climate.add(at, hour, tenAt(12))
    expect(climate.upTo(103).chest!['temperature:air']!.mean[3]).toBe(12)
    climate.correct(1, 'temperature', { at: 102 * HOUR, offset: 0.8 })
    const log = climate.upTo(103).chest!['temperature:air']!
    expect([...(log.mean as Float64Array)]).toEqual([12, 12, 12.8, 12.8])
    expect([log.min[3], log.max[3]]).toEqual([12.3, 13.3])
    // a later one stands in its place, and another instrument is left alone
    climate.correct(1, 'temperature', { at: 103 * HOUR, offset: -1 })
    climate.add({ ...at, deviceNo: 2 }, 103, tenAt(13))
    const both = climate.upTo(103).chest!['temperature:air']!
    expect([...(both.mean as Float64Array)]).toEqual([12, 12, 12.8, (11 + 13) / 2])
    expect(both.apart![1]![3]).toBe(11)
  })
})

describe('the simulated cold chest', () => {
  it('follows the closed form of first-order cooling: T = room + (T0 − room) · exp(−t / tau)', () => {
    // by hand: 12 °C in a room of 20 °C, tau 6 h: after 6 h 20 − 8/e = 17.057, after 12 h 20 − 8/e² = 18.917
    expect(nextTempC(12, 20, 6, 6)).toBeCloseTo(17.057, 3)
    expect(nextTempC(12, 20, 12, 6)).toBeCloseTo(18.917, 3)
    // minute by minute is the same as in one step
    let stepped = 12
    for (let i = 0; i < 720; i++) stepped = nextTempC(stepped, 20, 1 / 60, 6)
    expect(stepped).toBeCloseTo(18.917, 3)
  })

  const read = (seed: number, hours: number, more: (chest: ColdChest) => void = () => undefined, setC = 12) => {
    const chest = new ColdChest(
      { ...chestDefaults, seed, startC: 12 },
      () => setC,
      () => 18,
    )
    more(chest)
    const temps: number[] = []
    chest.run(0, hours * HOUR, (_, { temperature }) => temps.push(temperature!))
    return temps
  }

  it('the same seed gives the same readings, another gives others', () => {
    expect(read(1, 5)).toEqual(read(1, 5))
    expect(read(1, 5)).not.toEqual(read(2, 5))
  })

  it('holds its setpoint, and follows a lower one', () => {
    const held = read(3, 48)
    expect(held).toHaveLength(48 * 60)
    expect(Math.min(...held)).toBeGreaterThan(10.8)
    expect(held.reduce((a, b) => a + b) / held.length).toBeCloseTo(12, 0)
    expect(
      read(3, 24, undefined, 6)
        .slice(-300)
        .every(t => t > 4.5 && t < 7.5),
    ).toBe(true)
  })

  it('drifts to the room with a failing compressor, says nothing with a dead battery, and warms quickly with the lid open', () => {
    const failing = read(4, 24, c => c.faults.add('compressor'))
    expect(failing.at(-1)).toBeGreaterThan(17)
    expect(read(4, 24, c => c.faults.add('battery'))).toEqual([])
    expect(read(4, 2, c => c.faults.add('door')).at(-1)!).toBeGreaterThan(
      read(4, 2, c => c.faults.add('compressor')).at(-1)!,
    )
  })
})

describe('the simulated vivarium', () => {
  const run = (fault?: 'lamp' | 'mister' | 'battery') => {
    const tank = new Vivarium(vivariumOptions('spot', { lightC: 40, nightC: 18, humidity: 70 }, 5))
    if (fault) tank.faults.add(fault)
    const reads: { clock: number; t: number; rh: number }[] = []
    tank.run(0, 72 * HOUR, (ms, { temperature, humidity }) =>
      reads.push({ clock: (ms / HOUR) % 24, t: temperature!, rh: humidity! }),
    )
    return reads
  }
  const means = (reads: { clock: number; t: number; rh: number }[], from: number, to: number, of: 't' | 'rh') => {
    const among = reads.filter(r => r.clock >= from && r.clock < to).map(r => r[of])
    return among.reduce((a, b) => a + b, 0) / among.length
  }

  it('is warm under its lamp by day, cool by night, and as damp as it is misted', () => {
    const reads = run()
    expect(means(reads, 10, 18, 't')).toBeCloseTo(40, 0)
    expect(means(reads, 0, 6, 't')).toBeCloseTo(18, 0)
    expect(means(reads, 7.5, 9, 'rh')).toBeGreaterThan(means(reads, 16, 18, 'rh'))
  })

  it('stays cold when its lamp fails, dries when its mister fails, and says nothing with a dead battery', () => {
    expect(means(run('lamp').slice(-24 * 60), 10, 18, 't')).toBeLessThan(19)
    expect(means(run('mister').slice(-24 * 60), 0, 24, 'rh')).toBeLessThan(45)
    expect(run('battery')).toEqual([])
  })
})

describe('an incubator whose thermostat reads low', () => {
  it('is as much too warm as the thermostat is out', () => {
    const mean = (failing: boolean) => {
      const box = new ColdChest(
        { ...incubatorDefaults, seed: 3, startC: 31 },
        () => 31,
        () => 20,
      )
      if (failing) box.faults.add('thermostat')
      const temps: number[] = []
      box.run(0, 72 * HOUR, (_, { temperature }) => temps.push(temperature!))
      const late = temps.slice(-24 * 60)
      return late.reduce((a, b) => a + b, 0) / late.length
    }
    expect(mean(true) - mean(false)).toBeCloseTo(incubatorDefaults.readsLowK!, 0)
    expect(mean(false)).toBeCloseTo(31, 0)
  })
})

describe('an incubator without power, or with its heater stuck on', () => {
  const after = (fault: 'power' | 'relay', hours: number, options = {}) => {
    const box = new ColdChest(
      { ...incubatorDefaults, noiseK: 0, seed: 5, startC: 30, ...options },
      () => 30,
      () => 18,
    )
    box.faults.add(fault)
    box.openDoor(0)
    let last = 30
    box.run(0, hours * HOUR, (_, { temperature }) => (last = temperature!))
    return last
  }

  it('nears its room, or the room and all its heat, as fast as its time constant says (closed form)', () => {
    // now and then the lid is opened for two minutes, so it is never slower than by itself
    const [tau, heats] = [incubatorDefaults.tauHours, incubatorDefaults.heatsK]
    for (const hours of [2, 6, 12]) {
      const left = Math.exp(-hours / tau)
      expect(after('power', hours)).toBeLessThanOrEqual(18 + 12 * left + 0.02)
      expect(after('power', hours)).toBeGreaterThan(18 + 12 * left * 0.85)
      expect(after('relay', hours)).toBeGreaterThan(30)
      expect(after('relay', hours)).toBeLessThanOrEqual(18 + heats + (12 - heats) * left + 0.02)
    }
  })
})

describe('the simulated scale', () => {
  it('swings, then comes to rest at the weight', () => {
    const scale = new SettlingScale()
    expect(scale.read(1000)).toEqual({ massG: null, stable: false })
    scale.put(412, 1000)
    expect(scale.read(1300).stable).toBe(false)
    const rest = scale.read(4500)
    expect(rest.stable).toBe(true)
    expect(Math.abs(rest.massG! - 412)).toBeLessThanOrEqual(1)
    scale.put(null, 5000)
    expect(scale.read(6000).massG).toBeNull()
  })

  it('shows tenths for a small animal', () => {
    const scale = new SettlingScale()
    scale.put(1.27, 0)
    expect(scale.read(4000).massG).toBeCloseTo(1.3, 1)
  })
})

describe('the devices of a house', () => {
  let db: Knex
  let house: HouseKeeper
  let devices: DeviceKeeper
  let placeId = ''
  beforeEach(async () => {
    setMantelToday('2026-11-25')
    db = await openDatabase(':memory:')
    house = await HouseKeeper.open(db, vi.fn())
    devices = await DeviceKeeper.open(house)
    placeId = (
      await house.requests.addPlace({ name: 'Chest', kind: 'cold', parentId: null, order: 1, tempC: 12, capacity: 20 })
    ).id
  })
  afterEach(() => db.destroy())

  const probe = (name: string) => devices.add({ name, kind: 'probe', placeId })
  const statusOf = (act: () => unknown) => {
    try {
      act()
    } catch (error) {
      return (error as ProblemError).problem.status
    }
  }

  it('keeps only the hash of a token, and knows an unknown device and a wrong token alike', async () => {
    const { device, token } = await probe('P')
    expect(device.tokenHash).not.toContain(token)
    expect(devices.authenticated(device.id, `Bearer ${token}`).name).toBe('P')
    for (const [id, header] of [
      [device.id, 'Bearer wrong'],
      [device.id, undefined],
      ['nobody', `Bearer ${token}`],
      ['nobody', 'Bearer '],
      [device.id, token],
    ] as const)
      expect(statusOf(() => devices.authenticated(id, header))).toBe(401)
  })

  it('takes a flood: 100 probes a minute for an hour, each sent twice, and nothing is counted twice', async () => {
    const all = await Promise.all(Array.from({ length: 100 }, (_, i) => probe(`P-${i}`)))
    const start = houseNow() - HOUR
    const minutes = Array.from({ length: 60 }, (_, m) => ({ at: iso(start + m * MINUTE), tempC: 12 + (m % 3) }))
    for (const round of [1, 2]) {
      const took = await Promise.all(all.map(p => devices.take(p.device, minutes)))
      expect(took.reduce((n, t) => n + (round === 1 ? t.taken : t.known), 0)).toBe(6000)
    }
    const log = house.climate.upTo(Math.floor(houseNow() / HOUR))[placeId]!['temperature:air']!
    expect(log.mean[0]).toBeCloseTo(13, 6)
    expect(await db('readings').count({ n: '*' })).toEqual([{ n: 6000 }])
    const again = await HouseKeeper.open(db, vi.fn())
    expect(again.climate.upTo(Math.floor(houseNow() / HOUR))[placeId]!['temperature:air']!.mean[0]).toBeCloseTo(13, 6)
  })

  it('a file of months is taken all or none, and once more changes nothing', async () => {
    const { device } = await devices.add({ name: 'F', kind: 'probe', placeId, zone: 'nest' })
    const old = houseNow() - 90 * 24 * HOUR
    const lines = Array.from({ length: 48 }, (_, i) => ({ at: iso(old + (i * HOUR) / 2), tempC: 20 + (i % 2) }))
    const bad = [...lines, { at: iso(old), tempC: 85 }]
    await expect(devices.takeFile(device, bad)).rejects.toMatchObject({
      problem: {
        status: 422,
        errors: [{ path: 'readings.48', message: expect.stringMatching(/another unit/) as string }],
      },
    })
    const hour = Math.floor(houseNow() / HOUR)
    expect(house.climate.upTo(hour)[placeId]?.['temperature:nest']).toBeUndefined()
    expect(await devices.takeFile(device, lines)).toMatchObject({ taken: 48 })
    await devices.takeFile(device, lines)
    const log = house.climate.upTo(hour)[placeId]!['temperature:nest']!
    expect([log.from, log.mean[0], log.min[0], log.max[0]]).toEqual([Math.floor(old / HOUR), 20.5, 20, 21])
    // what a probe sends of so long ago is a clock that jumped
    expect((await devices.take(device, [lines[0]!])).setAside).toHaveLength(1)
  })

  it('is calibrated: shown and read in truth at once and after a restart, raw rows as they were sent', async () => {
    const { device } = await devices.add({ name: 'C', kind: 'probe', placeId, zone: 'cool' })
    await devices.take(device, [{ at: iso(houseNow()), tempC: 21.6, humidityPct: 70 }])
    const wish = { channel: 'temperature', method: 'ice', shown: 0.6, reference: 0 } as const
    expect(await devices.calibrate(device, wish)).toEqual({ offset: -0.6 })
    const view = (await devices.views()).find(d => d.id === device.id)!
    expect(view.latest.map(l => Number(l.value.toFixed(3)))).toEqual([21, 70])
    expect(view.calibrated).toMatchObject([{ channel: 'temperature', offset: -0.6, method: 'ice' }])
    const hour = Math.floor(houseNow() / HOUR)
    const again = await HouseKeeper.open(db, vi.fn())
    for (const climate of [house.climate, again.climate])
      expect(climate.upTo(hour)[placeId]!['temperature:cool']!.mean[0]).toBeCloseTo(21, 9)
    expect(await db('readings').where({ channel: 't' }).select('value')).toEqual([{ value: 21.6 }])
    // sent once more it is known, though it is shown otherwise
    expect(await devices.take(device, [{ at: iso(houseNow()), tempC: 21.6 }])).toMatchObject({ known: 1, taken: 0 })
    await expect(devices.calibrate(device, { ...wish, shown: 32 })).rejects.toMatchObject({ problem: { status: 422 } })
    await expect(devices.calibrate(device, { ...wish, channel: 'humidity' })).rejects.toMatchObject({
      problem: { errors: [{ path: 'shown', message: 'Ice water is for temperature' }] },
    })
  })

  it('takes temperature and humidity of one reading each for itself, at the spot that the probe reads', async () => {
    const { device } = await devices.add({ name: 'H', kind: 'probe', placeId, zone: 'warm' })
    const at = iso(houseNow() - MINUTE)
    expect(await devices.take(device, [{ at, tempC: 31.2, humidityPct: 48 }])).toMatchObject({ taken: 2, known: 0 })
    expect(await devices.take(device, [{ at, tempC: 31.2, humidityPct: 48 }])).toMatchObject({ taken: 0, known: 2 })
    // °F as °C, and more than all the water that air holds: set aside, and the other value is taken
    const took = await devices.take(device, [{ at: iso(houseNow()), tempC: 88, humidityPct: 50 }])
    expect(took).toMatchObject({ taken: 1, setAside: [{ reason: expect.stringMatching(/another unit/) as string }] })
    expect((await devices.take(device, [{ at: iso(houseNow()), humidityPct: 104 }])).setAside).toHaveLength(1)
    const logs = house.climate.upTo(Math.floor(houseNow() / HOUR))[placeId]!
    expect(Object.keys(logs).sort()).toEqual(['humidity:warm', 'temperature:warm'])
    expect([...(logs['humidity:warm']!.mean as Float64Array)]).toEqual([48, 50])
    const [view] = await devices.views()
    expect(view!.latest.map(l => l.channel)).toEqual(['temperature', 'humidity'])
  })

  it('what is set aside is kept with its reason and told', async () => {
    const { device } = await probe('P')
    const took = await devices.take(device, [
      { at: iso(houseNow()), tempC: 11.9 },
      { at: iso(houseNow() + 9 * HOUR), tempC: 11.9 },
      { at: iso(houseNow() - MINUTE), tempC: Number.NaN },
    ])
    expect(took).toMatchObject({ taken: 1, setAside: [{ index: 1 }, { index: 2 }] })
    expect((await devices.views())[0]).toMatchObject({ setAside: 2, latest: [{ channel: 'temperature', value: 11.9 }] })
    expect(await db('readings_set_aside').select('payload')).toHaveLength(2)
  })

  it('a probe reads one place; names are told apart; a removed device leaves the hours of its place', async () => {
    await expect(devices.add({ name: 'Q', kind: 'probe', placeId: null })).rejects.toThrow()
    const { device } = await probe('P')
    await expect(probe('p')).rejects.toThrow()
    await devices.take(device, [{ at: iso(houseNow()), tempC: 12 }])
    await devices.remove(device.id)
    expect(devices.all).toEqual([])
    expect(await db('readings').count({ n: '*' })).toEqual([{ n: 0 }])
    expect(await db('readings_hourly').count({ n: '*' })).toEqual([{ n: 1 }])
  })

  it('a scale that sends is at rest when its last weights agree', async () => {
    const { device } = await devices.add({ name: 'S', kind: 'scale', placeId: null })
    expect(devices.weightOf(device)).toEqual({ massG: null, stable: false })
    const weights = (list: number[], agoMs: number) =>
      devices.take(
        device,
        list.map((massG, i) => ({ at: iso(Date.now() - agoMs - (list.length - i) * 100), massG })),
      )
    await weights([380, 402, 411], 1500)
    expect(devices.weightOf(device).stable).toBe(false)
    await weights([412, 412, 412, 412], 0)
    expect(devices.weightOf(device)).toEqual({ massG: 412, stable: true })
    expect((await devices.take(device, [{ at: iso(Date.now()), massG: -3 }])).setAside).toHaveLength(1)
  })

  it('samples of a clock that runs ahead do not block those that come later', async () => {
    const { device } = await devices.add({ name: 'S', kind: 'scale', placeId: null })
    // an hour ahead: set aside; five minutes ahead: as if of now
    expect(await devices.take(device, [{ at: iso(Date.now() + HOUR), massG: 900 }])).toMatchObject({
      taken: 0,
      setAside: [{ reason: expect.stringMatching(/future/) as string }],
    })
    await devices.take(
      device,
      Array.from({ length: 45 }, () => ({ at: iso(Date.now() + 5 * MINUTE), massG: 700 })),
    )
    await new Promise(resolve => setTimeout(resolve, 5))
    await devices.take(
      device,
      [410, 410, 410, 410].map(massG => ({ at: iso(Date.now()), massG })),
    )
    expect(devices.weightOf(device)).toEqual({ massG: 410, stable: true })
  })

  it('set-aside readings are pruned by number and by age', async () => {
    const { device } = await probe('P')
    for (let i = 0; i < 3; i++)
      await devices.take(
        device,
        Array.from({ length: 600 }, () => ({ at: 'nonsense', tempC: i })),
      )
    expect(await db('readings_set_aside').count({ n: '*' })).toEqual([{ n: 1000 }])
    // the newest stay
    expect(await db('readings_set_aside').where('payload', 'like', '%"tempC":2%').count({ n: '*' })).toEqual([
      { n: 600 },
    ])
    await db('readings_set_aside').update({ received_at: houseNow() - 40 * 24 * HOUR })
    await devices.take(device, [{ at: 'nonsense', tempC: 9 }])
    expect(await db('readings_set_aside').count({ n: '*' })).toEqual([{ n: 1 }])
  })
})
