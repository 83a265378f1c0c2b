import type { Almanac, Cold, Species } from '../almanac'
import { cumulative, summarise, type Day } from '../chance'
import type { Judgement } from '../judgement'
import type { AnimalState } from '../subjects'
import {
  severityOf,
  type ColdAction,
  type ColdCause,
  type ColdFinding,
  type ColdInput,
  type Weighed,
} from './coldFindings'
import type { ColdLine } from './coldLine'
import { coldReasons, tellCold } from './coldWording'

export interface ColdVerdict {
  action: ColdAction
  /** Days from today to the next weighing; 0 = today. */
  weighInDays: number
  /** In one sentence, with its numbers. */
  text: string
}

/** A sign that means illness whatever the scale says. [common practice: respiratory noise, discharge] */
const GRAVE_SIGNS = ['breathing', 'discharge']

type Called = readonly [ColdAction, ColdCause]

/** The loss that counts: a gain without a drink is no gain, so the lesser loss is not believed. */
function weighedOf({ species: { cold }, animal, line, wakeDay, common }: ColdInput): Weighed | null {
  const [before, last] = line.points.slice(-2)
  if (!line.start || !before || !last) return null
  const gain = before.lost - last.lost
  const drank = animal.lastWater && animal.lastWater.day >= before.day
  const unbelieved = !drank && gain > 2 * cold.weighingNoise.value
  const partOfStay = (last.day - line.start.day) / Math.max(1, wakeDay - line.start.day)
  return {
    lost: unbelieved ? before.lost : line.lost!,
    unbelieved: unbelieved ? gain : null,
    usualWater: cold.watchLoss.value * Math.max(common.coldWaterLeast!.value, partOfStay),
  }
}

/** What the loss calls for: each rule is a threshold on something that rises with it. */
function calledByLoss({ lost, usualWater }: Weighed, input: ColdInput): Called {
  const { species, line, rhythmDays, common, today } = input
  const { cold } = species
  if (lost >= cold.takeOutLoss.value) return ['takeOut', { code: 'overLimit', lost }]
  if (line.outInAWeek >= common.outSoon!.value) return ['takeOut', { code: 'overLimitSoon', lost }]
  if (lost >= cold.watchLoss.value) return ['offerWater', { code: 'overWatch', lost }]
  if (line.outByWake >= common.outByWaking!.value) return ['offerWater', { code: 'overLimitBeforeWaking', lost }]
  if (line.waterShare - usualWater - 2 * cold.weighingNoise.value > 0)
    return ['offerWater', { code: 'moreThanBurnt', lost }]
  const days = today - line.points.at(-1)!.day
  return days > rhythmDays
    ? ['weighAgain', { code: 'notWeighedFor', lost, days }]
    : ['carryOn', { code: 'asExpected', lost }]
}

function calledBeforeWeighed({ line, rhythmDays }: ColdInput, sinceCooled: number): Called {
  if (!line.start) return ['weighAgain', { code: 'noStart' }]
  return sinceCooled > rhythmDays
    ? ['weighAgain', { code: 'notWeighedSinceCooled', days: sinceCooled }]
    : ['carryOn', { code: 'tooEarly' }]
}

function lookedAt({ unwell }: AnimalState): ColdFinding['look'] {
  if (!unwell) return null
  return unwell.signs.some(s => GRAVE_SIGNS.includes(s)) ? 'ill' : 'notWell'
}

function findCold(input: ColdInput): ColdFinding {
  const { animal, line, wakeDay, rhythmDays, common, today } = input
  const last = line.points.at(-1)
  const since = last ? today - last.day : 0
  const sinceCooled = animal.cooled ? today - animal.cooled.day : 0
  const nextIn = Math.max(0, (last ? last.day : (animal.cooled?.day ?? today)) + rhythmDays - today)
  const weighed = weighedOf(input)
  const soonest = weighed?.unbelieved != null ? 1 : nextIn

  const byWeight = weighed ? calledByLoss(weighed, input) : calledBeforeWeighed(input, sinceCooled)
  const look = lookedAt(animal)
  const byLook: Called | null = look && [look === 'ill' ? 'takeOut' : 'offerWater', { code: look }]
  const [called, cause] = byLook && severityOf(byLook[0]) > severityOf(byWeight[0]) ? byLook : byWeight

  let weighInDays: number
  if (weighed) {
    // half the way to the likely watch limit, so that it is seen before it is there
    const watchOn = line.watchOn && cumulative(line.watchOn, wakeDay) >= 0.5 ? summarise(line.watchOn) : null
    const toWatch = watchOn ? watchOn.median - today : Number.POSITIVE_INFINITY
    weighInDays = Math.min(soonest, Math.round(toWatch / 2))
  } else {
    const { coldFirstWeighed, coldFirstWeighedLate } = common
    const first = line.start?.late ? coldFirstWeighedLate!.value - since : coldFirstWeighed!.value - sinceCooled
    weighInDays = Math.min(nextIn, line.start ? first : 0)
  }
  const watered = called === 'offerWater' && last && (animal.lastWater?.day ?? -1) >= last.day
  const wateredDaysAgo = watered ? today - animal.lastWater!.day : null
  if (called === 'offerWater') weighInDays = Math.min(soonest, common.afterWater!.value - (wateredDaysAgo ?? 0))
  weighInDays = Math.max(0, weighInDays)
  // weighed today it is not asked again today
  if (last?.day === today || line.start?.day === today) weighInDays = Math.max(1, weighInDays)
  return {
    // the next weighing tells whether the water helped
    action: watered ? 'weighAgain' : called,
    cause,
    weighInDays: called === 'takeOut' ? 0 : weighInDays,
    weighed,
    look,
    wateredDaysAgo,
  }
}

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
  const input = { species, animal, line, wakeDay, rhythmDays, common, today }
  const finding = findCold(input)
  return {
    value: { action: finding.action, weighInDays: finding.weighInDays, text: tellCold(finding, input) },
    reasons: coldReasons(finding, input),
  }
}
