import { feederOf, schoolChoice, type Almanac, type Feeder } from '../almanac'
import { seedFrom, type Day } from '../chance'
import {
  cultureStage,
  cultureWay,
  failureChance,
  firstCoveredDay,
  growing,
  keptPerDay,
  planStarts,
  plannedSupply,
  runStock,
  simulateRunOut,
  yieldSinceStart,
  type PlanInput,
  type PlannedStart,
  type PlannedSupply,
  type SolveLp,
} from '../supply'
import { computedInput, factInput, settingInput, spreadInput, type Reason } from '../judgement'
import type { House } from '../subjects'
import { formatDay, nextWeekday } from '../units'
import type { HouseSettings } from '../settings'
import type { PreyOutlook, Scenarios, Season } from './contracts'
import { cultureTempC, placeTempC, warmthOfCultures } from './warmth'

export interface Gap {
  from: Day
  to: Day
  missing: number
}

/** What to start or order, and how the stock then runs. All rows are per day from today. */
export interface FeederPlan {
  prey: string
  kind: PlannedSupply['kind']
  /** What one does about it. */
  verb: 'Start' | 'Order' | 'Gather'
  unit: string
  /** Days planned; bought prey is planned ten weeks ahead, since it comes in days. */
  days: number
  starts: PlannedStart[]
  /** Usable feeders on each day with nothing new started, and what then is missing. */
  bareStock: number[]
  bareMissing: number[]
  /** The same with the plan. */
  stock: number[]
  missing: number[]
  /** Stretches that nothing started now can cover any more. */
  gaps: Gap[]
  units: number
  leastPossible: number
  runOutChance: number
  /** Mean number of short days in the days planned. */
  shortDays: number
  runOutByDay: number[]
  reasons: Reason[]
}

const BOUGHT_DAYS = 70

function verbOf(supply: PlannedSupply): FeederPlan['verb'] {
  if (supply.kind === 'bought') return supply.gathered ? 'Gather' : 'Order'
  return supply.kind === 'batch' && supply.boughtProducing ? 'Order' : 'Start'
}

function gapsOf(missing: ArrayLike<number>, today: Day): Gap[] {
  const gaps: Gap[] = []
  for (let t = 0; t < missing.length; t++) {
    if (!(missing[t]! > 0)) continue
    const last = gaps.at(-1)
    // pulses of one week belong together
    if (last && today + t - last.to <= 7) {
      last.to = today + t
      last.missing += missing[t]!
    } else gaps.push({ from: today + t, to: today + t, missing: missing[t]! })
  }
  return gaps
}

/** Temperature of the place where most cultures of this feeder stand; null when none does. */
function shelfTemp({ house, almanac }: Pick<PlanJob, 'house' | 'almanac'>, feederId: string): number | null {
  const temps = Object.values(house.cultures)
    .filter(c => c.feederId === feederId && !c.finished)
    .map(c => placeTempC(c.placeId, { house, almanac }))
    .filter(t => t !== null)
  return temps.length ? temps.sort((a, b) => a - b)[Math.floor(temps.length / 2)]! : null
}

function supplyReasons(feeder: Feeder, supply: PlannedSupply, tempC: number | null): Reason {
  const path = `feeders.${feeder.id}.supply`
  if (supply.kind === 'bought') {
    return {
      rule: supply.gathered
        ? 'Gathered: what one walk brings, kept a while'
        : 'Bought in packs; comes after its lead time and keeps a while',

      inputs: [
        factInput('Pack', `${path}.packCount.value`, supply.packCount),
        factInput('Lead time', `${path}.leadDays.value`, supply.leadDays),
        factInput('Keeps (half usable after)', `${path}.keepDays.value`, supply.keepDays),
      ],
    }
  }
  return {
    rule:
      supply.kind === 'batch'
        ? supply.boughtProducing
          ? 'Bought as a culture about to yield: it yields once, from its delivery on'
          : 'A batch yields once, rising quickly and falling slowly, after a time that the temperature sets'
        : 'A colony yields a little every day once grown',
    inputs: [
      spreadInput('Start to producing', `${path}.toProducing`, supply.toProducing),
      ...(supply.kind === 'batch'
        ? [
            factInput('Producing span', `${path}.producingDays.value`, supply.producingDays),
            factInput('Yield of one', `${path}.yieldTotal.value`, supply.yieldTotal),
            factInput('Reference temperature', `${path}.atTempC.value`, supply.atTempC),
            computedInput('Shelf', tempC === null ? 'no temperature known, reference taken' : `${tempC} °C`),
          ]
        : [factInput('Yield of one', `${path}.yieldPerDay.value`, supply.yieldPerDay)]),
      factInput('Fails', `${path}.failure.value`, supply.failure),
      factInput('Keeps (half usable after)', `${path}.keepDays.value`, supply.keepDays),
    ],
    change: 'Your own yield: change the number in the Almanac',
  }
}

function inputFor(
  look: PreyOutlook,
  supply: PlannedSupply,
  tempC: number | null,
  settings: HouseSettings,
  almanac: PlanJob['almanac'],
  today: Day,
): PlanInput {
  const days = supply.kind === 'bought' ? BOUGHT_DAYS : look.high.length
  const startDays: number[] = []
  for (let d = nextWeekday(today, settings.cultureWeekday) - today; d < days; d += 7) startDays.push(d)
  const rhythm = schoolChoice(almanac, settings.schools, 'cupRhythm')
  const ownCups = supply.kind === 'batch' && !supply.boughtProducing
  return {
    from: today,
    need: look.high.slice(0, days),
    running: look.running.slice(0, days),
    stock: look.stock,
    keptPerDay: keptPerDay(supply),
    perUnit: yieldSinceStart(supply, tempC, days, settings.cupYield),
    startDays,
    leastPerStart: ownCups && rhythm.id === 'everyWeek' ? 1 : 0,
    spare:
      ownCups && rhythm.fact?.value
        ? { units: Math.round(rhythm.fact.value), everyStarts: Math.max(1, Math.floor(supply.producingDays.value / 7)) }
        : null,
  }
}

/** All that decides the plan of one prey: plain data, so that it can be solved in another thread. */
export interface PlanJob {
  look: PreyOutlook
  scenarios: { count: number; need: Float64Array }
  house: Pick<House, 'cultures' | 'places' | 'climate' | 'warmth'>
  almanac: Pick<Almanac, 'feeders' | 'schools' | 'common'>
  settings: HouseSettings
  today: Day
}

export function planJob(
  look: PreyOutlook,
  scenarios: Scenarios,
  house: House,
  almanac: Almanac,
  settings: HouseSettings,
  today: Day,
): PlanJob {
  const cultures = Object.fromEntries(Object.entries(house.cultures).filter(([, c]) => c.feederId === look.prey))
  return {
    look,
    scenarios: { count: scenarios.count, need: scenarios.need(look.prey) },
    // a thread is told what the readings come to, not all of them
    house: {
      cultures,
      places: house.places,
      climate: {},
      warmth: house.warmth ?? warmthOfCultures({ house, almanac }),
    },
    almanac: {
      feeders: { [look.prey]: feederOf(almanac, look.prey) },
      schools: almanac.schools,
      common: almanac.common,
    },
    settings,
    today,
  }
}

/** What to start or order for one prey. */
export function planFeeder({ look, scenarios, house, almanac, settings, today }: PlanJob, solve: SolveLp): FeederPlan {
  const feeder = feederOf(almanac, look.prey)
  const supply = plannedSupply(feeder)!
  const tempC = shelfTemp({ house, almanac }, look.prey)
  const input = inputFor(look, supply, tempC, settings, almanac, today)
  const days = input.need.length
  const plan = planStarts(input, solve)
  const bare = runStock(input, new Float64Array(days))
  const countFrom = Math.min(days, firstCoveredDay(input))
  const whole = scenarios.need
  const width = look.high.length
  const need = new Float64Array(days * scenarios.count)
  for (let s = 0; s < scenarios.count; s++) need.set(whole.subarray(s * width, s * width + days), s * days)
  const running = Object.values(house.cultures).flatMap(c => {
    const way = cultureWay(feeder, c)
    if (c.feederId !== look.prey || !way || !['growing', 'producing'].includes(cultureStage(c, way, today))) return []
    const at = cultureTempC(c, { house, almanac })
    const { from, alive } = growing(c, way, at, today, almanac.common.unwrittenProducing!.value)
    return [{ producing: from, alive, supply: way }]
  })
  const fixed = new Float64Array(days)
  for (const { day, count } of look.arriving) if (day < days) fixed[day]! += count
  const runOut = simulateRunOut({
    from: today,
    days,
    scenarios: scenarios.count,
    need,
    supply,
    stock: look.stock,
    keptPerDay: input.keptPerDay,
    running,
    starts: plan.starts,
    tempC,
    factor: settings.cupYield,
    luck: almanac.common.cupLuck!.value,
    fixed,
    countFrom,
    seed: seedFrom(look.prey),
  })
  const rhythm = schoolChoice(almanac, settings.schools, 'cupRhythm')
  return {
    prey: look.prey,
    kind: supply.kind,
    verb: verbOf(supply),
    unit: supply.unit,
    days,
    starts: plan.starts,
    bareStock: Array.from(bare.stock),
    bareMissing: Array.from(bare.missing),
    stock: Array.from(plan.stock),
    missing: Array.from(plan.missing),
    gaps: gapsOf(plan.missing, today),
    units: plan.units,
    leastPossible: plan.leastPossible,
    runOutChance: runOut.chance,
    shortDays: runOut.byDay.reduce((a, b) => a + b, 0),
    runOutByDay: Array.from(runOut.byDay),
    reasons: [
      {
        rule: 'The fewest whole units, started on culture days, so that usable stock covers the need on every day (mixed-integer programme)',
        inputs: [
          settingInput('Need covered', `${Math.round(settings.coverQuantile * 100)} % quantile`, 'coverQuantile'),
          settingInput(
            'Culture day',
            ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'][settings.cultureWeekday]!,
            'cultureWeekday',
          ),
          computedInput('Units in the plan', `${plan.units}; no plan needs fewer than ${plan.leastPossible}`),
          computedInput(
            'A start can cover from',
            Number.isFinite(countFrom) && countFrom < days ? formatDay(today + countFrom, today) : 'beyond the horizon',
          ),
          ...(supply.kind === 'batch'
            ? [
                settingInput('School', rhythm.name, 'cupRhythm'),
                ...(rhythm.fact?.value ? [factInput('Kept in case one fails', 'schools.cupRhythm', rhythm.fact)] : []),
              ]
            : []),
          ...(settings.cupYield !== 1
            ? [settingInput('Cup yield', `${settings.cupYield} × the almanac`, 'cupYield')]
            : []),
        ],
        change: 'Appetite, yield, culture day or the covered quantile',
      },
      supplyReasons(feeder, supply, tempC),
      {
        rule: 'The plan played through with need, delays, failures and yields drawn anew (fixed seed)',
        inputs: [
          computedInput('Runs', `${scenarios.count}`),
          computedInput('Runs with a day short by over 5 %', `${Math.round(runOut.chance * 100)} %`),
          computedInput(
            'Short days, mean of all runs',
            `${runOut.byDay.reduce((a, b) => a + b, 0).toFixed(1)} of ${days - countFrom}`,
          ),
          ...(supply.kind === 'bought'
            ? []
            : [computedInput('Chance that one fails', `${Math.round(failureChance(supply) * 100)} %`)]),
        ],
        change: 'One more on each culture day lowers it; so does a higher covered quantile',
      },
      ...look.reasons,
    ],
  }
}

const MEMORY = 64

/** Plans by what decides them, so that what has not changed is not solved again. Owned by whoever asks for plans. */
export class PlanMemory {
  private readonly plans = new Map<string, FeederPlan>()

  get(key: string): FeederPlan | undefined {
    return this.plans.get(key)
  }

  keep(key: string, plan: FeederPlan): FeederPlan {
    this.plans.set(key, plan)
    if (this.plans.size > MEMORY) this.plans.delete(this.plans.keys().next().value!)
    return plan
  }
}

/** What decides a plan, as a key: when none of it changed, neither does the plan. */
export function planKey(
  look: PreyOutlook,
  house: House,
  almanac: Pick<Almanac, 'feeders' | 'common' | 'schools'>,
  settings: HouseSettings,
  today: Day,
): string {
  const cultures = Object.values(house.cultures)
    .filter(c => c.feederId === look.prey)
    .map(c => [
      c.id,
      c.startDay,
      c.producing?.day,
      c.failed?.day,
      c.finished?.day,
      c.lastLook?.day,
      c.bought,
      cultureTempC(c, { house, almanac }),
      placeTempC(c.placeId, { house, almanac }),
    ])
  const round = (row: number[]) => row.map(x => Math.round(x * 100)).join()
  return JSON.stringify([
    look.prey,
    today,
    look.stock,
    round(look.high),
    round(look.running),
    cultures,
    settings.cultureWeekday,
    settings.cupYield,
    settings.coverQuantile,
    settings.schools,
    almanac.feeders[look.prey],
    almanac.schools.cupRhythm,
    almanac.common.cupLuck!.value,
    almanac.common.unwrittenProducing!.value,
  ])
}

/**
 * The plan of every prey whose supply can be planned; those whose inputs are the same as in an earlier call are taken
 * over.
 */
export function planFeeders(
  season: Season,
  scenarios: Scenarios,
  house: House,
  almanac: Almanac,
  settings: HouseSettings,
  solve: SolveLp,
  memory = new PlanMemory(),
): FeederPlan[] {
  return season.prey.map(look => {
    const key = planKey(look, house, almanac, settings, season.today)
    return (
      memory.get(key) ??
      memory.keep(key, planFeeder(planJob(look, scenarios, house, almanac, settings, season.today), solve))
    )
  })
}

/** What to start or order first, as one reads it: `Start 5 cups of large flies by 14 Apr`. */
export function tellStart(plan: FeederPlan, feeder: Feeder, today: Day): string | null {
  const first = plan.starts[0]
  if (!first) return null
  return `${tellUnits(plan, feeder, first.count)} by ${formatDay(first.day, today)}`
}

/** The same without the feeder's name, where that stands beside it: `Start 5 cups by 14 Apr`. */
export function tellStartShort(plan: FeederPlan, today: Day): string | null {
  const first = plan.starts[0]
  return first ? `${plan.verb} ${tellCount(plan.unit, first.count)} by ${formatDay(first.day, today)}` : null
}

function tellCount(unit: string, count: number): string {
  return `${count} ${count === 1 ? unit : unit.replace(/^\w+/, word => (word.endsWith('x') ? `${word}es` : `${word}s`))}`
}

/** `Start 5 cups of large flies`, `Order 1 bag of 25 mouse hoppers` */
export function tellUnits(plan: Pick<FeederPlan, 'kind' | 'verb' | 'unit'>, feeder: Feeder, count: number): string {
  const units = tellCount(plan.unit, count)
  return plan.kind === 'bought' ? `${plan.verb} ${units} ${feeder.many}` : `${plan.verb} ${units} of ${feeder.many}`
}
