import { schoolChoice } from '../almanac'
import type { Judgement } from '../judgement'
import type { Finding, PairInput } from './findings'
import { pairCaution, tellFinding, withFactor } from './wording'

export const PAIR_LEVELS = ['good', 'wait', 'doubtful', 'no'] as const
export type PairLevel = (typeof PAIR_LEVELS)[number]

export interface PairVerdict {
  level: PairLevel
  /** Worth of setting the pair, 0..1; 0 when it must not be. */
  worth: number
  /** What decides, in a few words. */
  text: string
  /** Why they must not be put together as they are, whatever the day; null when only time, or nothing, is missing. */
  stop: string | null
  /** Inbreeding of the young, 0..1. */
  youngF: number
  wish: number | null
  caution: string | null
  /** Every rule with its part of the worth. */
  parts: { rule: string; factor: number }[]
}

interface Factor {
  level: PairLevel
  factor: number
  finding: Finding
  /** Waits for a day that comes by itself, which the rota knows. */
  timed?: boolean
}

const SIDES = ['dam', 'sire'] as const
const fine = (finding: Finding, factor = 1): Factor => ({ level: 'good', factor, finding })
const no = (finding: Finding): Factor => ({ level: 'no', factor: 0, finding })
const weighed = (c: PairInput['dam']) => c.animal.weights.at(-1)

/** What stands in the way of any pair at all. */
function presenceFactors(input: PairInput): Factor[] {
  const { dam, sire } = input
  const gone = SIDES.find(side => input[side].animal.status !== 'alive')
  const apart = SIDES.find(side => input[side].apart)
  return [
    ...(dam.animal.id === sire.animal.id ? [no({ code: 'oneAnimal' })] : []),
    ...(gone ? [no({ code: 'gone', side: gone })] : []),
    ...(apart ? [no({ code: 'quarantine', side: apart })] : []),
    ...(dam.rests ? [no({ code: 'rests', why: dam.rests })] : []),
  ]
}

function healthFactor(input: PairInput): Factor {
  const ill = SIDES.find(side => input[side].animal.unwell) ?? null
  return ill ? no({ code: 'health', ill }) : fine({ code: 'health', ill })
}

function ageFactor(input: PairInput): Factor {
  const { species, today } = input
  const from = { dam: species.mating.femaleFromDays, sire: species.mating.maleFromDays }
  for (const [i, side] of SIDES.entries()) {
    const { bornDay } = input[side].animal
    if (bornDay !== null && today - bornDay < from[side].value)
      return no({ code: 'age', sides: SIDES.slice(0, i + 1), until: bornDay + from[side].value })
  }
  return fine({ code: 'age', sides: SIDES, until: null })
}

function weightFactor({ species, almanac, dam }: PairInput): Factor {
  const leastG = species.adultMassG.value * species.mating.femaleMassShare.value
  const finding: Finding = { code: 'weight', leastG }
  const weight = weighed(dam)
  if (!weight) return { level: 'wait', factor: almanac.common.pairUnweighed!.value, finding }
  return weight.massG < leastG ? no(finding) : fine(finding)
}

function sizeFactors(input: PairInput): Factor[] {
  const { species, almanac, dam, sire, today } = input
  const { eatsMates, sizeRatio } = species.mating
  const { sizeKnown, pairSizeUnknown, pairApart } = almanac.common
  const unsure = SIDES.find(side => {
    const last = weighed(input[side])
    return !last || today - last.day > sizeKnown!.value
  })
  const factors: Factor[] =
    eatsMates && unsure
      ? [{ level: 'wait', factor: pairSizeUnknown!.value, finding: { code: 'sizeNotKnown', side: unsure } }]
      : []
  const [d, s] = [weighed(dam), weighed(sire)]
  if (!d || !s) return factors
  const ratio = Math.max(d.massG, s.massG) / Math.min(d.massG, s.massG)
  const finding: Finding = { code: 'sizes', ratio }
  if (ratio <= sizeRatio.value) return [...factors, fine(finding)]
  const factor = (sizeRatio.value / ratio) * pairApart!.value
  return [...factors, eatsMates ? no(finding) : { level: 'doubtful', factor, finding }]
}

function sexFactor({ almanac, dam, sire }: PairInput): Factor {
  const { pairSexLeast, pairSexSure } = almanac.common
  const chance = dam.sexChance * sire.sexChance
  const finding: Finding = { code: 'sexes', chance, lessSure: dam.sexChance <= sire.sexChance ? 'dam' : 'sire' }
  if (chance < pairSexLeast!.value) return no(finding)
  return { level: chance < pairSexSure!.value ? 'doubtful' : 'good', factor: chance, finding }
}

function kinFactor({ almanac, schools, species, dam, sire, kinship }: PairInput): Factor {
  const limit = schoolChoice(almanac, schools, 'inbreeding', species.id).fact!.value
  const { pairKinFrom, pairKinPart, inbreedingLoad } = almanac.common
  const finding: Finding = { code: 'kin', limit }
  if (kinship > limit + 1e-9) return no(finding)
  const rare = 1 - (dam.meanKinship + sire.meanKinship) / 4
  return {
    level: kinship > limit * pairKinPart!.value && kinship > pairKinFrom!.value ? 'doubtful' : 'good',
    factor: Math.exp(-inbreedingLoad!.value * kinship) * rare,
    finding,
  }
}

function pastFactors({ almanac, species, past, today }: PairInput): Factor[] {
  const usual = species.fertility.value
  const { fertilityShrink, injuryHeals, rejectionCounts, pairFewGood, pairRejected } = almanac.common
  const drawn = fertilityShrink!.value
  const good = (past.eggs - past.slugs + drawn * usual) / Math.max(1e-9, past.eggs + drawn)
  const low = good < usual * pairFewGood!.value
  const { injury, lastRejection, rejections } = past
  return [
    {
      level: low ? 'doubtful' : 'good',
      factor: Math.min(1, good / usual),
      finding: { code: 'fertility', good, low },
    },
    ...(injury && today - injury.day <= injuryHeals!.value ? [no({ code: 'injury', ...injury })] : []),
    ...(lastRejection !== null && today - lastRejection <= rejectionCounts!.value
      ? [{ level: 'doubtful', factor: pairRejected!.value ** rejections, finding: { code: 'rejections' } } as const]
      : []),
  ]
}

function readyFactors(input: PairInput): Factor[] {
  if (input.species.winter === 'none') return []
  return SIDES.map(side => {
    const { ready } = input[side]
    return ready
      ? { timed: true, level: ready.now ? 'good' : 'wait', factor: 1, finding: { code: 'ready', side } }
      : fine({ code: 'notCooled', side }, input.almanac.common.notCooled!.value)
  })
}

function wishFactors({ wish }: PairInput): Factor[] {
  if (wish === null) return []
  const finding: Finding = { code: 'wish', chance: wish }
  return [wish <= 0 ? no(finding) : fine(finding, wish)]
}

/**
 * Whether two animals should be paired: every rule with its part of the worth; a hard rule that fails makes it nothing.
 * The worth is the product of the parts: the chance of being of the right sexes, vigour of the young, as wished, good
 * eggs.
 */
export function judgePair(input: PairInput): Judgement<PairVerdict> {
  const { species, kinship, wish } = input
  const factors = [
    ...presenceFactors(input),
    healthFactor(input),
    ageFactor(input),
    weightFactor(input),
    ...sizeFactors(input),
    sexFactor(input),
    kinFactor(input),
    ...pastFactors(input),
    ...readyFactors(input),
    ...wishFactors(input),
  ].map(factor => ({ ...tellFinding(factor.finding, input), ...factor }))
  const rank = (f: Factor) => PAIR_LEVELS.indexOf(f.level)
  const worst = factors.reduce((a, f) => (rank(f) > rank(a) ? f : a))
  const stops = factors
    .filter(f => !f.timed && (f.level === 'no' || f.level === 'wait'))
    .sort((a, b) => rank(b) - rank(a))
  const textOf = (code: Finding['code']) => factors.find(f => f.finding.code === code)?.text
  return {
    value: {
      level: worst.level,
      worth: factors.reduce((product, f) => product * f.factor, 1),
      // of one that fits it is told what it gives: as wished, else how near kin
      text: worst.level === 'good' ? textOf('wish') || textOf('kin') || 'fits' : worst.text,
      stop: stops[0]?.text ?? null,
      youngF: kinship,
      wish,
      parts: factors.map(f => ({ rule: f.reason.rule, factor: f.factor })),
      caution: pairCaution(species),
    },
    reasons: factors.map(({ reason, factor }) => withFactor(reason, factor)),
  }
}
