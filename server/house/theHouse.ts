import highsLoader from 'highs'
import { solverFrom } from '#shared/solver'
import { openDatabase } from '../db/open'
import { currentDay } from './clock'
import { HouseKeeper } from './houseKeeper'

let opening: Promise<HouseKeeper> | null = null

export const databaseFile = (): string => process.env.MANTEL_DB || 'data/mantel.sqlite'

/** The one house of this server; opened on first use. */
export function theHouse(): Promise<HouseKeeper> {
  opening ??= (async () => {
    const [db, highs] = await Promise.all([openDatabase(databaseFile()), highsLoader()])
    if (process.env.MANTEL_DEMO) {
      const { alderYard } = await import('../demo/alderYard')
      const { fillWithDemo } = await import('../demo/fill')
      await fillWithDemo(db, alderYard(currentDay('Europe/Berlin').today))
    }
    const keeper = await HouseKeeper.open(db, solverFrom(highs))
    // plans are worked out before the first look, so that the first look is quick
    keeper.plans()
    return keeper
  })()
  return opening
}

export async function closeTheHouse(): Promise<void> {
  if (!opening) return
  const keeper = await opening
  opening = null
  await keeper.close()
}
