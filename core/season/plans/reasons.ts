import { schoolChoice } from '../../almanac'
import { computedInput, entryInput, factInput, settingInput, spreadInput, type Reason } from '../../judgement'
import { GAP, failureChance } from '../../supply'
import { WEEKDAYS, formatDay, formatMoney, upperFirst } from '../../units'
import { placeWarmth } from '../warmth'
import type { FeederPlan, Held, OneMore, PlanJob } from './contracts'
import type { Kept } from './kept'
import { heldName, tellHeld, tellLacks, tellOneMore } from './words'

function supplyReasons({ feeder, supply, tempC, look }: Kept): Reason {
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
            placeWarmth('Shelf', tempC),
          ]
        : [factInput('Yield of one', `${path}.yieldPerDay.value`, supply.yieldPerDay)]),
      ...Object.values(look.colonies).map((perDay, i) =>
        computedInput(`Colony ${i + 1}, by its stages`, `${perDay.toFixed(1)} a day for good`),
      ),
      ...(feeder.recipe
        ? [factInput('Founders of one', `feeders.${feeder.id}.recipe.founders.value`, feeder.recipe.founders)]
        : []),
      factInput('Fails', `${path}.failure.value`, supply.failure),
      factInput('Keeps (half usable after)', `${path}.keepDays.value`, supply.keepDays),
    ],
    change: 'Your own yield: change the number in the Almanac',
  }
}

/** What one unit weighs, where that goes by what it costs. */
function weightInput(prey: string, { weights, settings }: Pick<PlanJob, 'weights' | 'settings'>): Reason['inputs'] {
  const usual = weights?.[prey]?.usual
  if (!usual) return []
  const costs = usual.money === null ? 'no price known' : `about ${formatMoney(usual.money, settings.currency)}`
  return [computedInput('One of it weighs', `${usual.units.toFixed(1)} units: ${costs}`)]
}

function startReason(
  { supply, days, countFrom, look }: Kept,
  plan: Pick<FeederPlan, 'units' | 'leastPossible'>,
  { settings, almanac, today, decided, weights }: PlanJob,
): Reason {
  const rhythm = schoolChoice(almanac, settings.schools, 'cupRhythm')
  return {
    rule: 'Whole units on culture days, no more than usable stock covering the need on every day asks for (mixed-integer programme)',
    inputs: [
      settingInput('Need covered', `${Math.round(settings.coverQuantile * 100)} % quantile`, 'coverQuantile'),
      settingInput('Culture day', WEEKDAYS[settings.cultureWeekday]!, 'cultureWeekday'),
      computedInput('Units in the plan', `${plan.units}; no plan needs fewer than ${plan.leastPossible}`),
      computedInput(
        'A start can cover from',
        Number.isFinite(countFrom) && countFrom < days ? formatDay(today + countFrom, today) : 'beyond the horizon',
      ),
      ...(decided[look.prey] ?? []).map(d =>
        entryInput(`Decided for ${formatDay(d.day, today)}`, `${d.said}`, { day: d.on, entryId: d.entryId }),
      ),
      ...(supply.kind === 'batch'
        ? [
            settingInput('School', rhythm.name, 'cupRhythm'),
            ...(rhythm.fact?.value ? [factInput('Kept in case one fails', 'schools.cupRhythm', rhythm.fact)] : []),
          ]
        : []),
      ...weightInput(look.prey, { weights, settings }),
      ...(settings.cupYield !== 1 ? [settingInput('Cup yield', `${settings.cupYield} × the almanac`, 'cupYield')] : []),
    ],
    change: 'Appetite, yield, culture day or the covered quantile',
  }
}

/** How a group was planned together, and how near the best that is. */
export interface TogetherTold {
  names: readonly string[]
  cost: number
  bound: number
  hungry: number
  /** Days whose starts are whole and proven; 0 where the search was given up. */
  wholeDays: number
  held: readonly Held[]
}

function togetherReason(
  { names, cost, bound, hungry, wholeDays, held }: TogetherTold,
  prey: string,
  { almanac, settings, today, eaters }: PlanJob,
): Reason {
  const least = Math.max(0, ...(eaters[prey] ?? []).map(e => e.leastOwn))
  const gap = cost > 0 ? Math.max(0, (cost - bound) / cost) : 0
  return {
    rule: 'Planned together with what may stand for it: the least cost of hungry meals, units and meals of another prey, each by its weight (mixed-integer programme)',
    inputs: [
      computedInput('Together with', names.join(', ')),
      ...(least ? [computedInput('Of itself at least, by a ladder', `${Math.round(100 * least)} %`)] : []),
      factInput('A hungry meal weighs', 'common.hungryCost.value', almanac.common.hungryCost!),
      settingInput(
        'A cup, a tub, a pack weighs',
        schoolChoice(almanac, settings.schools, 'unitWeight').name,
        'unitWeight',
      ),
      factInput('A meal of another prey weighs', 'common.standInCost.value', almanac.common.standInCost!),
      factInput('Today, not on culture day', 'common.extraTripCost.value', almanac.common.extraTripCost!),
      computedInput('Meals that nothing can give any more', hungry < 0.05 ? 'none' : hungry.toFixed(1)),
      computedInput(
        'Cost of the next half year',
        `${cost.toFixed(1)} units; no plan costs less than ${bound.toFixed(1)} (${(100 * gap).toFixed(1)} % between)`,
      ),
      ...held.map(h => computedInput(heldName(h), tellHeld(h, today, settings.currency))),
      computedInput(
        'Solved in whole units',
        wholeDays
          ? `the next ${wholeDays} days together, within ${100 * GAP} % of the best beyond what nothing avoids; later ones are divided there, and rounded feeder by feeder`
          : 'feeder by feeder: not solved together in time',
      ),
    ],
    change: 'What may stand for a prey and how much of it: the Almanac says it',
  }
}

/** How the plan was played through. */
export interface PlayedTold {
  runs: number
  chance: number
  shortDays: number
  days: number
  oneMore: OneMore | null
}

function playedReason(
  { runs, chance, shortDays, days, oneMore }: PlayedTold,
  { supply }: Kept,
  { almanac: { common }, today }: PlanJob,
): Reason {
  return {
    rule: 'The plan played through with need, delays, failures and yields drawn anew (fixed seed)',
    inputs: [
      computedInput('Runs', `${runs}`),
      computedInput('Runs with a hungry day', `${Math.round(chance * 100)} %`),
      ...(oneMore
        ? [
            computedInput(
              upperFirst(`with ${tellOneMore(supply, oneMore)}`),
              `${Math.round(oneMore.chance * 100)} %${tellLacks(oneMore, today)}`,
            ),
          ]
        : []),
      factInput('A day is hungry that lacks more than', 'common.hungryShare.value', common.hungryShare!),
      computedInput('Short days, mean of all runs', `${shortDays.toFixed(1)} of ${days}`),
      ...(supply.kind === 'bought'
        ? []
        : [computedInput('Chance that one fails', `${Math.round(failureChance(supply) * 100)} %`)]),
    ],
    change: 'One more on each culture day lowers it; so does a higher covered quantile',
  }
}

/** What was aimed at with spares, and what they reach. */
export interface SafetyTold {
  /** Chance of a season without a hungry day: in the whole house, and in this group. */
  wanted: number
  ofGroup: number
  spares: number
  /** In the scenarios by which the spares were chosen, and in fresh ones. */
  chosen: number
  fresh: number
  /** Prey whose hunger no spare takes away; null when the aim is met. */
  bound: string | null
  /** No fewer are known to do. */
  fewest: boolean
}

function safetyReason(told: SafetyTold): Reason {
  const percent = (chance: number) => `${Math.round(100 * chance)} of 100`
  return {
    rule: told.bound
      ? `Spares as far as they were found to help: ${told.bound} stay short in some seasons`
      : told.fewest
        ? 'Spares, the fewest with which the aim is met in the seasons that were played'
        : 'Spares until the aim is met, found one after the other: fewer might do',
    inputs: [
      settingInput('Seasons without a hungry day, in the house', percent(told.wanted), 'safeSeasons'),
      computedInput('Aimed at for this prey and what stands for it', percent(told.ofGroup)),
      computedInput('Spares of this prey', `${told.spares}`),
      computedInput('Reached in the seasons by which they were chosen', percent(told.chosen)),
      computedInput('Reached in fresh seasons', percent(told.fresh)),
    ],
    change: 'The aim, in Settings; a culture that fails less often; a second source',
  }
}

/** The working of a plan, the most telling first. */
export function planReasons(
  kept: Kept,
  plan: Pick<FeederPlan, 'units' | 'leastPossible'>,
  job: PlanJob,
  told: { together: TogetherTold | null; played: PlayedTold; safety: SafetyTold | null },
): Reason[] {
  return [
    startReason(kept, plan, job),
    ...(told.together ? [togetherReason(told.together, kept.look.prey, job)] : []),
    ...(told.safety ? [safetyReason(told.safety)] : []),
    supplyReasons(kept),
    playedReason(told.played, kept, job),
    ...kept.look.reasons,
  ]
}
