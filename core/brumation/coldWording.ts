import { computedInput, computedTemp, entryInput, factInput, type Input, type Reason } from '../judgement'
import { formatDay } from '../units'
import type { ColdAction, ColdCause, ColdFinding, ColdInput, Weighed } from './coldFindings'

export const COLD_ACTION_WORDS: Record<ColdAction, string> = {
  carryOn: 'Carry on',
  weighAgain: 'Weigh again',
  offerWater: 'Offer water, raise humidity',
  takeOut: 'Take out now',
}

const percent = (share: number): string => `${(share * 100).toFixed(1)} %`

/** A drink, or water in it, makes one heavier than it was. */
const lossOf = (lost: number): string => (lost < 0 ? 'No lighter than at the start' : `Lost ${percent(lost)}`)

type Words = { [C in ColdCause['code']]: (cause: Extract<ColdCause, { code: C }>, input: ColdInput) => string }

const CAUSES: Words = {
  overLimit: ({ lost }, { species }) => `${lossOf(lost)}; the limit is ${percent(species.cold.takeOutLoss.value)}`,
  overLimitSoon: ({ lost }, { line }) =>
    `${lossOf(lost)} and loses ${percent(line.trend!.slope * 7)} a week: over the limit within a week`,
  overWatch: ({ lost }, { species }) =>
    `${lossOf(lost)}, over the watch limit of ${percent(species.cold.watchLoss.value)}`,
  overLimitBeforeWaking: ({ lost }, { line }) =>
    `${lossOf(lost)}; ${Math.round(line.outByWake * 100)} % that it passes the limit before waking`,
  moreThanBurnt: ({ lost }, { line }) =>
    `${lossOf(lost)}, ${percent(line.waterShare)} more than it burns: water or worse`,
  asExpected: ({ lost }, { species }) =>
    lost > species.cold.weighingNoise.value ? `Lost ${percent(lost)}, as expected` : 'Lost next to nothing',
  notWeighedFor: ({ lost, days }) => `${lossOf(lost)} when last weighed ${days} days ago`,
  notWeighedSinceCooled: ({ days }) => `Not weighed since it was cooled ${days} days ago`,
  tooEarly: () => 'Too early to tell',
  noStart: () => 'No starting weight: weigh now',
  ill: () => 'Noisy breath or discharge: ill, whatever it weighs',
  notWell: () => 'A look found it not well',
}

const isOfLook = ({ code }: ColdCause) => code === 'ill' || code === 'notWell'

/** The verdict in one sentence, with its numbers. */
export function tellCold({ cause, weighed, wateredDaysAgo }: ColdFinding, input: ColdInput): string {
  const gain = isOfLook(cause) ? null : (weighed?.unbelieved ?? null)
  return [
    (CAUSES[cause.code] as (c: ColdCause, i: ColdInput) => string)(cause, input),
    ...(gain === null ? [] : [`${percent(gain)} heavier since without a drink: weigh again`]),
    ...(wateredDaysAgo === null ? [] : [`offered water ${wateredDaysAgo} days ago`]),
  ].join('; ')
}

const pathOf = ({ species }: ColdInput) => `species.${species.id}.cold`

function limits(input: ColdInput): Input[] {
  const { cold } = input.species
  const path = pathOf(input)
  return [
    factInput('Watch', `${path}.watchLoss.value`, cold.watchLoss),
    factInput('Out at a chance, within a week, of', 'common.outSoon.value', input.common.outSoon!),
    factInput('Water at a chance, before waking, of', 'common.outByWaking.value', input.common.outByWaking!),
    factInput('Take out', `${path}.takeOutLoss.value`, cold.takeOutLoss),
  ]
}

function lossReason({ lost }: Weighed, input: ColdInput): Reason {
  const { start, points } = input.line
  const last = points.at(-1)!
  return {
    rule: 'Loss against the working limits of the species',
    inputs: [
      entryInput('At the start', `${start!.massG} g`, start!),
      entryInput('Latest', `${last.massG} g`, last),
      computedInput('Lost', percent(lost)),
      ...limits(input),
    ],
    change: 'The next weighing',
  }
}

function trendReason(input: ColdInput): Reason {
  const { line, species, wakeDay, today } = input
  const { low, mid, high } = line.atWake!
  return {
    rule: 'Robust trend through the weighings (Theil–Sen), its band from the noise of one weighing, carried on to the planned waking',
    inputs: [
      computedInput('Loss per week', percent(line.trend!.slope * 7)),
      factInput('Noise of a weighing', `${pathOf(input)}.weighingNoise.value`, species.cold.weighingNoise),
      computedInput(
        `At waking ${formatDay(wakeDay, today)}`,
        `${percent(mid)} (${percent(Math.max(0, low))}–${percent(high)})`,
      ),
      computedInput('Chance over the limit by then', `${Math.round(line.outByWake * 100)} %`),
    ],
    change: 'Another weighing narrows it; an earlier waking lowers it',
  }
}

function expectedReason({ usualWater }: Weighed, input: ColdInput): Reason {
  const { line, species } = input
  const { metabolic: burnt, metabolicShare } = line
  const beyond = computedInput('Beyond it: water or worse', percent(line.waterShare))
  if (burnt)
    return {
      rule: 'Expected metabolic loss at the standard rate (at rest, fasting, in the dark): VO₂ = 0.013 · M^0.80 · 10^(0.038·T) mL/h, 19.8 J/mL, 39.3 kJ/g fat (Andrews & Pough 1985)',
      inputs: [
        computedInput('Burnt', `${burnt.grams.toFixed(1)} g = ${percent(metabolicShare)}`),
        computedInput('Hours with a reading', `${burnt.read} of ${burnt.hours}`),
        ...(burnt.read < burnt.hours ? [computedTemp('Others taken at', burnt.assumedC)] : []),
        beyond,
        computedInput('Water usual by now, at most', percent(usualWater)),
        factInput('From the first day, of a whole stay', 'common.coldWaterLeast.value', input.common.coldWaterLeast!),
      ],
    }
  const { loss } = species.cold
  return {
    rule: 'Expected loss by the month',
    inputs: [
      ...(loss.by === 'month' ? [factInput('Per month', `${pathOf(input)}.loss.share.value`, loss.share)] : []),
      computedInput('Expected by now', percent(metabolicShare)),
      beyond,
    ],
  }
}

function unbelievedReason(input: ColdInput): Reason {
  const [before, last] = input.line.points.slice(-2)
  return {
    rule: 'In the cold nothing is eaten: a gain without water offered is a cup or a bag on the scale, so the loss of the weighing before counts',
    inputs: [
      entryInput('Before', `${before!.massG} g`, before!),
      entryInput('Latest', `${last!.massG} g`, last!),
      factInput('Noise of a weighing', `${pathOf(input)}.weighingNoise.value`, input.species.cold.weighingNoise),
    ],
    change: 'Another weighing, or the water it drank',
  }
}

function unweighedReason(input: ColdInput): Reason {
  const { start } = input.line
  return {
    rule: start ? 'One weighing says nothing of the loss' : 'No weight is known from before the cold',
    inputs: [...(start ? [entryInput('At the start', `${start.massG} g`, start)] : []), ...limits(input)],
    change: 'A weighing',
  }
}

const lookReason = (look: ColdFinding['look'], unwell: NonNullable<ColdInput['animal']['unwell']>): Reason => ({
  rule:
    look === 'ill'
      ? 'Noisy breath or discharge in the cold is illness: out, warm, and to the vet'
      : 'A look found something',
  inputs: [entryInput('Looked at', unwell.signs.join(', ') || 'not well', unwell)],
  change: 'A later look that finds it well',
})

/** The working of the verdict, rule by rule. */
export function coldReasons({ weighed, look, wateredDaysAgo }: ColdFinding, input: ColdInput): Reason[] {
  const { line, animal, today } = input
  const { start } = line
  return [
    ...(weighed ? [lossReason(weighed, input), trendReason(input), expectedReason(weighed, input)] : []),
    ...(weighed?.unbelieved != null ? [unbelievedReason(input)] : []),
    ...(weighed ? [] : [unweighedReason(input)]),
    ...(start?.late
      ? [
          {
            rule: 'First weighed in the cold: what it lost before is unknown',
            inputs: [entryInput('First weighing', formatDay(start.day, today), start)],
          },
        ]
      : []),
    ...(animal.unwell ? [lookReason(look, animal.unwell)] : []),
    ...(wateredDaysAgo !== null
      ? [
          {
            rule: 'Water was offered since; the next weighing tells whether it helped',
            inputs: [entryInput('Water', formatDay(animal.lastWater!.day, today), animal.lastWater!)],
          },
        ]
      : []),
  ]
}
