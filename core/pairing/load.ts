import type { Almanac, Mating, Species } from '../almanac'
import type { Day, DayDist } from '../chance'
import type { Judgement } from '../judgement'
import type { AnimalState, ClutchState, Weighing } from '../subjects'
import type { LoadFinding, LoadSeen } from './loadFindings'
import { loadReason, tellLoad } from './loadWording'

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

function seenOf(dam: AnimalState, season: readonly ClutchState[], common: Almanac['common']): LoadSeen | null {
  const [first, last] = [season[0], season.at(-1)]
  if (!first || !last) return null
  const { loadBefore, loadAfter } = common
  const inTime = dam.weights.filter(w => w.day < first.startDay && first.startDay - w.day <= loadBefore!.value)
  const before = inTime.at(-1) ?? null
  const after = dam.weights.find(w => w.day >= last.startDay && w.day - last.startDay <= loadAfter!.value) ?? null
  const latest = dam.weights.at(-1)
  const now = latest && latest.day >= last.startDay ? latest : null
  const since = dam.meals.filter(m => m.day >= last.startDay)
  const mealsSince = since.filter(m => m.taken > 0).length
  return {
    clutches: season.length,
    last: last.startDay,
    before,
    after,
    now,
    ofBefore: before && now ? now.massG / before.massG : null,
    mealsSince,
    refusedSince: since.length - mealsSince,
  }
}

/** The first of the rules that speaks, in the order in which they weigh. */
function decided(
  { clutches, now, ofBefore, mealsSince, refusedSince }: LoadSeen,
  { mating, nextClutch }: Species & { mating: Mating },
  unwell: boolean,
  common: Almanac['common'],
): readonly [LoadAction, LoadFinding] {
  const perSeason = nextClutch?.perSeason
  if (unwell) return ['rest', { code: 'unwell' }]
  if (ofBefore !== null && ofBefore < mating.restBelow.value) return ['rest', { code: 'spent', share: ofBefore }]
  if (refusedSince >= common.lostAppetite!.value && mealsSince === 0)
    return ['rest', { code: 'refuses', times: refusedSince }]
  if (!perSeason) return ['rest', { code: 'oneASeason' }]
  if (clutches >= perSeason.latest) return ['rest', { code: 'most', clutches }]
  if (ofBefore === null) return ['weigh', { code: 'notWeighed', since: now !== null }]
  if (ofBefore < mating.againFrom.value) return ['feedUp', { code: 'thin', share: ofBefore }]
  if (clutches >= perSeason.likely && clutches > 1) return ['rest', { code: 'usual', clutches }]
  return ['again', { code: 'strong', share: ofBefore }]
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
  const season = clutches
    .filter(c => today - c.startDay <= common.loadSeason!.value)
    .sort((a, b) => a.startDay - b.startDay)
  const seen = seenOf(dam, season, common)
  const [action, finding] = seen
    ? decided(seen, species, dam.unwell !== null, common)
    : (['nothing', { code: 'noClutch' }] as const)
  const [text, rule] = tellLoad(finding)
  return {
    value: {
      action,
      text,
      clutches: season.length,
      further: later.reduce((sum, d) => sum + 1 - d.never, 0),
      latest: dam.weights.at(-1) ?? null,
      daysSince: seen && today - seen.last,
      before: seen?.before ?? null,
      after: seen?.after ?? null,
      ofBefore: seen?.ofBefore ?? null,
      mealsSince: seen?.mealsSince ?? 0,
      refusedSince: seen?.refusedSince ?? 0,
    },
    reasons: [loadReason(rule, seen, species, common, today)],
  }
}
