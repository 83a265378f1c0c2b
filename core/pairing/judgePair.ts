import { schoolChoice, type Almanac, type Mating, type Species } from '../almanac'
import type { Day } from '../chance'
import {
  computedInput,
  entryInput,
  factInput,
  settingInput,
  type Input,
  type Judgement,
  type Reason,
} from '../judgement'
import type { AnimalState } from '../subjects'
import { formatDay, formatDistance } from '../units'

/** One side of a pair, with what other chapters say of it. */
export interface Candidate {
  animal: AnimalState
  /** Chance that it is of the sex it is wanted for. */
  sexChance: number
  /** When it is ready to pair after its winter; null = no winter of this season is known of it. */
  ready: { text: string; now: boolean; reasons: Reason[] } | null
  /** Mean kinship with the living of its species, 0..1. */
  meanKinship: number
  /** Why the female must rest, or null. */
  rests: string | null
  /** Why it stays in quarantine, in words; null where it is in none, or may leave. */
  apart: string | null
}

/** What came of earlier seasons. */
export interface PastResult {
  eggs: number
  /** Eggs that were slugs. */
  slugs: number
  rejections: number
  lastRejection: Day | null
  injury: { day: Day; entryId: string } | null
}

export interface PairInput {
  species: Species & { mating: Mating }
  almanac: Almanac
  schools: Readonly<Record<string, string>>
  dam: Candidate
  sire: Candidate
  /** Kinship of the two = inbreeding of their young, 0..1. */
  kinship: number
  /** Chance that a young is as wished; null when nothing is wished. */
  wish: number | null
  /** Together, and of the female with others. */
  past: PastResult
  today: Day
}

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
  text: string
  reason: Reason
  /** Waits for a day that comes by itself, which the rota knows. */
  timed?: boolean
}

const fine = (factor: number, text: string, reason: Reason): Factor => ({ level: 'good', factor, text, reason })

function sexFactor({ dam, sire }: PairInput): Factor {
  const chance = dam.sexChance * sire.sexChance
  const [worse, role] = dam.sexChance <= sire.sexChance ? ([dam, 'female'] as const) : ([sire, 'male'] as const)
  const reason: Reason = {
    rule: 'Of opposite sex, as far as their sexes are known',
    inputs: [
      computedInput(`${dam.animal.tag} a female`, `${(dam.sexChance * 100).toFixed(1)} %`),
      computedInput(`${sire.animal.tag} a male`, `${(sire.sexChance * 100).toFixed(1)} %`),
    ],
    change: 'Further evidence of its sex',
  }
  if (chance < 0.5) return { level: 'no', factor: 0, text: `${worse.animal.tag} is not known to be a ${role}`, reason }
  return {
    level: chance < 0.95 ? 'doubtful' : 'good',
    factor: chance,
    text: `${worse.animal.tag} is a ${role} by ${Math.round(worse.sexChance * 100)} % only`,
    reason,
  }
}

function healthFactor({ dam, sire, today }: PairInput): Factor {
  const ill = [dam, sire].find(c => c.animal.unwell)
  const reason: Reason = {
    rule: 'Only well animals are paired',
    inputs: ill
      ? [entryInput(`${ill.animal.tag} not well`, formatDay(ill.animal.unwell!.day, today), ill.animal.unwell!)]
      : [],
  }
  return ill ? { level: 'no', factor: 0, text: `${ill.animal.tag} is not well`, reason } : fine(1, '', reason)
}

function ageFactor({ species, dam, sire, today }: PairInput): Factor {
  const sides = [
    [dam, species.mating.femaleFromDays, 'femaleFromDays'],
    [sire, species.mating.maleFromDays, 'maleFromDays'],
  ] as const
  const inputs: Input[] = []
  for (const [c, from, key] of sides) {
    const { bornDay, tag } = c.animal
    inputs.push(
      computedInput(`Age of ${tag}`, bornDay === null ? 'not known' : `${today - bornDay} days`),
      factInput(
        key === 'femaleFromDays' ? 'Females from' : 'Males from',
        `species.${species.id}.mating.${key}.value`,
        from,
      ),
    )
    if (bornDay !== null && today - bornDay < from.value) {
      return {
        level: 'no',
        factor: 0,
        text: `${tag} is too young until ${formatDay(bornDay + from.value, today)}`,
        reason: { rule: 'Old enough to breed', inputs, change: 'Time' },
      }
    }
  }
  return fine(1, '', { rule: 'Old enough to breed', inputs })
}

function sizeFactor({ species, almanac, dam, sire, today }: PairInput): Factor[] {
  const path = `species.${species.id}.mating`
  const [d, s] = [dam.animal.weights.at(-1), sire.animal.weights.at(-1)]
  const least = species.adultMassG.value * species.mating.femaleMassShare.value
  const heavy: Reason = {
    rule: 'A female not yet heavy enough waits a year; no harm done',
    change: 'A weight',
    inputs: [
      d
        ? entryInput(`${dam.animal.tag} weighs`, `${d.massG} g`, d)
        : computedInput(`${dam.animal.tag} weighs`, 'not known'),
      computedInput('Least', `${Math.round(least)} g`),
      factInput('Share of a usual adult', `${path}.femaleMassShare.value`, species.mating.femaleMassShare),
      factInput('Usual adult', `species.${species.id}.adultMassG.value`, species.adultMassG),
    ],
  }
  const factors: Factor[] = []
  if (!d) factors.push({ level: 'wait', factor: 0.7, text: `weigh ${dam.animal.tag} first`, reason: heavy })
  else if (d.massG < least)
    factors.push({
      level: 'no',
      factor: 0,
      text: `${dam.animal.tag} weighs ${d.massG} g, under ${Math.round(least)} g: wait a year`,
      reason: heavy,
    })
  else factors.push(fine(1, '', heavy))
  const limit = species.mating.sizeRatio
  if (species.mating.eatsMates) {
    const known = almanac.common.sizeKnown!
    const unsure = [dam, sire].find(c => !c.animal.weights.length || today - c.animal.weights.at(-1)!.day > known.value)
    if (unsure) {
      const last = unsure.animal.weights.at(-1)
      factors.push({
        level: 'wait',
        factor: 0.5,
        text: `weigh ${unsure.animal.tag} first${last ? `: last ${formatDistance(last.day, today)}` : ''}`,
        reason: {
          rule: 'They eat snakes: both sizes must be known before they meet',
          inputs: [
            last
              ? entryInput(`${unsure.animal.tag} weighed`, `${last.massG} g, ${formatDay(last.day, today)}`, last)
              : computedInput(`${unsure.animal.tag} weighs`, 'not known'),
            factInput('A weight counts for', 'common.sizeKnown.value', known),
          ],
          change: 'A weight',
        },
      })
    }
  }
  if (!d || !s) return factors
  const ratio = Math.max(d.massG, s.massG) / Math.min(d.massG, s.massG)
  const alike: Reason = {
    rule: species.mating.eatsMates ? 'They eat snakes: a mate much smaller is prey' : 'A mate much smaller is at risk',
    inputs: [
      computedInput('Heavier over lighter', `${ratio.toFixed(1)} ×`),
      factInput('At most', `${path}.sizeRatio.value`, limit),
      entryInput(`${sire.animal.tag} weighs`, `${s.massG} g`, s),
    ],
  }
  if (ratio <= limit.value) factors.push(fine(1, '', alike))
  else
    factors.push({
      level: species.mating.eatsMates ? 'no' : 'doubtful',
      factor: species.mating.eatsMates ? 0 : limit.value / ratio / 1.5,
      text: `${ratio.toFixed(1)} × apart in size`,
      reason: alike,
    })
  return factors
}

function kinFactor({ almanac, schools, species, dam, sire, kinship }: PairInput): Factor {
  const school = schoolChoice(almanac, schools, 'inbreeding', species.id)
  const load = almanac.common.inbreedingLoad!
  const limit = school.fact!
  const shown = `${(kinship * 100).toFixed(1)} %`
  const reason: Reason = {
    rule: `Kinship of the two is the inbreeding of their young. School: ${school.name.toLowerCase()}`,
    change: 'Parents stated, or another school for the house or the species',
    inputs: [
      computedInput('Inbreeding of the young', shown),
      factInput('At most', 'schools.inbreeding', limit),
      settingInput(school.name, school.reason, 'schools'),
      factInput('Vigour left is exp(−this · F)', 'common.inbreedingLoad.value', load),
      computedInput(
        'Mean kinship',
        `${dam.animal.tag} ${(dam.meanKinship * 100).toFixed(1)} %, ${sire.animal.tag} ${(sire.meanKinship * 100).toFixed(1)} %; rarer genes first`,
      ),
    ],
  }
  const rare = 1 - (dam.meanKinship + sire.meanKinship) / 4
  if (kinship > limit.value + 1e-9)
    return { level: 'no', factor: 0, text: `too near kin: young inbred by ${shown}`, reason }
  return {
    level: kinship > limit.value / 2 && kinship > 0.05 ? 'doubtful' : 'good',
    factor: Math.exp(-load.value * kinship) * rare,
    text: kinship > 0 ? `kin: young inbred by ${shown}` : '',
    reason,
  }
}

function wishFactor({ wish }: PairInput): Factor | null {
  if (wish === null) return null
  const reason: Reason = {
    rule: 'Chance that a young is as wished',
    inputs: [computedInput('As wished', `${(wish * 100).toFixed(1)} %`)],
    change: 'Another wish, or genotypes stated',
  }
  return wish <= 0
    ? { level: 'no', factor: 0, text: 'none of its young is as wished', reason }
    : fine(wish, `${Math.round(wish * 100)} % as wished`, reason)
}

function pastFactor({ almanac, species, past, today }: PairInput): Factor[] {
  const factors: Factor[] = []
  const usual = species.fertility
  const { fertilityShrink, injuryHeals, rejectionCounts } = almanac.common
  const eggs = fertilityShrink!.value
  const good = (past.eggs - past.slugs + eggs * usual.value) / Math.max(1e-9, past.eggs + eggs)
  const results: Reason = {
    rule: past.eggs
      ? 'Good eggs so far, drawn towards the species while few are known'
      : 'No eggs are known of them yet: the species’ usual fertility',
    inputs: [
      computedInput('Eggs', `${past.eggs}, of them slugs ${past.slugs}`),
      factInput('Usual', `species.${species.id}.fertility.value`, usual),
      factInput('Weighs as', 'common.fertilityShrink.value', fertilityShrink!),
      computedInput('Expected', `${Math.round(good * 100)} % good`),
    ],
  }
  factors.push({
    level: good < usual.value * 0.6 ? 'doubtful' : 'good',
    factor: Math.min(1, good / usual.value),
    text: good < usual.value * 0.6 ? `${Math.round(good * 100)} % good eggs expected` : '',
    reason: results,
  })
  if (past.injury && today - past.injury.day <= injuryHeals!.value)
    factors.push({
      level: 'no',
      factor: 0,
      text: 'injured together lately',
      reason: {
        rule: 'Not together again until an injury has healed',
        inputs: [
          factInput('Healed after', 'common.injuryHeals.value', injuryHeals!),
          entryInput('Injured', formatDay(past.injury.day, today), past.injury),
        ],
      },
    })
  if (past.lastRejection !== null && today - past.lastRejection <= rejectionCounts!.value)
    factors.push({
      level: 'doubtful',
      factor: 0.8 ** past.rejections,
      text: `rejected ${past.rejections} ×`,
      reason: {
        rule: 'Each rejection in this season counts a fifth off',
        inputs: [
          computedInput('Rejections', `${past.rejections}`),
          factInput('Counted for', 'common.rejectionCounts.value', rejectionCounts!),
        ],
      },
    })
  return factors
}

function readyFactor({ dam, sire, species, almanac }: PairInput): Factor[] {
  if (species.winter === 'none') return []
  const notCooled = almanac.common.notCooled!
  return [dam, sire].map((c): Factor => {
    if (!c.ready)
      return {
        level: 'good',
        factor: notCooled.value,
        text: '',
        reason: {
          rule: `${c.animal.tag}: no winter of this season is known, which often means fewer eggs or less sperm`,
          inputs: [factInput('Counted as', 'common.notCooled.value', notCooled)],
          change: 'Cooling it, or writing that it was',
        },
      }
    return {
      timed: true,
      level: c.ready.now ? 'good' : 'wait',
      factor: 1,
      text: c.ready.now ? '' : `${c.animal.tag}: ${c.ready.text}`,
      reason: { rule: `${c.animal.tag}: ${c.ready.text}`, inputs: c.ready.reasons.flatMap(r => r.inputs).slice(0, 6) },
    }
  })
}

/**
 * Whether two animals should be paired: every rule with its part of the worth; a hard rule that fails makes it nothing.
 * The worth is the product of the parts: the chance of being of the right sexes, vigour of the young, as wished, good
 * eggs.
 */
export function judgePair(input: PairInput): Judgement<PairVerdict> {
  const { dam, sire, species, kinship, wish } = input
  const factors: Factor[] = []
  if (dam.animal.id === sire.animal.id)
    factors.push({
      level: 'no',
      factor: 0,
      text: 'An animal is not its own mate',
      reason: { rule: 'An animal is not its own mate', inputs: [] },
    })
  const gone = [dam, sire].find(c => c.animal.status !== 'alive')
  if (gone)
    factors.push({
      level: 'no',
      factor: 0,
      text: `${gone.animal.tag} is not here`,
      reason: { rule: 'Both are here', inputs: [computedInput(gone.animal.tag, gone.animal.status)] },
    })
  const apart = [dam, sire].find(c => c.apart)
  if (apart)
    factors.push({
      level: 'no',
      factor: 0,
      text: `${apart.animal.tag} is in quarantine`,
      reason: {
        rule: 'What comes new meets nobody until its quarantine is over',
        inputs: [computedInput(apart.animal.tag, apart.apart!)],
        change: 'The end of its quarantine, and a clear test',
      },
    })
  if (dam.rests)
    factors.push({
      level: 'no',
      factor: 0,
      text: `${dam.animal.tag} rests: ${dam.rests}`,
      reason: {
        rule: 'At the first sign of exhaustion she rests to the next season',
        inputs: [computedInput(dam.animal.tag, dam.rests)],
      },
    })
  factors.push(
    healthFactor(input),
    ageFactor(input),
    ...sizeFactor(input),
    sexFactor(input),
    kinFactor(input),
    ...pastFactor(input),
    ...readyFactor(input),
  )
  const wished = wishFactor(input)
  if (wished) factors.push(wished)
  const worth = factors.reduce((product, f) => product * f.factor, 1)
  const rank = (f: Factor) => PAIR_LEVELS.indexOf(f.level)
  const worst = factors.reduce((a, f) => (rank(f) > rank(a) ? f : a))
  const level = worst.level
  const stops = factors
    .filter(f => !f.timed && (f.level === 'no' || f.level === 'wait'))
    .sort((a, b) => rank(b) - rank(a))
  const text =
    level === 'good'
      ? wished?.text || (kinship > 0 ? factors.find(f => f.text.startsWith('kin'))?.text : '') || 'fits'
      : worst.text
  const reasons = factors.map((f): Reason => ({
    ...f.reason,
    rule: Math.abs(f.factor - 1) < 0.005 ? f.reason.rule : `${f.reason.rule}: × ${f.factor.toFixed(2)}`,
  }))
  const parts = factors.map(f => ({ rule: f.reason.rule, factor: f.factor }))
  return {
    value: {
      level,
      worth,
      text,
      stop: stops[0]?.text ?? null,
      youngF: kinship,
      wish,
      parts,
      caution: species.mating.eatsMates
        ? 'Eats snakes: never two unattended. Feed both apart, two days before.'
        : species.sexing?.venomous
          ? 'Venomous: trained, licensed keepers only, never alone.'
          : null,
    },
    reasons,
  }
}
