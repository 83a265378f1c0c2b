import highsLoader from 'highs'
import { solverFrom } from '#shared/solver'
import { openDatabase } from '../db/open'
import { DeviceKeeper } from '../devices/deviceKeeper'
import { Simulator } from '../devices/simulated/simulator'
import { currentDay } from './clock'
import { HouseKeeper } from './houseKeeper'

interface Opened {
  keeper: HouseKeeper
  devices: DeviceKeeper
  /** Only in a demonstration. */
  simulator: Simulator | null
}

let opening: Promise<Opened> | null = null

export const databaseFile = (): string => process.env.MANTEL_DB || 'data/mantel.sqlite'

function opened(): Promise<Opened> {
  opening ??= (async () => {
    const [db, highs] = await Promise.all([openDatabase(databaseFile()), highsLoader()])
    if (process.env.MANTEL_DEMO) {
      const { alderYard } = await import('../demo/alderYard')
      const { fillWithDemo } = await import('../demo/fill')
      await fillWithDemo(db, alderYard(currentDay('Europe/Berlin').today))
    }
    const keeper = await HouseKeeper.open(db, solverFrom(highs))
    const devices = await DeviceKeeper.open(keeper)
    const simulator = process.env.MANTEL_DEMO ? new Simulator(keeper, devices) : null
    await simulator?.catchUp()
    // plans are worked out before the first look, so that the first look is quick
    keeper.plans()
    return { keeper, devices, simulator }
  })()
  return opening
}

/** The one house of this server; opened on first use. */
export const theHouse = async (): Promise<HouseKeeper> => (await opened()).keeper
export const theDevices = async (): Promise<DeviceKeeper> => (await opened()).devices
export const theSimulator = async (): Promise<Simulator | null> => (await opened()).simulator

export async function closeTheHouse(): Promise<void> {
  if (!opening) return
  const { keeper } = await opening
  opening = null
  await keeper.close()
}
