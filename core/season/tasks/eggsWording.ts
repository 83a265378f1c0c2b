import type { Almanac, EggPhase, Fact, Species } from '../../almanac'
import { formatTempRange } from '../../channels'
import type { DaySummary } from '../../chance'
import { computedInput, entryInput, factInput, spreadInput, type Reason } from '../../judgement'
import type { ClutchState } from '../../subjects'
import { formatDistance, formatQuantity, formatRange, type TempUnit } from '../../units'
import { phaseInput } from '../eggs'
import type { Told } from './told'

export const LABELS = {
  hatched: 'Hatched',
  howManyHatched: 'How many hatched',
  pipped: 'Pipped',
  howManyPipped: 'How many are pipped',
  morePipped: 'More pipped',
  out: 'Out',
  notYet: 'Not yet',
  lostSome: 'Lost some',
  eggsLost: 'Eggs lost',
  dead: 'Dead',
  eggsDead: 'Eggs that are dead',
  moved: 'Moved',
  close: 'Close',
  goodEggs: 'Good eggs',
  allWell: 'All well',
  waterGiven: 'Water given',
  water: 'Water',
} as const

export interface EggsOfClutch {
  clutch: ClutchState
  species: Species
  /** How many are left. */
  eggs: number
}

const LEAVE = 'Leave them in the box till out and the yolk is in; never pull, and never cut a shell.'
const percent = (chance: number) => `${Math.round(chance * 100)} %`

export interface PhaseOver {
  phase: EggPhase
  index: number
  /** The day on which it began. */
  since: number
  /** What follows; null where they develop then. */
  next: EggPhase | null
}

export function tellPhase(
  { clutch, species }: EggsOfClutch,
  { phase, index, since, next }: PhaseOver,
  { almanac, today, tempUnit }: { almanac: Almanac; today: number; tempUnit: TempUnit },
): Told {
  const to = next
    ? `${formatTempRange(next.lowC.value, next.highC.value, tempUnit)}, ${next.name.toLowerCase()}`
    : `${formatQuantity(species.incubation!.usualTempC.value, tempUnit)}, to develop`
  const long = today > since + phase.days.latest ? `; ${phase.days.latest} days are usually the most` : ''
  return {
    what: `Move to ${to}: ${phase.name.toLowerCase()} is over`,
    detail: `in it ${formatDistance(since, today)}${long}`,
    ...(phase.how && { caution: phase.how }),
    reasons: [
      {
        rule: `Eggs ${clutch.programme ? 'in this programme' : 'of this species'} pass phases before they develop; each is moved on its likely day`,
        inputs: [
          phaseInput(clutch, phase, index),
          computedInput('Days in it', `${today - since}`),
          factInput(
            'Then at',
            `species.${species.id}.incubation.usualTempC.value`,
            almanac.species[species.id]!.incubation!.usualTempC,
          ),
        ],
        change: 'Writing that the next phase began; other days set in the Almanac',
      },
    ],
  }
}

export interface Pipped {
  count: number
  /** The day of the first. */
  since: number
  /** Whether they take no longer than usual, longer, or so long that someone trained is asked. */
  wait: 'leave' | 'look' | 'askHelp'
}

const PIPPED: Record<Pipped['wait'], string> = {
  leave: 'leave',
  look: 'look, do not pull',
  askHelp: 'ask the vet, or someone trained',
}

export function tellPipped(
  { species, eggs }: EggsOfClutch,
  { count, since, wait }: Pipped,
  { common: { pipWait, pipAsk } }: Almanac,
  today: number,
): Told {
  const usual = species.incubation?.pipToOut
  const days = today - since
  const when = days ? `${days} ${days === 1 ? 'day' : 'days'} ago` : 'today'
  const usually = usual ? `${usual.earliest}–${usual.latest}` : `about ${pipWait!.value}`
  return {
    what: `${count} pipped ${when}: ${PIPPED[wait]}`,
    detail: `out ${usually} days after the pip${eggs > count ? `; ${eggs - count} whole` : ''}`,
    caution:
      wait === 'askHelp'
        ? 'Longer than they take: someone who has done it, or the vet, decides. Opening a shell too early kills.'
        : LEAVE,
    reasons: [
      {
        rule: 'From pip to out the yolk is taken in; how long that takes is of the species',
        inputs: [
          computedInput('Pipped', `${count}, first ${formatDistance(since, today)}`),
          usual
            ? spreadInput('Pip to out', `species.${species.id}.incubation.pipToOut`, usual)
            : factInput('Pip to out, where the species does not say', 'common.pipWait.value', pipWait!),
          factInput('Asked for help after so much longer', 'common.pipAsk.value', pipAsk!),
        ],
        change: 'Writing who is out',
      },
    ],
  }
}

export interface Behind {
  /** The day on which the last of its mates came out. */
  last: number
  /** Chance of each that it still comes. */
  come: { each: number; reasons: readonly Reason[] }
}

export const tellBehind = (
  { eggs }: EggsOfClutch,
  { last, come }: Behind,
  { common }: Almanac,
  today: number,
): Told => ({
  what: `${eggs} ${eggs === 1 ? 'egg is' : 'eggs are'} behind the mates by ${today - last} days: look, do not pull`,
  detail: `${percent(come.each)} each that it still comes`,
  caution: LEAVE,
  reasons: [
    {
      rule: 'Whole so long after the last of its mates came out',
      inputs: [
        computedInput('Last hatch', formatDistance(last, today)),
        factInput('Told from', 'common.eggsBehind.value', common.eggsBehind!),
      ],
    },
    ...come.reasons,
  ],
})

/** @param ahead chance that one still comes, 0..1 */
export const tellClose = (
  { eggs }: EggsOfClutch,
  ahead: number,
  reasons: readonly Reason[],
  { common }: Almanac,
): Told => ({
  what: `Candle a last time, and close the clutch: no hatch is likely of its ${eggs} eggs`,
  detail: `${percent(ahead)} that one still comes`,
  caution: 'Open a few that are surely dead to see how far they came; gloves, and wash hands after.',
  reasons: [
    {
      rule: 'What is left of the forecast hatched unseen, or does not hatch any more',
      inputs: [
        computedInput('Still to come', percent(ahead)),
        factInput('Waited for from', 'common.hatchHardlyAhead.value', common.hatchHardlyAhead!),
      ],
      change: 'A hatch, or a look that found eggs alive',
    },
    ...reasons,
  ],
})

export const tellHatch = ({ species, eggs }: EggsOfClutch, when: DaySummary, reasons: Reason[]): Told => ({
  what: `Look for pips, ${eggs} ${species.name} eggs`,
  detail: `hatch ${formatRange(when)}`,
  caution: LEAVE,
  reasons,
})

export const tellCandle = ({ clutch, eggs }: EggsOfClutch, candled: Fact, today: number): Told => ({
  what: `Candle ${eggs} eggs`,
  detail: `laid ${formatDistance(clutch.startDay, today)}`,
  caution: 'Do not turn the eggs. Isolate a doubtful firm egg, do not throw it out yet.',
  reasons: [
    {
      rule: 'Candled once for vessels',
      inputs: [
        computedInput('Days since laying', `${today - clutch.startDay}`),
        factInput('Candled at', 'common.eggsCandledAt.value', candled),
      ],
      change: 'What is good replaces the species’ fertility in the forecast',
    },
  ],
})

export interface Opened {
  opened: Fact
  /** The day of the last look, or of laying. */
  last: number
  hatch: DaySummary | null
  /** Grams that the box lacks, where it does. */
  water: { give: number; reasons: readonly Reason[] } | null
}

export const tellAir = ({ clutch }: EggsOfClutch, { opened, last, hatch, water }: Opened, today: number): Told => ({
  what: `Open the box, look at the eggs${water ? `; give ${Math.round(water.give)} g of water` : ''}`,
  detail: hatch ? `hatch ${formatRange(hatch)}` : undefined,
  reasons: [
    {
      rule: 'Opened for air, so often',
      inputs: [
        factInput('Opened every', 'common.eggsOpenEvery.value', opened),
        ...(clutch.lastCheck ? [entryInput('Last look', formatDistance(last, today), clutch.lastCheck)] : []),
      ],
    },
    ...(water?.reasons ?? []),
  ],
})

export const tellWhere = (
  { species }: EggsOfClutch,
  { asked, usual }: { asked: Fact; usual: Fact },
  tempUnit: TempUnit,
): Told => ({
  what: 'Say where the eggs lie',
  detail: `counted at ${formatQuantity(usual.value, tempUnit)} until then`,
  reasons: [
    {
      rule: 'The day of hatching goes by the warmth of the eggs, and nothing is said of theirs',
      inputs: [
        factInput('Asked for', 'common.whereAsked.value', asked),
        factInput('Usual temperature', `species.${species.id}.incubation.usualTempC.value`, usual),
      ],
      change: 'Saying where they lie, or at what temperature',
    },
  ],
})
