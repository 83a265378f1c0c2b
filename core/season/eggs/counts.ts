import { followers } from '../../incubation'
import { computedInput, factInput, type Reason } from '../../judgement'
import { doubtfulEggs, eggsLeft, pippedNow, type ClutchState } from '../../subjects'
import type { DayDist } from '../../chance'
import type { SeasonContext } from '../context'
import { hatchShares } from './shares'

export interface EggsToCome {
  count: number
  /** The 80 % range of it, where they were counted by squares. */
  low: number
  high: number
  /** Chance of each that it comes through to a young that eats. */
  each: number
  /** When they come, where mates of them are out; else the clock of the clutch says. */
  dist: DayDist | null
  reasons: Reason[]
}

/**
 * The eggs of a clutch that may still hatch, and how likely each does: by candling, by what was said of single eggs,
 * by what came of her clutches before, and by mates that are out already.
 */
export function eggsToCome(clutch: ClutchState, context: SeasonContext): EggsToCome | null {
  const { almanac, today } = context
  const left = clutch.kind === 'litter' ? 0 : eggsLeft(clutch)
  if (!left) return null
  const out = clutch.hatched[0]
  // spawn hatches within days: what is left by then does not
  if (clutch.kind === 'spawn' && out && today - out.day >= almanac.common.lastHatch!.value) return null
  const candled = clutch.good !== null
  const good = candled ? Math.min(clutch.good!, left) : left
  const doubtful = candled ? Math.min(doubtfulEggs(clutch), left - good) : 0
  const count = good + doubtful
  if (!count) return null
  const range = clutch.eggsRange && !candled ? clutch.eggsRange : { low: clutch.eggs, high: clutch.eggs }
  const low = Math.max(0, count - (clutch.eggs - range.low))
  const high = count + (range.high - clutch.eggs)
  const { fertility, hatch, larval, reasons } = hatchShares(clutch, context)
  const less = almanac.common.doubtfulHatch!
  const open = clutch.kind === 'eggs' ? Math.min(pippedNow(clutch)?.count ?? 0, good) : 0
  const pips = almanac.common.pipComes!
  const whole = (candled ? 1 : fertility) * hatch * (good - open + doubtful * less.value)
  const mean = (open * pips.value + whole) / count
  const why: Reason[] = [
    {
      rule: candled ? 'Good eggs by candling times their usual hatch' : 'Eggs times their usual fertility and hatch',
      inputs: [
        computedInput(candled ? 'Good eggs' : 'Eggs', `${good}`),
        ...(doubtful
          ? [
              computedInput('Doubtful', `${doubtful}`),
              factInput('Of a sound egg’s chance', 'common.doubtfulHatch.value', less),
            ]
          : []),
        ...(open
          ? [
              computedInput('Of these pipped', `${open}`),
              factInput('Pipped eggs come out', 'common.pipComes.value', pips),
            ]
          : []),
        ...reasons(candled),
      ],
      change: 'Candling replaces the usual fertility by what was seen',
    },
  ]
  const first = out
  if (!first || clutch.kind !== 'eggs') return { count, low, high, each: mean * larval, dist: null, reasons: why }
  const within = almanac.common.lastHatch!
  const looked = Math.max(first.day, clutch.lastCheck?.day ?? first.day, clutch.hatched.at(-1)!.day)
  const { eggsMostly, eggsLate } = almanac.common
  const following = { mostly: eggsMostly!.value, nearlyAll: within.value, late: eggsLate!.value }
  const follow = followers(first.day, following, mean, looked, today)
  why.push({
    rule: `Mates are out: nearly all follow within ${within.value} days of the first. The longer one does not, the less likely it lives`,
    inputs: [
      computedInput('Days since the first', `${today - first.day}`),
      factInput('Nearly all within', 'common.lastHatch.value', within),
      factInput('Most within', 'common.eggsMostly.value', eggsMostly!),
      factInput('Later still', 'common.eggsLate.value', eggsLate!),
      computedInput('Chance of each before', `${Math.round(mean * 100)} %`),
      computedInput('Now', `${Math.round(follow.each * 100)} %`),
    ],
    change: 'A hatch, a pip, or an egg that is surely dead',
  })
  return { count, low, high, each: follow.each * larval, dist: follow.dist, reasons: why }
}
