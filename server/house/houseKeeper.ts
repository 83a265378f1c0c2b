import type { Knex } from 'knex'
import type { Almanac } from '#core/almanac'
import type { House } from '#core/subjects'
import type { FeederPlan } from '#core/season'
import { allCalibrations, allHours } from '../db/repositories/devices'
import { remember, remembered } from '../db/repositories/remembered'
import { Climate } from '../devices/climate'
import { HouseChangesTeller } from './changes'
import { HouseQueries, type PlanSolver } from './queries'
import { readHouse } from './readHouse'
import { HouseRequests } from './requests'
import { HouseSession, currentHour } from './session'
import { HouseWriter } from './writer'

/** Hours of readings taken into memory: two winters. */
const HOURS_READ = 24 * 400

const PLANS = 'plans'

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
    private readonly program: string | null,
    plans: [string, FeederPlan[]][] | null,
  ) {
    this.queries = new HouseQueries(session, solve, plans ?? [])
    this.writer = new HouseWriter(database, session, this.queries.trial)
    this.requests = new HouseRequests(session, this.writer)
    this.changes = new HouseChangesTeller(this.queries)
  }

  /** @param program what names this build of the program: only what it kept itself is taken up again */
  static async open(db: Knex, solve: PlanSolver, program: string | null = null): Promise<HouseKeeper> {
    const climate = new Climate()
    for (const { readAt, hour, sums } of await allHours(db, currentHour() - HOURS_READ)) climate.add(readAt, hour, sums)
    for (const { deviceNo, channel, at, shown, reference } of await allCalibrations(db))
      climate.correct(deviceNo, channel, { at, offset: reference - shown })
    const plans = program === null ? null : await remembered<[string, FeederPlan[]][]>(db, PLANS, program)
    return new HouseKeeper(db, solve, new HouseSession(await readHouse(db), climate), program, plans)
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
    if (this.program !== null)
      await remember(this.database, PLANS, this.program, this.queries.toRemember).catch(console.error)
    await this.database.destroy()
  }
}

export type { PlanSolver }
