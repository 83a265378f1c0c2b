import type { Almanac, Mating, Species } from '../almanac'
import type { Day } from '../chance'
import { computedInput, entryInput, factInput, spreadInput, type Reason } from '../judgement'
import { counted, formatDay } from '../units'
import type { LoadFinding, LoadSeen } from './loadFindings'

const ofBefore = (share: number) => `${Math.round(share * 100)} % of her weight before`

/** What decides, in a few words, and the rule that it follows. */
type Told = readonly [text: string, rule: string]

const WORDS: { [C in LoadFinding['code']]: (finding: Extract<LoadFinding, { code: C }>) => Told } = {
  noClutch: () => ['No clutch in this season yet', 'Her load is judged from the first clutch on'],
  unwell: () => ['not well', 'An animal that is not well rests'],
  spent: ({ share }) => [`${ofBefore(share)} the season`, 'Below the limit she rests to the next season'],
  refuses: ({ times }) => [`refuses since laying, ${times} ×`, 'No appetite after laying is a sign of exhaustion'],
  oneASeason: () => ['one a season', 'The species brings one clutch or litter a season'],
  most: ({ clutches }) => [`${clutches} clutches, the most for a season`, 'Clutches a season are limited'],
  notWeighed: ({ since }) => [
    since ? 'her weight before the season is not known' : 'weigh her after laying',
    'Without a weight before and after, her load cannot be told',
  ],
  thin: ({ share }) => [
    `${ofBefore(share)}: feed her up first`,
    'Between the two limits she is fed up before the male goes in again',
  ],
  usual: ({ clutches }) => [
    `${clutches} clutches, as many as usual`,
    'Past the usual number she rests, though her weight would allow another',
  ],
  strong: ({ share }) => [ofBefore(share), 'Her weight and appetite allow another clutch'],
}

export const tellLoad = <F extends LoadFinding>(finding: F): Told => (WORDS[finding.code] as (f: F) => Told)(finding)

function loadInputs(
  { clutches, last, before, after, now, ofBefore, mealsSince, refusedSince }: LoadSeen,
  species: Species & { mating: Mating },
  common: Almanac['common'],
  today: Day,
): Reason['inputs'] {
  const { restBelow, againFrom } = species.mating
  const path = `species.${species.id}.mating`
  const perSeason = species.nextClutch?.perSeason
  return [
    computedInput('Clutches this season', `${clutches}, the last ${formatDay(last, today)}`),
    before
      ? entryInput('Before the season', `${before.massG} g, ${formatDay(before.day, today)}`, before)
      : computedInput('Before the season', `no weight within ${common.loadBefore!.value} days`),
    after
      ? entryInput('After laying', `${after.massG} g, ${formatDay(after.day, today)}`, after)
      : computedInput('After laying', 'not weighed'),
    ...(now && now !== after ? [entryInput('Now', `${now.massG} g, ${formatDay(now.day, today)}`, now)] : []),
    ...(ofBefore !== null ? [computedInput('Of the weight before', `${Math.round(ofBefore * 100)} %`)] : []),
    computedInput('Since laying', `${counted(mealsSince, 'meal')} taken, ${refusedSince} refused`),
    factInput('Appetite lost from', 'common.lostAppetite.value', common.lostAppetite!),
    factInput('Rests below', `${path}.restBelow.value`, restBelow),
    factInput('May go again from', `${path}.againFrom.value`, againFrom),
    ...(perSeason ? [spreadInput('Clutches a season', `species.${species.id}.nextClutch.perSeason`, perSeason)] : []),
  ]
}

/** The rule that was followed, with what her load was judged by. */
export function loadReason(
  rule: string,
  seen: LoadSeen | null,
  species: Species & { mating: Mating },
  common: Almanac['common'],
  today: Day,
): Reason {
  return seen
    ? { rule, inputs: loadInputs(seen, species, common, today), change: 'A weight, a meal, another clutch' }
    : { rule, inputs: [] }
}
