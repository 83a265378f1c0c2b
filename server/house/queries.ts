import { speciesOf } from '#core/almanac'
import type { Programme } from '#core/brumation'
import {
  PlanMemory,
  benchCell,
  benchOf,
  failureAlarms,
  guarded,
  harmFirst,
  materialTasks,
  materialsAhead,
  planJobs,
  warmthOfHouse,
  planKey,
  plansOfHouse,
  roomForYoung,
  seasonSteps,
  wishProblem,
  type BenchWish,
  type Failure,
  type FeederPlan,
  type HouseSettings,
  type PlanJob,
  type SeasonContext,
  type SeasonWithScenarios,
  type WinterGroupView,
} from '#core/season'
import type { House, Records } from '#core/subjects'
import type { BenchSnapshot, CellSnapshot } from '#shared/contracts/bench'
import type { HouseSnapshot, PlansSnapshot, SeasonSnapshot } from '#shared/contracts/house'
import { breather } from '../utils/breathe'
import { ProblemError } from '../utils/problem'
import { currentDay } from './clock'
import type { HouseSession, Standing } from './session'
import { suspectOf } from './suspect'

/** Works the plans of one group of prey out, in a thread of its own or in this one. */
export type PlanSolver = (job: PlanJob) => Promise<FeederPlan[]>

/** What follows from one version of the house on one day, and from what it was computed. */
interface Computed extends SeasonWithScenarios {
  version: number
  tookMs: number
  context: SeasonContext
  plans: Promise<PlansSnapshot> | null
}

const brokenOf = ({ season }: Computed) => new Map(season.alarms.filter(a => a.broken).map(a => [a.id, a]))

/** All that is asked of a house and not written: its season, the plans, pairs on trial. */
export class HouseQueries {
  private computing: { key: string; result: Promise<Computed> } | null = null
  /** A season worked out to try own numbers, for when they are written. */
  private tried: { standing: Standing; computed: Computed } | null = null
  private readonly planMemory: PlanMemory
  /** The plans that were told last, by what decides them. */
  private latest: [string, FeederPlan[]][]

  constructor(
    private readonly session: HouseSession,
    private readonly solve: PlanSolver,
    known: [string, FeederPlan[]][] = [],
  ) {
    this.planMemory = new PlanMemory(known)
    this.latest = known
  }

  /** The plans that were told last, by what decides them: another start of this program need not work them out again. */
  get toRemember(): [string, FeederPlan[]][] {
    return this.latest
  }

  /** The version of the house as it stands, and its day. */
  standing(): { version: number; today: number } {
    this.session.refresh()
    return { version: this.session.version, today: this.session.today() }
  }

  snapshot(): HouseSnapshot {
    const { session } = this
    session.refresh()
    const { today, fixed } = currentDay(session.settings.timeZone)
    // readings are large, and settings and own numbers stand beside the house
    const { almanac } = session
    const warmth = warmthOfHouse({ ...session.context(), house: session.house, almanac })
    const house: House = { ...session.house, climate: {}, warmth, settings: {}, numbers: {} }
    const { version, settings, settingsVersion, overrides } = session
    return { version, today, todayFixed: fixed, settings, settingsVersion, overrides, house }
  }

  /**
   * The season of the house as it stands; worked out once for each version and day, with pauses in which others are
   * answered.
   */
  private computed(): Promise<Computed> {
    const { session } = this
    session.refresh()
    const context = session.context()
    const key = `${session.version}:${context.today}`
    if (this.computing?.key === key) return this.computing.result
    const { tried } = this
    this.tried = null
    // what was worked out to try it is what stands, unless something else came in meanwhile
    const same = tried?.standing.house === context.house && tried.standing.almanac === context.almanac
    const result =
      tried && same && tried.computed.context.today === context.today
        ? Promise.resolve({ ...tried.computed, version: session.version })
        : this.compute(context, session.records, session.version)
    this.computing = { key, result }
    // what failed is tried again when it is asked for again
    result.catch(() => {
      if (this.computing?.result === result) this.computing = null
    })
    return result
  }

  private async compute(context: SeasonContext, records: Records, version: number): Promise<Computed> {
    const start = performance.now()
    const pause = breather()
    const { house, almanac, settings, today, memory } = context
    const steps = seasonSteps(house, almanac, settings, today, memory)
    for (;;) {
      const { done, value } = steps.next()
      if (!done) {
        await pause()
        continue
      }
      const { season, scenarios } = value
      const alarms = harmFirst([
        ...this.session.noticed(),
        ...season.alarms.map(alarm => suspectOf(alarm, records, settings)),
      ])
      const tookMs = performance.now() - start
      return { version, season: { ...season, alarms }, scenarios, context, plans: null, tookMs }
    }
  }

  /**
   * A number that the season of this house cannot be computed with is refused before it is kept. @throws ProblemError
   * 422
   */
  readonly trial = async (standing: Standing): Promise<void> => {
    if (standing.almanac === this.session.almanac) return
    const context = this.session.context(standing)
    const computed = await this.compute(context, standing.records, this.session.version + 1)
    const after = brokenOf(computed)
    // what was broken before stands against no number
    const before = after.size ? brokenOf(await this.computed()) : after
    const worse = [...after.values()].find(a => !before.has(a.id))
    if (worse)
      throw new ProblemError(422, 'This was not written', [
        {
          path: 'data.value',
          message: `With this number ${worse.text.charAt(0).toLowerCase()}${worse.text.slice(1)}`,
        },
      ])
    this.tried = { standing, computed }
  }

  async season(): Promise<SeasonSnapshot> {
    const { version, season, tookMs } = await this.computed()
    return { version, season, tookMs }
  }

  /** The programme of a winter group, with what an export of it is called. @throws ProblemError 404 */
  async winterProgramme(
    id: string,
  ): Promise<{ group: WinterGroupView; programme: Programme; settings: HouseSettings; title: string }> {
    const { season, context } = await this.computed()
    const group = season.winter.groups.find(g => g.groupId === id)
    if (!group) throw new ProblemError(404, 'There is no such winter group')
    const title = `${group.tag} ${speciesOf(context.almanac, group.speciesId).name}`
    return { group, programme: group.programme, settings: context.settings, title }
  }

  async plans(): Promise<PlansSnapshot> {
    const computed = await this.computed()
    computed.plans ??= this.plan(computed)
    return computed.plans
  }

  /** Plans by groups of prey; one that cannot be worked out becomes an alarm for each of its prey, and the others stand. */
  private async plan({ version, season, scenarios, context }: Computed): Promise<PlansSnapshot> {
    const start = performance.now()
    const { house, almanac, settings, today } = context
    const failures: Failure[] = []
    const keyed: [string, FeederPlan[]][] = []
    const made = await Promise.all(
      planJobs(season.prey, scenarios, house, almanac, settings, today).map(async job => {
        try {
          const key = planKey(job)
          const plans = this.planMemory.get(key) ?? this.planMemory.keep(key, await this.solve(job))
          keyed.push([key, plans])
          return plans
        } catch (error) {
          const message = error instanceof Error ? error.message : String(error)
          for (const { prey } of job.looks)
            failures.push({ subject: { type: 'prey', id: prey }, part: 'its plan', message })
          return []
        }
      }),
    )
    this.latest = keyed
    const gathered = () => plansOfHouse(made.flat(), season.prey, context)
    const plans = guarded({ failures }, 'what is ordered along', null, gathered) ?? made.flat()
    const materials = guarded({ failures }, 'what cultures are made of', null, () => materialsAhead(plans, context))
    const tasks = materialTasks(materials ?? [], today)
    const alarms = failureAlarms(failures, { ...house, unread: [], newer: [] })
    return { version, plans, alarms, tasks, tookMs: performance.now() - start }
  }

  /**
   * Every grown female with every grown male of a species. @throws ProblemError 404 for a species the almanac does not
   * have
   */
  bench(speciesId: string, wish: readonly BenchWish[]): BenchSnapshot {
    this.session.refresh()
    const context = this.session.context()
    if (!context.almanac.species[speciesId]) throw new ProblemError(404, 'The almanac has no such species')
    const start = performance.now()
    this.checkWish(context.house, speciesId, wish)
    const bench = benchOf(context, speciesId, wish)
    return { version: this.session.version, bench, tookMs: performance.now() - start }
  }

  /** One pair with its working. @throws ProblemError 404 */
  async benchCell(damId: string, sireId: string, wish: readonly BenchWish[]): Promise<CellSnapshot> {
    const { season, context, version } = await this.computed()
    const speciesId = context.house.animals[damId]?.speciesId
    if (speciesId) this.checkWish(context.house, speciesId, wish)
    const pair = benchCell(context, damId, sireId, wish)
    if (!pair || !speciesId) throw new ProblemError(404, 'These two are not of one species of the house')
    return { version, pair, room: roomForYoung(context, speciesId, season) }
  }

  /** A wish speaks of loci of the species, and of looks and genotypes that they have. @throws ProblemError 422 */
  private checkWish(house: House, speciesId: string, wish: readonly BenchWish[]): void {
    const problems = wish.flatMap((w, i) => {
      const why = wishProblem(house.loci[w.locusId], speciesId, w)
      return why ? [{ path: `wish.${i}`, message: why }] : []
    })
    if (problems.length) throw new ProblemError(422, 'This wish cannot be read', problems)
  }
}
