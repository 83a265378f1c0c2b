import { schoolChoice } from '../almanac'
import { computedInput, entryInput, factInput, spreadInput, type Reason } from '../judgement'
import { formatDay, formatDistance } from '../units'
import type { FitnessFinding, FitnessInput } from './fitnessFindings'

interface Told {
  /** Where it decides. */
  text: string
  reasons: Reason[]
}

type Words = {
  [C in FitnessFinding['code']]: (finding: Extract<FitnessFinding, { code: C }>, input: FitnessInput) => Told
}

const WORDS: Words = {
  noWinter: (_, { species }) => ({
    text: 'Its species needs no winter',
    reasons: [{ rule: `${species.name}: no cold and no rest`, inputs: [computedInput('Winter', 'none')] }],
  }),

  fit: (_, { species }) => ({
    text: `May be ${species.winter === 'dormancy' ? 'rested' : 'cooled'}`,
    reasons: [
      {
        rule:
          species.winter === 'dormancy'
            ? 'A tropical species: no cold, but a rest drives eggs and sperm'
            : 'A temperate species: its year starts with the cold',
        inputs: [computedInput('Species', species.name)],
      },
    ],
  }),

  age({ age, young }, { species, almanac, schools }) {
    const school = schoolChoice(almanac, schools, 'hatchlingWinter', species.id)
    return {
      text:
        school.id === 'keepUp'
          ? 'Of the year: keep it up and feed'
          : `Of the year: ${school.fact?.value ?? 0} weeks at most`,
      reasons: [
        {
          rule: young
            ? `Of the year: ${school.name.toLowerCase()}`
            : age === null
              ? 'Day of birth unknown: taken as grown'
              : 'Old enough',
          inputs: [
            computedInput('Age by then', age === null ? 'unknown' : `${age} days`),
            factInput('At least', `species.${species.id}.cold.minAgeDays.value`, species.cold.minAgeDays),
            ...(young ? [factInput(school.name, 'schools.hatchlingWinter', school.fact!)] : []),
          ],
          ...(young && { change: 'Another school in Settings' }),
        },
      ],
    }
  },

  unwell: (_, { animal: { unwell } }) => ({
    text: 'Not well: see to it first',
    reasons: [
      {
        rule: 'Never cool a sick animal',
        inputs: [entryInput('Looked at', unwell!.signs.join(', ') || 'not well', unwell!)],
        change: 'A look that finds it well; ask the vet',
      },
    ],
  }),

  gravid: () => ({
    text: 'Gravid: after laying or birth',
    reasons: [
      {
        rule: 'A gravid female stays warm until she has laid or given birth',
        inputs: [computedInput('Signs in this season', 'yes')],
        change: 'Laying, birth, or the end of her season',
      },
    ],
  }),

  weightOld(_, { condition, almanac, today }) {
    const latest = condition?.value.latest
    return {
      text: latest
        ? `Weigh first: last weight ${formatDistance(latest.day, today)}`
        : 'Weigh first: it was never weighed',
      reasons: [
        {
          rule: 'The starting weight must be fresh when it is cooled',
          inputs: [
            latest ? entryInput('Latest', `${latest.massG} g`, latest) : computedInput('Weights', 'none'),
            factInput('No older than', 'common.startWeightFresh.value', almanac.common.startWeightFresh!),
          ],
          change: 'A weight',
        },
      ],
    }
  },

  condition: (_, { condition }) => ({ text: 'Too thin: keep it up and feed', reasons: [...condition!.reasons] }),

  lean: ({ holdDays }, { species, almanac }) => ({
    text: `Lean: ${Math.round(holdDays / 7)} weeks at most`,
    reasons: [
      {
        rule: 'A lean animal stays in the cold for a part of the usual time only',
        inputs: [
          spreadInput('Usual', `species.${species.id}.cold.weeks`, species.cold.weeks),
          factInput('Of it at most', 'common.leanStay.value', almanac.common.leanStay!),
        ],
      },
    ],
  }),

  gut({ clear }, { species, animal, today }) {
    const taken = animal.lastTaken!
    return {
      text: `Gut not clear before ${formatDay(clear, today)}`,
      reasons: [
        {
          rule: 'The gut must be clear: food that lies in the cold rots',
          inputs: [
            entryInput('Last meal taken', formatDay(taken.day, today), taken),
            spreadInput('Fasting', `species.${species.id}.cold.gutClearDays`, species.cold.gutClearDays),
            computedInput('Clear from', formatDay(clear, today)),
          ],
          change: 'No further meal',
        },
      ],
    }
  },
}

/** What a rule on who may be cooled found: in a sentence, where it decides, and with its working. */
export const tellFitness = <F extends FitnessFinding>(finding: F, input: FitnessInput): Told =>
  (WORDS[finding.code] as (f: F, i: FitnessInput) => Told)(finding, input)
