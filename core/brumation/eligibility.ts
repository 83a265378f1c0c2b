import { schoolChoice, type Species } from '../almanac'
import type { Day } from '../chance'
import { computedInput, entryInput, factInput, spreadInput, type Judgement, type Reason } from '../judgement'
import type { AnimalState } from '../subjects'
import { formatDay, formatDistance } from '../units'
import { bodyCondition, type Condition } from './condition'
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
  if (!hasWinter(species)) {
    return {
      value: { fitness: 'keepUp', from: null, holdDays: null, text: 'Its species needs no winter', condition: null },
      reasons: [{ rule: `${species.name}: no cold and no rest`, inputs: [computedInput('Winter', 'none')] }],
    }
  }
  const { cold } = species
  const path = `species.${species.id}.cold`
  const word = species.winter === 'dormancy' ? 'rested' : 'cooled'
  const reasons: Reason[] = []
  let value: Eligibility = { fitness: 'cool', from: today, holdDays: null, text: `May be ${word}`, condition: null }
  const set = (fitness: Fitness, text: string, more: Partial<Eligibility> = {}) => {
    if (FITNESS.indexOf(fitness) > FITNESS.indexOf(value.fitness))
      value = { ...value, fitness, text, from: fitness === 'shorten' ? value.from : null, ...more }
  }
  reasons.push({
    rule:
      species.winter === 'dormancy'
        ? 'A tropical species: no cold, but a rest drives eggs and sperm'
        : 'A temperate species: its year starts with the cold',
    inputs: [computedInput('Species', species.name)],
  })

  const age = animal.bornDay === null ? null : coolDay - animal.bornDay
  const young = age !== null && age < cold.minAgeDays.value
  const school = schoolChoice(almanac, schools, 'hatchlingWinter', species.id)
  reasons.push({
    rule: young
      ? `Of the year: ${school.name.toLowerCase()}`
      : age === null
        ? 'Day of birth unknown: taken as grown'
        : 'Old enough',
    inputs: [
      computedInput('Age by then', age === null ? 'unknown' : `${age} days`),
      factInput('At least', `${path}.minAgeDays.value`, cold.minAgeDays),
      ...(young ? [factInput(school.name, 'schools.hatchlingWinter', school.fact!)] : []),
    ],
    ...(young && { change: 'Another school in Settings' }),
  })
  if (young && school.id === 'keepUp') set('keepUp', 'Of the year: keep it up and feed')
  else if (young)
    set('shorten', `Of the year: ${school.fact!.value} weeks at most`, { holdDays: school.fact!.value * 7 })

  if (animal.unwell) {
    set('notYet', 'Not well: see to it first')
    reasons.push({
      rule: 'Never cool a sick animal',
      inputs: [entryInput('Looked at', animal.unwell.signs.join(', ') || 'not well', animal.unwell)],
      change: 'A look that finds it well; ask the vet',
    })
  }
  if (gravid) {
    set('notYet', 'Gravid: after laying or birth')
    reasons.push({
      rule: 'A gravid female stays warm until she has laid or given birth',
      inputs: [computedInput('Signs in this season', 'yes')],
      change: 'Laying, birth, or the end of her season',
    })
  }
  const fresh = almanac.common.startWeightFresh!
  const condition = bodyCondition(species, animal, almanac.common)
  if (!condition || coolDay - condition.value.latest.day > fresh.value) {
    const late = coolDay - today > fresh.value
    if (!late)
      set(
        'notYet',
        condition
          ? `Weigh first: last weight ${formatDistance(condition.value.latest.day, today)}`
          : 'Weigh first: it was never weighed',
        { from: today },
      )
    reasons.push({
      rule: 'The starting weight must be fresh when it is cooled',
      inputs: [
        condition
          ? entryInput('Latest', `${condition.value.latest.massG} g`, condition.value.latest)
          : computedInput('Weights', 'none'),
        factInput('No older than', 'common.startWeightFresh.value', fresh),
      ],
      change: 'A weight',
    })
  }
  if (condition) {
    value = { ...value, condition: condition.value }
    reasons.push(...condition.reasons)
    if (condition.value.state === 'thin') set('keepUp', 'Too thin: keep it up and feed')
    else if (condition.value.state === 'lean') {
      const { leanStay } = almanac.common
      const holdDays = Math.max(1, Math.round(cold.weeks.likely * 7 * leanStay!.value))
      set('shorten', `Lean: ${Math.round(holdDays / 7)} weeks at most`, { holdDays })
      reasons.push({
        rule: 'A lean animal stays in the cold for a part of the usual time only',
        inputs: [
          spreadInput('Usual', `species.${species.id}.cold.weeks`, cold.weeks),
          factInput('Of it at most', 'common.leanStay.value', leanStay!),
        ],
      })
    }
  }
  if (animal.lastTaken) {
    const clear = animal.lastTaken.day + cold.gutClearDays.likely
    if (clear > coolDay) set('notYet', `Gut not clear before ${formatDay(clear, today)}`, { from: clear })
    else if (value.fitness === 'cool' || value.fitness === 'shorten') value = { ...value, from: Math.max(today, clear) }
    reasons.push({
      rule: 'The gut must be clear: food that lies in the cold rots',
      inputs: [
        entryInput('Last meal taken', formatDay(animal.lastTaken.day, today), animal.lastTaken),
        spreadInput('Fasting', `${path}.gutClearDays`, cold.gutClearDays),
        computedInput('Clear from', formatDay(clear, today)),
      ],
      change: 'No further meal',
    })
  }
  return { value, reasons }
}
