import { schoolChoice, type Cold, type Species } from '../almanac'
import type { Day } from '../chance'
import type { Judgement } from '../judgement'
import type { AnimalState } from '../subjects'
import { bodyCondition, type Condition } from './condition'
import type { FitnessFinding, FitnessInput } from './fitnessFindings'
import { tellFitness } from './fitnessWording'
import { hasWinter, type WinterContext } from './programme'

export const FITNESS = ['cool', 'shorten', 'notYet', 'keepUp'] as const
export type Fitness = (typeof FITNESS)[number]

export interface Eligibility {
  fitness: Fitness
  /** First day on which it may be cooled, when that is known. */
  from: Day | null
  /** Longest stay for one that is cooled shortly, days. */
  holdDays: number | null
  text: string
  condition: Condition | null
}

/** What a rule found, and what it calls for, where it calls for anything. */
interface Step {
  finding: FitnessFinding
  calls?: { fitness: Fitness; from?: Day; holdDays?: number }
}

function ageStep({ species, animal, coolDay, almanac, schools }: FitnessInput): Step {
  const age = animal.bornDay === null ? null : coolDay - animal.bornDay
  const young = age !== null && age < species.cold.minAgeDays.value
  const finding: FitnessFinding = { code: 'age', age, young }
  if (!young) return { finding }
  const school = schoolChoice(almanac, schools, 'hatchlingWinter', species.id)
  return school.id === 'keepUp'
    ? { finding, calls: { fitness: 'keepUp' } }
    : { finding, calls: { fitness: 'shorten', holdDays: school.fact!.value * 7 } }
}

/** The starting weight must be fresh; what is cooled only later is not asked for it yet. */
function weightSteps({ condition, coolDay, today, almanac }: FitnessInput): Step[] {
  const fresh = almanac.common.startWeightFresh!.value
  if (condition && coolDay - condition.value.latest.day <= fresh) return []
  const finding: FitnessFinding = { code: 'weightOld' }
  return [coolDay - today > fresh ? { finding } : { finding, calls: { fitness: 'notYet', from: today } }]
}

function conditionSteps({ condition, species, almanac }: FitnessInput): Step[] {
  if (!condition) return []
  const { state } = condition.value
  const told: Step = { finding: { code: 'condition' }, ...(state === 'thin' && { calls: { fitness: 'keepUp' } }) }
  if (state !== 'lean') return [told]
  const holdDays = Math.max(1, Math.round(species.cold.weeks.likely * 7 * almanac.common.leanStay!.value))
  return [told, { finding: { code: 'lean', holdDays }, calls: { fitness: 'shorten', holdDays } }]
}

function gutSteps({ species, animal, coolDay }: FitnessInput): Step[] {
  if (!animal.lastTaken) return []
  const clear = animal.lastTaken.day + species.cold.gutClearDays.likely
  const finding: FitnessFinding = { code: 'gut', clear }
  return [clear > coolDay ? { finding, calls: { fitness: 'notYet', from: clear } } : { finding }]
}

const isGraver = (a: Fitness, b: Fitness) => FITNESS.indexOf(a) > FITNESS.indexOf(b)

/**
 * Whether an animal may be cooled (or rested) by `coolDay`. All rules are looked at, so that the working names each;
 * the gravest decides: keep up, not yet, shorten, cool.
 * @param gravid whether she carries
 * @param coolDay day on which it would be cooled: its gut must be clear by then
 */
export function judgeEligibility(
  species: Species,
  animal: AnimalState,
  gravid: boolean,
  coolDay: Day,
  today: Day,
  { almanac, schools }: WinterContext,
): Judgement<Eligibility> {
  const common = { animal, coolDay, today, almanac, schools }
  if (!hasWinter(species)) {
    const { text, reasons } = tellFitness(
      { code: 'noWinter' },
      { ...common, species: species as never, condition: null },
    )
    return { value: { fitness: 'keepUp', from: null, holdDays: null, text, condition: null }, reasons }
  }
  const condition = bodyCondition(species, animal, almanac.common)
  const input: FitnessInput = { ...common, species: species as Species & { cold: Cold }, condition }
  const steps: Step[] = [
    { finding: { code: 'fit' } },
    ageStep(input),
    ...(animal.unwell ? [{ finding: { code: 'unwell' }, calls: { fitness: 'notYet' } } as const] : []),
    ...(gravid ? [{ finding: { code: 'gravid' }, calls: { fitness: 'notYet' } } as const] : []),
    ...weightSteps(input),
    ...conditionSteps(input),
    ...gutSteps(input),
  ]
  let decides = { fitness: 'cool' as Fitness, from: today as Day | null, holdDays: null as number | null }
  let finding = steps[0]!.finding
  for (const step of steps) {
    const { calls } = step
    if (!calls || !isGraver(calls.fitness, decides.fitness)) continue
    decides = { ...decides, from: calls.fitness === 'shorten' ? decides.from : null, ...calls }
    finding = step.finding
  }
  const gut = steps.at(-1)!.finding
  const mayGo = decides.fitness === 'cool' || decides.fitness === 'shorten'
  return {
    value: {
      ...decides,
      ...(mayGo && gut.code === 'gut' && { from: Math.max(today, gut.clear) }),
      text: tellFitness(finding, input).text,
      condition: condition?.value ?? null,
    },
    reasons: steps.flatMap(step => tellFitness(step.finding, input).reasons),
  }
}
