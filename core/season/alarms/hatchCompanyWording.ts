import type { Almanac } from '../../almanac'
import type { DaySummary } from '../../chance'
import { computedInput, factInput } from '../../judgement'
import { formatRange, tellSome } from '../../units'
import type { Told } from './told'

export interface AmongGrown {
  /** Name of the place, and tag of the clutch in it. */
  name: string
  tag: string
  /** Grown animals that live there. */
  beside: readonly string[]
  /** Young that are there already. */
  young: number
  /** All of these are tadpoles. */
  larvae: boolean
  /** When its eggs hatch, where that is near. */
  hatch: DaySummary | null
}

/** So many of those beside it are named. */
const NAMED = 4

function textOf({ name, tag, young, larvae, hatch }: AmongGrown, who: string): string {
  if (young) return `${name}: ${young} ${larvae ? 'tadpoles' : 'young'} of ${tag} are with ${who}, who may eat them`
  return `${name}: ${tag} hatches ${formatRange(hatch!)} beside ${who}, who may eat eggs and young`
}

export function tellHatchCompany(found: AmongGrown, { common }: Almanac): Told {
  const { beside, hatch } = found
  const who = tellSome(beside, NAMED)
  return {
    text: textOf(found, who),
    todo: 'Give eggs and young a place of their own, the perch with glued eggs too. Where the parents care for them, answer it and look daily.',
    reasons: [
      {
        rule: 'Grown animals of many kinds eat eggs and young, their own too: told before they come out',
        inputs: [
          computedInput('Lives there', who),
          ...(hatch ? [computedInput('Hatch', formatRange(hatch))] : []),
          factInput('Told from so long before', 'common.hatchCompanyDays.value', common.hatchCompanyDays!),
        ],
        change: 'Another place for the clutch, or for who lives there',
      },
    ],
  }
}
