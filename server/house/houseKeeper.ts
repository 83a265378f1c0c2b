import type { Knex } from 'knex'
import type { Almanac } from '#core/almanac'
import type { House } from '#core/subjects'
import { allCalibrations, allHours } from '../db/repositories/devices'
import { Climate } from '../devices/climate'
import { HouseChangesTeller } from './changes'
import { HouseQueries, type PlanSolver } from './queries'
import { readHouse } from './readHouse'
import { HouseRequests } from './requests'
import { HouseSession, currentHour } from './session'
import { HouseWriter } from './writer'

/** Hours of readings taken into memory: two winters. */
const HOURS_READ = 24 * 400

/** One open house: its session in memory, the way in, and what is asked of it. */
export class HouseKeeper {
  readonly writer: HouseWriter
  readonly queries: HouseQueries
  readonly requests: HouseRequests
  readonly changes: HouseChangesTeller

  private constructor(
    readonly database: Knex,
    solve: PlanSolver,
    readonly session: HouseSession,
  ) {
    this.queries = new HouseQueries(session, solve)
    this.writer = new HouseWriter(database, session, this.queries.trial)
    this.requests = new HouseRequests(session, this.writer)
    this.changes = new HouseChangesTeller(this.queries)
  }

  static async open(db: Knex, solve: PlanSolver): Promise<HouseKeeper> {
    const climate = new Climate()
    for (const { readAt, hour, sums } of await allHours(db, currentHour() - HOURS_READ)) climate.add(readAt, hour, sums)
    for (const { deviceNo, channel, at, shown, reference } of await allCalibrations(db))
      climate.correct(deviceNo, channel, { at, offset: reference - shown })
    return new HouseKeeper(db, solve, new HouseSession(await readHouse(db), climate))
  }

  get climate(): Climate {
    return this.session.climate
  }

  get currentAlmanac(): Almanac {
    return this.session.almanac
  }

  get house(): House {
    return this.session.house
  }

  /** Waits for the write that runs, then closes the database. */
  async close(): Promise<void> {
    await this.writer.idle()
    await this.database.destroy()
  }
}

export type { PlanSolver }
