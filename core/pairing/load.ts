import type { Almanac, Mating, Species } from '../almanac'
import type { Day, DayDist } from '../chance'
import { computedInput, entryInput, factInput, spreadInput, type Judgement, type Reason } from '../judgement'
import type { AnimalState, ClutchState, Weighing } from '../subjects'
import { formatDay } from '../units'

export const LOAD_ACTIONS = ['rest', 'weigh', 'feedUp', 'again', 'nothing'] as const
export type LoadAction = (typeof LOAD_ACTIONS)[number]

export interface LoadVerdict {
  action: LoadAction
  text: string
  /** Clutches or litters of this season. */
  clutches: number
  /** Expected further ones to the end of the season. */
  further: number
  daysSince: number | null
  before: Weighing | null
  after: Weighing | null
  latest: Weighing | null
  /** Latest weight as a share of the weight before the season. */
  ofBefore: number | null
  mealsSince: number
  refusedSince: number
}

/**
 * What the female bears: her weight after laying against before, clutches, days and appetite since; whether the next
 * clutch may come or she rests.
 * @param clutches hers, of all seasons
 * @param later layings still to come, with their chances
 * @param common numbers that hold for every species
 */
export function judgeLoad(
  species: Species & { mating: Mating },
  dam: AnimalState,
  clutches: readonly ClutchState[],
  later: readonly DayDist[],
  common: Almanac['common'],
  today: Day,
): Judgement<LoadVerdict> {
  const { loadBefore, loadAfter, loadSeason } = common
  const season = clutches.filter(c => today - c.startDay <= loadSeason!.value).sort((a, b) => a.startDay - b.startDay)
  const [first, last] = [season[0], season.at(-1)]
  const further = later.reduce((sum, d) => sum + 1 - d.never, 0)
  const latest = dam.weights.at(-1) ?? null
  const base = { clutches: season.length, further, latest }
  if (!first || !last) {
    return {
      value: {
        ...base,
        action: 'nothing',
        text: 'No clutch in this season yet',
        daysSince: null,
        before: null,
        after: null,
        ofBefore: null,
        mealsSince: 0,
        refusedSince: 0,
      },
      reasons: [{ rule: 'Her load is judged from the first clutch on', inputs: [] }],
    }
  }
  const before =
    dam.weights.filter(w => w.day < first.startDay && first.startDay - w.day <= loadBefore!.value).at(-1) ?? null
  const after = dam.weights.find(w => w.day >= last.startDay && w.day - last.startDay <= loadAfter!.value) ?? null
  const since = dam.meals.filter(m => m.day >= last.startDay)
  const mealsSince = since.filter(m => m.taken > 0).length
  const refusedSince = since.length - mealsSince
  const now = latest && latest.day >= last.startDay ? latest : null
  const ofBefore = before && now ? now.massG / before.massG : null
  const path = `species.${species.id}.mating`
  const { restBelow, againFrom } = species.mating
  const perSeason = species.nextClutch?.perSeason
  const value = { daysSince: today - last.startDay, before, after, ofBefore, mealsSince, refusedSince, ...base }
  const inputs: Reason['inputs'] = [
    computedInput('Clutches this season', `${season.length}, the last ${formatDay(last.startDay, today)}`),
    before
      ? entryInput('Before the season', `${before.massG} g, ${formatDay(before.day, today)}`, before)
      : computedInput('Before the season', `no weight within ${loadBefore!.value} days`),
    after
      ? entryInput('After laying', `${after.massG} g, ${formatDay(after.day, today)}`, after)
      : computedInput('After laying', 'not weighed'),
    ...(now && now !== after ? [entryInput('Now', `${now.massG} g, ${formatDay(now.day, today)}`, now)] : []),
    ...(ofBefore !== null ? [computedInput('Of the weight before', `${Math.round(ofBefore * 100)} %`)] : []),
    computedInput('Since laying', `${mealsSince} meals taken, ${refusedSince} refused`),
    factInput('Appetite lost from', 'common.lostAppetite.value', common.lostAppetite!),
    factInput('Rests below', `${path}.restBelow.value`, restBelow),
    factInput('May go again from', `${path}.againFrom.value`, againFrom),
    ...(perSeason ? [spreadInput('Clutches a season', `species.${species.id}.nextClutch.perSeason`, perSeason)] : []),
  ]
  const say = (action: LoadAction, text: string, rule: string): Judgement<LoadVerdict> => ({
    value: { action, text, ...value },
    reasons: [{ rule, inputs, change: 'A weight, a meal, another clutch' }],
  })
  if (dam.unwell) return say('rest', 'not well', 'An animal that is not well rests')
  if (ofBefore !== null && ofBefore < restBelow.value)
    return say(
      'rest',
      `${Math.round(ofBefore * 100)} % of her weight before the season`,
      'Below the limit she rests to the next season',
    )
  if (refusedSince >= common.lostAppetite!.value && mealsSince === 0)
    return say('rest', `refuses since laying, ${refusedSince} ×`, 'No appetite after laying is a sign of exhaustion')
  if (!perSeason) return say('rest', 'one a season', 'The species brings one clutch or litter a season')
  if (season.length >= perSeason.latest)
    return say('rest', `${season.length} clutches, the most for a season`, 'Clutches a season are limited')
  if (ofBefore === null)
    return say(
      'weigh',
      now ? 'her weight before the season is not known' : 'weigh her after laying',
      'Without a weight before and after, her load cannot be told',
    )
  if (ofBefore < againFrom.value)
    return say(
      'feedUp',
      `${Math.round(ofBefore * 100)} % of her weight before: feed her up first`,
      'Between the two limits she is fed up before the male goes in again',
    )
  if (season.length >= perSeason.likely && season.length > 1)
    return say(
      'rest',
      `${season.length} clutches, as many as usual`,
      'Past the usual number she rests, though her weight would allow another',
    )
  return say(
    'again',
    `${Math.round(ofBefore * 100)} % of her weight before`,
    'Her weight and appetite allow another clutch',
  )
}
