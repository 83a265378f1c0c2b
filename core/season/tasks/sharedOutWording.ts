import { feederOf, type Almanac } from '../../almanac'
import type { Day } from '../../chance'
import type { Portion } from '../../feeding'
import { computedInput, factInput, type Reason } from '../../judgement'
import { formatDay } from '../../units'
import type { Task } from '../contracts'
import { tellPortion } from './feedingWording'

export const LABELS = { instead: 'Instead' } as const

export const tellPortions = (portions: readonly Portion[], almanac: Almanac): string =>
  portions.map(p => tellPortion(almanac, p)).join(' and ')

export interface Shared {
  short: NonNullable<Task['short']>
  /** What it gets. */
  portions: readonly Portion[]
  /** Of the same prey, only less. */
  fewer: boolean
  /** What is missing all the same, and until when that can wait. */
  missing: readonly Portion[]
  until: Day
}

/** @param detail what is said of the meal anyway */
export function tellShared(
  { short, portions, fewer, missing, until }: Shared,
  detail: string | undefined,
  almanac: Almanac,
  today: Day,
): string {
  const lacks = short.map(s => `${s.there > 0 ? 'too few' : 'no'} ${feederOf(almanac, s.prey).many}`).join(', ')
  const there = tellPortions(portions, almanac)
  const gets = portions.length ? (fewer ? `${there} left for it` : `instead ${there}`) : null
  const waits = missing.length ? `${gets ? 'the rest can' : 'it can'} wait until ${formatDay(until, today)}` : null
  return [`${lacks} for all`, gets, waits, detail].filter(Boolean).join('; ')
}

/** `about 38 of 306 small flies`, `none of 36 pinhead crickets` */
export const tellShort = (
  { prey, there, wanted }: NonNullable<Task['short']>[number],
  almanac: Pick<Almanac, 'feeders'>,
): string => `${there > 0 ? `about ${there}` : 'none'} of ${wanted} ${feederOf(almanac, prey).many}`

/** @param of what is short, and how much of it the task wants */
export const sharedReason = (
  of: readonly Portion[],
  there: ReadonlyMap<string, number>,
  wanted: ReadonlyMap<string, number>,
  almanac: Almanac,
): Reason => ({
  rule: 'There is not enough for all today: those first whose next meal would be due soonest; the others get what may stand for it beyond what its own eaters want, or wait',
  inputs: of.flatMap(({ prey }) => {
    const feeder = feederOf(almanac, prey)
    return [
      computedInput(`${feeder.name}, there today`, `${there.get(prey)}`),
      computedInput('Wanted today', `${wanted.get(prey)}`),
      ...(feeder.standIns ?? []).map((s, i) =>
        factInput(
          `${almanac.feeders[s.prey]?.name ?? s.prey} may be of a meal`,
          `feeders.${prey}.standIns.${i}.mostShare.value`,
          s.mostShare,
        ),
      ),
    ]
  }),
  change: 'A count of what is there, a harvest, or a delivery',
})
