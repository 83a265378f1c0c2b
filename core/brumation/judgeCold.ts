import type { Almanac, Cold, Species } from '../almanac'
import { cumulative, summarise, type Day } from '../chance'
import { computedInput, entryInput, factInput, type Judgement, type Reason } from '../judgement'
import type { AnimalState } from '../subjects'
import { formatDay } from '../units'
import type { ColdLine } from './coldLine'

/** From mildest to gravest; the order is that of {@link severityOf}. */
export const COLD_ACTIONS = ['carryOn', 'weighAgain', 'offerWater', 'takeOut'] as const
export type ColdAction = (typeof COLD_ACTIONS)[number]

export interface ColdVerdict {
  action: ColdAction
  /** Days from today to the next weighing; 0 = today. */
  weighInDays: number
  /** In one sentence, with its numbers. */
  text: string
}

export const severityOf = (action: ColdAction): number => COLD_ACTIONS.indexOf(action)

export const COLD_ACTION_WORDS: Record<ColdAction, string> = {
  carryOn: 'Carry on',
  weighAgain: 'Weigh again',
  offerWater: 'Offer water, raise humidity',
  takeOut: 'Take out now',
}

/** A sign that means illness whatever the scale says. [common practice: respiratory noise, discharge] */
const GRAVE_SIGNS = ['breathing', 'discharge']
const percent = (share: number): string => `${(share * 100).toFixed(1)} %`

/**
 * Judges an animal in the cold. A further loss never gives a milder verdict: each rule is a threshold on something that
 * rises with the loss.
 * @param line its loss, see coldLine
 * @param rhythmDays usual days between weighings in the cold
 * @param common numbers that hold for every species
 */
export function judgeCold(
  species: Species & { cold: Cold },
  animal: AnimalState,
  line: ColdLine,
  wakeDay: Day,
  rhythmDays: number,
  common: Almanac['common'],
  today: Day,
): Judgement<ColdVerdict> {
  const { cold } = species
  const path = `species.${species.id}.cold`
  const reasons: Reason[] = []
  const limits = [
    factInput('Watch', `${path}.watchLoss.value`, cold.watchLoss),
    factInput('Out at a chance, within a week, of', 'common.outSoon.value', common.outSoon!),
    factInput('Water at a chance, before waking, of', 'common.outByWaking.value', common.outByWaking!),
    factInput('Take out', `${path}.takeOutLoss.value`, cold.takeOutLoss),
  ]
  const last = line.points.at(-1)
  const since = last ? today - last.day : 0
  const sinceCooled = animal.cooled ? today - animal.cooled.day : 0
  const nextIn = Math.max(0, (last ? last.day : (animal.cooled?.day ?? today)) + rhythmDays - today)

  let action = 'carryOn' as ColdAction
  let text = ''
  let weighInDays = nextIn
  let unbelieved = false
  const raise = (to: ColdAction, why: string) => {
    if (severityOf(to) > severityOf(action) || !text) [action, text] = [to, why]
  }

  if (line.start && line.points.length > 1) {
    const { trend } = line
    // a gain without a drink is no gain: the lesser loss is not believed
    const before = line.points.length > 1 ? line.points.at(-2)! : null
    const gain = before ? before.lost - last!.lost : 0
    const drank = animal.lastWater && before && animal.lastWater.day >= before.day
    unbelieved = before !== null && !drank && gain > 2 * cold.weighingNoise.value
    const lost = unbelieved ? before!.lost : line.lost
    const usual =
      cold.watchLoss.value * Math.max(0.15, (last!.day - line.start.day) / Math.max(1, wakeDay - line.start.day))
    const water = line.waterShare - usual - 2 * cold.weighingNoise.value
    reasons.push({
      rule: 'Loss against the working limits of the species',
      inputs: [
        entryInput('At the start', `${line.start.massG} g`, line.start),
        entryInput('Latest', `${last!.massG} g`, last!),
        computedInput('Lost', percent(lost!)),
        ...limits,
      ],
      change: 'The next weighing',
    })
    reasons.push({
      rule: 'Robust trend through the weighings (Theil–Sen), its band from the noise of one weighing, carried on to the planned waking',
      inputs: [
        computedInput('Loss per week', percent(trend!.slope * 7)),
        factInput('Noise of a weighing', `${path}.weighingNoise.value`, cold.weighingNoise),
        computedInput(
          `At waking ${formatDay(wakeDay, today)}`,
          `${percent(line.atWake!.mid)} (${percent(Math.max(0, line.atWake!.low))}–${percent(line.atWake!.high)})`,
        ),
        computedInput('Chance over the limit by then', `${Math.round(line.outByWake * 100)} %`),
      ],
      change: 'Another weighing narrows it; an earlier waking lowers it',
    })
    const burnt = line.metabolic
    reasons.push(
      burnt
        ? {
            rule: 'Expected metabolic loss at the standard rate (at rest, fasting, in the dark): VO₂ = 0.013 · M^0.80 · 10^(0.038·T) mL/h, 19.8 J/mL, 39.3 kJ/g fat (Andrews & Pough 1985)',
            inputs: [
              computedInput('Burnt', `${burnt.grams.toFixed(1)} g = ${percent(line.metabolicShare)}`),
              computedInput('Hours with a reading', `${burnt.read} of ${burnt.hours}`),
              ...(burnt.read < burnt.hours ? [computedInput('Others taken at', `${burnt.assumedC} °C`)] : []),
              computedInput('Beyond it: water or worse', percent(line.waterShare)),
              computedInput('Water usual by now, at most', percent(usual)),
            ],
          }
        : {
            rule: 'Expected loss by the month',
            inputs: [
              ...(cold.loss.by === 'month'
                ? [factInput('Per month', `${path}.loss.share.value`, cold.loss.share)]
                : []),
              computedInput('Expected by now', percent(line.metabolicShare)),
              computedInput('Beyond it: water or worse', percent(line.waterShare)),
            ],
          },
    )

    if (lost! >= cold.takeOutLoss.value)
      raise('takeOut', `Lost ${percent(lost!)}; the limit is ${percent(cold.takeOutLoss.value)}`)
    else if (line.outInAWeek >= common.outSoon!.value)
      raise(
        'takeOut',
        `Lost ${percent(lost!)} and loses ${percent(trend!.slope * 7)} a week: over the limit within a week`,
      )
    else if (lost! >= cold.watchLoss.value)
      raise('offerWater', `Lost ${percent(lost!)}, over the watch limit of ${percent(cold.watchLoss.value)}`)
    else if (line.outByWake >= common.outByWaking!.value)
      raise(
        'offerWater',
        `Lost ${percent(lost!)}; ${Math.round(line.outByWake * 100)} % that it passes the limit before waking`,
      )
    else if (water > 0)
      raise('offerWater', `Lost ${percent(lost!)}, ${percent(line.waterShare)} more than it burns: water or worse`)
    else
      raise(
        'carryOn',
        lost! > cold.weighingNoise.value ? `Lost ${percent(lost!)}, as expected` : 'Lost next to nothing',
      )
    if (action === 'carryOn' && since > rhythmDays)
      raise('weighAgain', `Lost ${percent(lost!)} when last weighed ${since} days ago`)
    // half the way to the likely watch limit, so that it is seen before it is there
    if (unbelieved) {
      text = `${text}; ${percent(gain)} heavier since without a drink: weigh again`
      reasons.push({
        rule: 'In the cold nothing is eaten: a gain without water offered is a cup or a bag on the scale, so the loss of the weighing before counts',
        inputs: [
          entryInput('Before', `${before!.massG} g`, before!),
          entryInput('Latest', `${last!.massG} g`, last!),
          factInput('Noise of a weighing', `${path}.weighingNoise.value`, cold.weighingNoise),
        ],
        change: 'Another weighing, or the water it drank',
      })
    }
    const toWatch =
      line.watchOn && cumulative(line.watchOn, wakeDay) >= 0.5
        ? summarise(line.watchOn)!.median - today
        : Number.POSITIVE_INFINITY
    weighInDays = Math.max(0, Math.min(unbelieved ? 1 : nextIn, Math.round(toWatch / 2)))
  } else {
    const wait = Math.max(
      0,
      Math.min(nextIn, line.start ? (line.start.late ? 7 : 14) - (line.start.late ? since : sinceCooled) : 0),
    )
    weighInDays = wait
    reasons.push({
      rule: line.start ? 'One weighing says nothing of the loss' : 'No weight is known from before the cold',
      inputs: [...(line.start ? [entryInput('At the start', `${line.start.massG} g`, line.start)] : []), ...limits],
      change: 'A weighing',
    })
    if (line.start)
      raise(
        sinceCooled > rhythmDays ? 'weighAgain' : 'carryOn',
        sinceCooled > rhythmDays ? `Not weighed since it was cooled ${sinceCooled} days ago` : 'Too early to tell',
      )
    else raise('weighAgain', 'No starting weight: weigh now')
  }
  if (line.start?.late)
    reasons.push({
      rule: 'First weighed in the cold: what it lost before is unknown',
      inputs: [entryInput('First weighing', formatDay(line.start.day, today), line.start)],
    })

  if (animal.unwell) {
    const grave = animal.unwell.signs.some(s => GRAVE_SIGNS.includes(s))
    reasons.push({
      rule: grave
        ? 'Noisy breath or discharge in the cold is illness: out, warm, and to the vet'
        : 'A look found something',
      inputs: [entryInput('Looked at', animal.unwell.signs.join(', ') || 'not well', animal.unwell)],
      change: 'A later look that finds it well',
    })
    if (grave) raise('takeOut', 'Noisy breath or discharge: ill, whatever it weighs')
    else raise('offerWater', 'A look found it not well')
  }
  if (action === 'offerWater') {
    const watered = animal.lastWater && last && animal.lastWater.day >= last.day ? animal.lastWater : null
    const afterWater = common.afterWater!.value
    weighInDays = Math.max(
      0,
      Math.min(unbelieved ? 1 : nextIn, watered ? watered.day + afterWater - today : afterWater),
    )
    if (watered) {
      action = 'weighAgain'
      text = `${text}; offered water ${today - watered.day} days ago`
      reasons.push({
        rule: 'Water was offered since; the next weighing tells whether it helped',
        inputs: [entryInput('Water', formatDay(watered.day, today), watered)],
      })
    }
  }
  // weighed today it is not asked again today
  if (last?.day === today || line.start?.day === today) weighInDays = Math.max(1, weighInDays)
  if (action === 'takeOut') weighInDays = 0
  return { value: { action, weighInDays, text }, reasons }
}
