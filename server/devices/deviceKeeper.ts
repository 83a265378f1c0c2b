import { createHash, randomBytes, timingSafeEqual } from 'node:crypto'
import type { Knex } from 'knex'
import type { Calibrate, DeviceView, NewDevice, ScaleReading, TookReadings } from '#shared/contracts/devices'
import type { HouseKeeper } from '../house/houseKeeper'
import { houseNow } from '../house/clock'
import {
  addHours,
  allCalibrations,
  allDevices,
  deleteDevice,
  deleteReadingsBefore,
  insertCalibration,
  insertDevice,
  insertReadings,
  insertSetAside,
  latestReadings,
  pruneSetAside,
  setAsideCounts,
  storedReadings,
  type Device,
} from '../db/repositories/devices'
import { newId } from '../utils/ids'
import { ProblemError } from '../utils/problem'
import { CALIBRATIONS, CHANNELS, CHANNEL_IDS, MOST_OFF, calibrationProblem, corrected } from '#core/channels'
import { joined, type HourSums, type ReadAt } from './climate'
import { AHEAD_MS, KEPT_RAW_MS, instantOf, sortReadings, type SentReading, type Stored } from './sortReadings'

export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex')

const HOUR_MS = 3_600_000
/** Weights of a scale are looked at while they are fresh, and never stored: what is weighed becomes an entry. */
const FRESH_MS = 3000
const STABLE_SHARE = 0.003
/** A logger may have lain in its place for a year. */
const OLDEST_OF_FILE_MS = 400 * 24 * HOUR_MS
/** Set-aside readings kept of one device: enough to see what is wrong with it. */
const SET_ASIDE_KEPT = 1000

type ScaleSample = { ms: number; massG: number }

/** The devices of the house: who they are, and what they send. */
export class DeviceKeeper {
  private queue: Promise<unknown> = Promise.resolve()
  private readonly weights = new Map<string, ScaleSample[]>()

  private constructor(
    private readonly db: Knex,
    private readonly house: HouseKeeper,
    private devices: Device[],
  ) {}

  static async open(house: HouseKeeper): Promise<DeviceKeeper> {
    return new DeviceKeeper(house.database, house, await allDevices(house.database))
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.queue.then(work, work)
    this.queue = turn.catch(() => undefined)
    return turn
  }

  get all(): readonly Device[] {
    return this.devices
  }

  /** @throws ProblemError 404 */
  device(id: string): Device {
    const device = this.devices.find(d => d.id === id)
    if (!device) throw new ProblemError(404, 'There is no such device')
    return device
  }

  async views(): Promise<Omit<DeviceView, 'faults' | 'canFail'>[]> {
    const [latest, aside, calibrations] = await Promise.all([
      latestReadings(this.db),
      setAsideCounts(this.db),
      allCalibrations(this.db),
    ])
    return this.devices.map(d => {
      const read = latest.get(d.no) ?? []
      const weight = this.weights.get(d.id)?.at(-1)
      return {
        id: d.id,
        name: d.name,
        kind: d.kind,
        placeId: d.placeId,
        zone: d.zone,
        simulated: d.simulated,
        latest: weight
          ? [{ at: new Date(weight.ms).toISOString(), channel: 'mass' as const, value: weight.massG }]
          : CHANNEL_IDS.flatMap(channel => {
              const r = read.find(x => x.channel === channel)
              if (!r) return []
              const offset = this.house.climate.offsetAt(d.no, channel, r.at)
              return [{ at: new Date(r.at).toISOString(), channel, value: corrected(channel, r.value, offset) }]
            }),
        calibrated: CHANNEL_IDS.flatMap(channel => {
          const last = calibrations.filter(c => c.deviceNo === d.no && c.channel === channel).at(-1)
          return last
            ? [
                {
                  channel,
                  at: new Date(last.at).toISOString(),
                  offset: last.reference - last.shown,
                  method: last.method,
                },
              ]
            : []
        }),
        setAside: aside.get(d.id)?.count ?? 0,
        lastReason: aside.get(d.id)?.lastReason ?? null,
      }
    })
  }

  /** Adds a device; its token is told this once, and only its hash is kept. */
  add(given: NewDevice, simulated = false): Promise<{ device: Device; token: string }> {
    const wish = { ...given, placeId: given.placeId ?? null, zone: given.zone ?? ('air' as const) }
    return this.inTurn(async () => {
      const errors: { path: string; message: string }[] = []
      const { places } = this.house.house
      if (wish.placeId && !places[wish.placeId]) errors.push({ path: 'placeId', message: 'There is no such place' })
      if (wish.kind === 'probe' && !wish.placeId)
        errors.push({ path: 'placeId', message: 'A probe reads one place: choose it' })
      if (this.devices.some(d => d.name.toLowerCase() === wish.name.toLowerCase()))
        errors.push({ path: 'name', message: `There is a device ${wish.name} already` })
      if (errors.length) throw new ProblemError(422, 'This device was not added', errors)
      const token = randomBytes(24).toString('base64url')
      const added = { id: newId(), ...wish, tokenHash: hashOf(token), simulated }
      const device: Device = { ...added, no: await insertDevice(this.db, added) }
      this.devices = [...this.devices, device].sort((a, b) => (a.name < b.name ? -1 : 1))
      return { device, token }
    })
  }

  /**
   * What an instrument showed against a reference; from now on its readings are corrected by it.
   * @throws ProblemError 409 for a scale, 422 where it is off beyond correction
   */
  calibrate(device: Device, { channel, method, shown, reference }: Calibrate): Promise<{ offset: number }> {
    return this.inTurn(async () => {
      if (device.kind === 'scale') throw new ProblemError(409, 'A scale is held against a weight, not calibrated here')
      const { channel: only } = CALIBRATIONS[method]
      const problem =
        only && only !== channel
          ? `${CALIBRATIONS[method].label} is for ${CHANNELS[only].label.toLowerCase()}`
          : calibrationProblem(channel, shown, reference, this.house.session.almanac.common[MOST_OFF[channel]]!.value)
      if (problem)
        throw new ProblemError(422, 'This calibration was not written', [{ path: 'shown', message: problem }])
      const at = houseNow()
      await insertCalibration(this.db, { deviceNo: device.no, channel, at, shown, reference, method })
      this.house.climate.correct(device.no, channel, { at, offset: reference - shown })
      return { offset: reference - shown }
    })
  }

  remove(id: string): Promise<void> {
    return this.inTurn(async () => {
      this.device(id)
      await deleteDevice(this.db, id)
      this.devices = this.devices.filter(d => d.id !== id)
      this.weights.delete(id)
    })
  }

  /**
   * The device whose token this is. An unknown device and a wrong token are told alike.
   * @throws ProblemError 401
   */
  authenticated(id: string, authorization: string | undefined): Device {
    const token = /^Bearer (.+)$/i.exec(authorization ?? '')?.[1] ?? ''
    const device = this.devices.find(d => d.id === id)
    const given = Buffer.from(hashOf(token), 'hex')
    const wanted = Buffer.from(device?.tokenHash ?? hashOf(''), 'hex')
    if (!timingSafeEqual(given, wanted) || !device || !token)
      throw new ProblemError(401, 'This device is not known here, or its token is wrong')
    return device
  }

  /** Takes what a device sends: each reading is taken, known already, or set aside with its reason. */
  take(device: Device, readings: readonly (SentReading & { massG?: unknown })[]): Promise<TookReadings> {
    return device.kind === 'scale' ? this.takeWeights(device, readings) : this.takeClimate(device, readings)
  }

  /**
   * Takes readings of a logger's file, all or none: one that cannot be taken leaves the others out too.
   * @throws ProblemError 409 for a scale, 422 with the first that cannot be taken
   */
  takeFile(device: Device, readings: readonly SentReading[]): Promise<TookReadings> {
    if (device.kind === 'scale') throw new ProblemError(409, 'A scale has no log')
    return this.takeClimate(device, readings, true)
  }

  private takeClimate(device: Device, readings: readonly SentReading[], allOrNone = false): Promise<TookReadings> {
    return this.inTurn(async () => {
      const now = houseNow()
      const instants = readings.map(r => instantOf(r.at)).filter(at => at !== null)
      const stored: Stored = {}
      for (const channel of CHANNEL_IDS)
        if (readings.some(r => r[CHANNELS[channel].field] !== undefined))
          stored[channel] = await storedReadings(this.db, device.no, channel, instants)
      const oldest = now - (allOrNone ? OLDEST_OF_FILE_MS : KEPT_RAW_MS)
      const { fresh, known, setAside } = sortReadings(readings, stored, now, oldest)
      if (allOrNone && setAside.length)
        throw new ProblemError(
          422,
          'Nothing of this file was taken',
          setAside.slice(0, 5).map(({ index, reason }) => ({ path: `readings.${index}`, message: reason })),
        )
      const byChannel = CHANNEL_IDS.flatMap(channel => {
        const hours = new Map<number, HourSums>()
        for (const { at, value } of fresh.filter(r => r.channel === channel)) {
          const hour = Math.floor(at / HOUR_MS)
          hours.set(hour, joined(hours.get(hour), { n: 1, sum: value, min: value, max: value }))
        }
        const readAt: ReadAt = { placeId: device.placeId!, deviceNo: device.no, channel, zone: device.zone }
        return hours.size ? [{ readAt, hours }] : []
      })
      await this.db.transaction(async trx => {
        if (fresh.length) {
          await insertReadings(trx, device.no, fresh)
          for (const { readAt, hours } of byChannel) await addHours(trx, readAt, hours)
          await deleteReadingsBefore(trx, device.no, now - KEPT_RAW_MS)
        }
        if (setAside.length) {
          await insertSetAside(
            trx,
            device.id,
            now,
            setAside.map(({ reason, payload }) => ({ reason, payload })),
          )
          await pruneSetAside(trx, device.id, now - KEPT_RAW_MS, SET_ASIDE_KEPT)
        }
      })
      for (const { readAt, hours } of byChannel)
        for (const [hour, sums] of hours) this.house.climate.add(readAt, hour, sums)
      return { taken: fresh.length, known, setAside: setAside.map(({ index, reason }) => ({ index, reason })) }
    })
  }

  private async takeWeights(
    device: Device,
    readings: readonly { at?: unknown; massG?: unknown }[],
  ): Promise<TookReadings> {
    const setAside: TookReadings['setAside'] = []
    const samples = this.weights.get(device.id) ?? []
    const now = Date.now()
    readings.forEach((reading, index) => {
      const ms = instantOf(reading.at)
      if (ms === null) setAside.push({ index, reason: 'No instant: write it as 2026-11-25T08:00:00Z' })
      else if (typeof reading.massG !== 'number' || !Number.isFinite(reading.massG) || reading.massG < 0)
        setAside.push({ index, reason: 'The weight is not a number of grams' })
      else if (ms > now + AHEAD_MS)
        setAside.push({ index, reason: 'The instant lies in the future: look at the clock of the scale' })
      // a clock a little ahead counts as now: dated ahead, its samples would stand before all that come later
      else samples.push({ ms: Math.min(ms, now), massG: reading.massG })
    })
    this.weights.set(device.id, samples.sort((a, b) => a.ms - b.ms).slice(-40))
    return { taken: readings.length - setAside.length, known: 0, setAside }
  }

  /** What a scale that sends its weights shows now. */
  weightOf(device: Device): ScaleReading {
    const now = Date.now()
    const fresh = (this.weights.get(device.id) ?? []).filter(s => s.ms > now - FRESH_MS && s.ms < now + FRESH_MS)
    const last = fresh.at(-1)
    if (!last) return { massG: null, stable: false }
    const recent = fresh.slice(-4).map(s => s.massG)
    const spread = Math.max(...recent) - Math.min(...recent)
    return { massG: last.massG, stable: recent.length >= 4 && last.massG > 0 && spread <= last.massG * STABLE_SHARE }
  }
}
