import { derived } from '../derived'
import { clockOf, type BreedingEvent, type Fact, type Species, type Spread } from '../almanac'
import {
  certain,
  conditionFrom,
  conditionUnwritten,
  convolve,
  cumulativeOf,
  pert,
  weighedBy,
  withLateTail,
  withNever,
  type Day,
  type DayDist,
} from '../chance'
import { computedInput, entryInput, factInput, spreadInput, type Input, type Reason } from '../judgement'
import type { Observed } from '../subjects'
import { formatDay } from '../units'

/** One event of a lane: seen on a day, or expected over days. */
export interface EventForecast {
  event: BreedingEvent
  observed: Observed | null
  dist: DayDist
  reasons: Reason[]
  caution?: string
  /** Not seen itself, but read off a measurement of this cycle: it rules over earlier events as one seen does. */
  measured?: boolean
}

/** The order in which things happen to a pair and its young. */
export function chainOf(species: Species): BreedingEvent[] {
  const start: BreedingEvent[] =
    species.winter === 'none' ? ['introduced'] : species.winter === 'brumation' ? ['warmUp', 'ready'] : ['warmUp']
  switch (species.mode) {
    case 'egg':
      return [...start, 'copulation', 'ovulation', 'preLayShed', 'laid', 'hatched', 'firstMeal']
    case 'live':
      return [...start, 'copulation', 'ovulation', 'postOvulationShed', 'born', 'firstMeal']
    case 'larval':
      return [...start, 'copulation', 'laid', 'hatched', 'metamorphosed', 'firstMeal']
  }
}

export const EVENT_NAMES: Record<BreedingEvent, string> = {
  warmUp: 'warm-up',
  ready: 'ready to pair',
  introduced: 'introduction',
  copulation: 'lock',
  ovulation: 'ovulation',
  postOvulationShed: 'post-ovulation shed',
  preLayShed: 'pre-lay shed',
  laid: 'laying',
  born: 'birth',
  hatched: 'hatch',
  metamorphosed: 'froglets',
  firstMeal: 'first meal',
}

/** A share of a clock comes after its latest day, and fades over a fifth of its span: 'latest' is rarely the last. */
const withTail = (dist: DayDist, late: Fact): DayDist => withLateTail(dist, late.value, Math.max(2, dist.p.length / 5))

const clocksOf = derived((late: Fact) => derived((days: Spread): DayDist => withTail(pert(days), late)))
/**
 * The distribution of a clock of the almanac; worked out once per row.
 * @param late share that comes later than the latest day
 */
export const clockDist = (days: Spread, late: Fact): DayDist => clocksOf(late)(days)

/** A step of the chain whose time does not stand in the clock table: incubation by temperature. */
export interface ComputedClock {
  dist: DayDist
  reason: Reason
  /** How its inputs came about. */
  more?: Reason[]
  caution: string | null
  /** Chance that something of the clutch hatches at all. */
  comes: Fact
}

export interface ChainInput {
  species: Species
  /** Share of each clock that comes after its latest day (`common.clockLate`). */
  late: Fact
  /** What was seen in this cycle. */
  observed: Partial<Record<BreedingEvent, Observed>>
  /** Starting points that were not seen but are planned or follow from elsewhere, with their working. */
  given: Partial<Record<BreedingEvent, { dist: DayDist; reasons: Reason[]; measured?: boolean }>>
  /** Laying to hatching, where temperature sets it. */
  incubation: ComputedClock | null
  today: Day
  /** Events that had not happened by a day on which someone looked: before it there is no doubt. */
  notBy?: Partial<Record<BreedingEvent, Day>>
  /** Chance that an event happened and was not written; without it, what is not written has not happened. */
  unwritten?: (event: BreedingEvent) => number
}

interface Step {
  from: EventForecast
  clock: DayDist
  comes: number
  reason: Reason
  caution?: string
  more?: Reason[]
}

function clockStep({ species, late }: ChainInput, from: EventForecast, to: BreedingEvent): Step | null {
  const clock = clockOf(species, from.event, to)
  if (!clock) return null
  const path = `species.${species.id}.clocks.${from.event}>${to}`
  return {
    from,
    clock: clockDist(clock.days, late),
    comes: clock.comes.value,
    reason: {
      rule: `From ${EVENT_NAMES[from.event]} to ${EVENT_NAMES[to]}: earliest, likely, latest (PERT), with a late tail`,
      inputs: [
        spreadInput('Clock', `${path}.days`, clock.days),
        factInput('Chance that it comes', `${path}.comes`, clock.comes),
        factInput('Later than the latest', 'common.clockLate.value', late),
      ],
    },
  }
}

function stepsTo(input: ChainInput, known: EventForecast[], to: BreedingEvent): Step[] {
  const steps = known.map(from => clockStep(input, from, to)).filter(s => s !== null)
  const laid = known.find(k => k.event === 'laid')
  if (to === 'hatched' && input.incubation && laid) {
    const { dist, reason, more, caution, comes } = input.incubation
    const told = factInput('Chance that it comes', 'common.hatchComes.value', comes)
    steps.push({
      from: laid,
      clock: withTail(dist, input.late),
      comes: comes.value,
      reason: { ...reason, inputs: [...reason.inputs, told] },
      ...(more && { more }),
      ...(caution && { caution }),
    })
  }
  return steps
}

function whence(from: EventForecast, today: Day): Input {
  return from.observed
    ? entryInput(`Seen: ${EVENT_NAMES[from.event]}`, formatDay(from.observed.day, today), from.observed)
    : computedInput(`Expected: ${EVENT_NAMES[from.event]}`, 'see its own working')
}

/**
 * What the silence of signs between two events says of the later one: had it come by a day, each sign would have come
 * its own clock before, and would mostly have been written.
 */
function silentSigns(
  { species, late, observed, today, unwritten }: ChainInput,
  chain: readonly BreedingEvent[],
  from: BreedingEvent,
  to: BreedingEvent,
): ((day: Day) => number)[] {
  if (!unwritten) return []
  return chain
    .slice(chain.indexOf(from) + 1, chain.indexOf(to))
    .filter(sign => !observed[sign])
    .flatMap(sign => {
      const clock = clockOf(species, sign, to)
      const missed = unwritten(sign)
      if (!clock || missed >= 1 || !clockOf(species, from, to)) return []
      const by = cumulativeOf(clockDist(clock.days, late))
      // the sign had come by yesterday when the clock is longer than the days from then to the event
      return [(day: Day) => 1 - (1 - missed) * (1 - by(day - today))]
    })
}

/**
 * Forecasts the events of one cycle: a hidden chain, filtered by what was written and by what was not. The nearest
 * observed event rules; where nothing was seen, clocks are added up from the given start. Of what is not written by
 * today the days before count by the chance that it happened and went unwritten. Events that were overtaken (a later
 * one was seen) are left out.
 */
export function forecastChain(input: ChainInput): EventForecast[] {
  const chain = chainOf(input.species)
  const lastSeen = chain.reduce((last, event, i) => (input.observed[event] ? i : last), -1)
  const known: EventForecast[] = []
  chain.forEach((event, i) => {
    const observed = input.observed[event] ?? null
    if (observed) {
      known.push({
        event,
        observed,
        dist: certain(observed.day),
        reasons: [
          {
            rule: 'Seen and written in the logbook',
            inputs: [entryInput(EVENT_NAMES[event], formatDay(observed.day, input.today), observed)],
          },
        ],
      })
      return
    }
    if (i < lastSeen) return
    const given = input.given[event]
    if (given) {
      known.push({ event, observed: null, ...given })
      return
    }
    const steps = stepsTo(input, known, event)
    // nearest observed first; without one, the trunk of the chain (the earliest way), since signs may never be seen
    const step = [...steps].reverse().find(s => s.from.observed ?? s.from.measured) ?? steps[0]
    if (!step) return
    const added = withNever(convolve(step.from.dist, step.clock), 1 - step.comes)
    const unwritten = input.unwritten?.(event) ?? 0
    const silent = silentSigns(input, chain, step.from.event, event)
    const after = conditionFrom(added, (input.notBy?.[event] ?? Number.NEGATIVE_INFINITY) + 1)
    const heard = silent.length ? weighedBy(after, day => silent.reduce((all, sign) => all * sign(day), 1)) : after
    const dist = conditionUnwritten(heard, input.today, unwritten)
    const overdue = added.p.length > 0 && added.start < input.today
    const reasons: Reason[] = [
      { ...step.reason, inputs: [whence(step.from, input.today), ...step.reason.inputs] },
      ...(step.more ?? []),
    ]
    if (overdue) {
      reasons.push(
        unwritten > 0
          ? {
              rule: 'Not written by today: the days before count only by the chance that it happened and went unwritten',
              inputs: [
                computedInput('Today', formatDay(input.today)),
                computedInput('Happens unwritten', `${Math.round(unwritten * 100)} %`),
              ],
              change: 'Recording it, with its day, moves everything after it',
            }
          : {
              rule: 'Not seen by today, so the days before are ruled out and the rest is scaled up',
              inputs: [computedInput('Today', formatDay(input.today))],
              change: 'Recording it moves everything after it',
            },
      )
    }
    known.push({ event, observed: null, dist, reasons, ...(step.caution && { caution: step.caution }) })
  })
  return known
}
