import type { Fact, Species } from '../../almanac'
import type { ColdVerdict } from '../../brumation'
import { entryInput, factInput, type Judgement } from '../../judgement'
import type { AnimalState, Observed, Weighing } from '../../subjects'
import { formatDistance } from '../../units'
import type { Told } from './told'

export const LABELS = { weight: 'Weight' } as const

/** The last weight and how long ago it was, beside a weighing. */
export const lastWeight = (last: Weighing | undefined, today: number): string =>
  last ? `${last.massG} g ${formatDistance(last.day, today)}` : 'no weight yet'

export const tellColdWeight = (
  last: Weighing | undefined,
  rests: boolean,
  { value, reasons }: Judgement<ColdVerdict>,
  today: number,
): Told => ({
  what: rests ? 'Weigh and look, at rest' : 'Weigh and look, in the cold',
  detail: lastWeight(last, today),
  caution: 'Look for noisy breath, discharge, dry skin. Out at once if it lost a tenth of its starting weight.',
  reasons: [{ rule: value.text, inputs: [], change: 'A weight recorded today moves the next one' }, ...reasons],
})

export const tellWakeWeight = (
  last: Weighing | undefined,
  { warmed, within }: { warmed: Observed; within: Fact },
  today: number,
): Told => ({
  what: 'Weigh, out of the cold',
  detail: lastWeight(last, today),
  reasons: [
    {
      rule: 'What it lost in the cold, and when it has regained it, is counted from this weight: readiness to pair waits for it',
      inputs: [
        entryInput('Warmed up', formatDistance(warmed.day, today), warmed),
        factInput('Asked for within', 'common.wakeWeightWithin.value', within),
      ],
      change: 'A weight recorded today',
    },
  ],
})

export interface WeightDue {
  species: Species
  key: 'young' | 'adult'
  every: Fact
  last: Weighing | undefined
  /** After which it rests before it is handled; null of one that is handled at any time. */
  meal: AnimalState['lastTaken']
  rest: Fact
}

export const tellWeight = ({ species, key, every, last, meal, rest }: WeightDue, today: number): Told => ({
  what: 'Weigh',
  detail: lastWeight(last, today),
  reasons: [
    {
      rule: `Weighed every ${every.value} days (${key === 'young' ? 'in the first year' : 'adult'})`,
      inputs: [
        factInput('Rhythm', `species.${species.id}.weighEveryDays.${key}.value`, every),
        ...(last ? [entryInput('Last weight', `${last.massG} g`, last)] : []),
        ...(meal
          ? [
              entryInput('Last meal', formatDistance(meal.day, today), meal),
              factInput('Not handled after a large meal for', 'common.restAfterMeal.value', rest),
            ]
          : []),
      ],
      change: 'A weight recorded today moves the next one',
    },
  ],
})
