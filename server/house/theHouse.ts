import { existsSync, rmSync } from 'node:fs'
import { networkInterfaces } from 'node:os'
import { useRuntimeConfig } from 'nitropack/runtime'
import { openDatabase } from '../db/open'
import { lockDatabase, type DatabaseLock } from '../db/lock'
import { DeviceKeeper } from '../devices/deviceKeeper'
import { Simulator } from '../devices/simulated/simulator'
import { WorkerPool } from '../workers/pool'
import { Access } from './access'
import { BackupKeeper } from './backupKeeper'
import { currentDay } from './clock'
import { databaseFile } from './databaseFile'
import { HouseKeeper } from './houseKeeper'

interface Opened {
  lock: DatabaseLock
  pool: WorkerPool
  keeper: HouseKeeper
  devices: DeviceKeeper
  access: Access
  backups: BackupKeeper
  /** Only in a demonstration. */
  simulator: Simulator | null
}

/** What is planned first may be remembered: the thread is then made ready once all else of a start is done. */
const WARM_AFTER_MS = 20_000

let opening: Promise<Opened> | null = null

/** Where this server is reached, for one who finds its lock. */
export function listensAt(): string {
  const host = process.env.NITRO_HOST || process.env.HOST || '127.0.0.1'
  const port = process.env.NITRO_PORT || process.env.PORT || '3000'
  const named = ['0.0.0.0', '::'].includes(host)
    ? (Object.values(networkInterfaces())
        .flat()
        .find(n => n && !n.internal && n.family === 'IPv4')?.address ?? '127.0.0.1')
    : host
  return `http://${named.includes(':') ? `[${named}]` : named}:${port}`
}

async function open(): Promise<Opened> {
  const file = databaseFile()
  const isNew = !existsSync(file)
  const lock = lockDatabase(file, { pid: process.pid, address: listensAt(), since: new Date().toISOString() })
  try {
    // only with the lock in hand: another demonstration may run on it
    if (process.env.MANTEL_DEMO === 'anew')
      for (const part of ['', '-wal', '-shm']) rmSync(file + part, { force: true })
    const db = await openDatabase(file)
    if (process.env.MANTEL_DEMO) {
      const { alderYard } = await import('../demo/alderYard')
      const { fillWithDemo } = await import('../demo/fill')
      await fillWithDemo(db, alderYard(currentDay('Europe/Berlin').today))
    }
    const pool = new WorkerPool()
    const keeper = await HouseKeeper.open(db, pool.plan, import.meta.dev ? null : useRuntimeConfig().app.buildId)
    const devices = await DeviceKeeper.open(keeper)
    const simulator = process.env.MANTEL_DEMO ? new Simulator(keeper, devices) : null
    await simulator?.catchUp()
    const access = await Access.open(db)
    // a demonstration is made anew each time, and a new house has nothing to lose yet
    const backups = new BackupKeeper(db, file, pool, { daily: !process.env.MANTEL_DEMO, first: isNew })
    backups.start()
    // plans are worked out before the first look, so that the first look is quick; they never keep the house shut
    keeper.queries.plans().catch(console.error)
    pool.warmIn(WARM_AFTER_MS)
    return { lock, pool, keeper, devices, access, backups, simulator }
  } catch (error) {
    lock.release()
    throw error
  }
}

const opened = (): Promise<Opened> => (opening ??= open())

/** The one house of this server; opened on first use. */
export const theHouse = async (): Promise<HouseKeeper> => (await opened()).keeper
export const theDevices = async (): Promise<DeviceKeeper> => (await opened()).devices
export const theAccess = async (): Promise<Access> => (await opened()).access
export const theBackups = async (): Promise<BackupKeeper> => (await opened()).backups
export const theSimulator = async (): Promise<Simulator | null> => (await opened()).simulator

export async function closeTheHouse(): Promise<void> {
  if (!opening) return
  const { keeper, pool, backups, lock } = await opening
  opening = null
  await backups.stop()
  await keeper.close()
  await pool.close()
  lock.release()
}
