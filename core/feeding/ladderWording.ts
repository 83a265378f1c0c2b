import type { Almanac, Species } from '../almanac'
import { computedInput, entryInput, factInput, type Input, type Reason } from '../judgement'
import type { Observed, Weighing } from '../subjects'

export interface NextStep {
  /** The step proposed, counted from 0. */
  to: number
  way: 'up' | 'down'
}

const stepInput = (index: number, { ladder }: Species): Input =>
  computedInput('Step', `${index + 1} of ${ladder.length}`)

export interface StepDown {
  /** Where it stands, counted from 0. */
  index: number
  /** A meal of this step that came up; null where it refuses. */
  upset: Observed | null
  /** In a row. */
  refusals: number
}

export const stepDownReason = (
  { index, upset, refusals }: StepDown,
  species: Species,
  { common }: Almanac,
): Reason => ({
  rule: upset
    ? 'A meal of this step came up: the smaller prey of the step below'
    : 'Prey of this step is refused: what it took before is smaller',
  inputs: [
    stepInput(index, species),
    ...(upset ? [entryInput('Brought up', 'its last meal', upset)] : []),
    computedInput('Refused in a row', `${refusals}`),
    factInput('Down after refusals', 'common.stepDownAfter.value', common.stepDownAfter!),
  ],
  change: 'A meal of this step that is taken and stays down',
})

export interface StepUp {
  index: number
  /** Days on which it took all at once, of the last so many. */
  whole: number
  of: number
  /** Its weights: the first of those that are trusted, and the last. */
  first: Weighing
  last: Weighing
}

export const stepUpReason = (
  { index, whole, of, first, last }: StepUp,
  species: Species,
  { common: { stepUpMeals, stepUpOf, stepUpFrom, largePrey } }: Almanac,
): Reason => ({
  rule: 'It takes prey of its step whole and at once, and gains: the next step before its age',
  inputs: [
    stepInput(index, species),
    computedInput('Taken whole and at once', `${whole} of the last ${of}`),
    factInput('Asked for', 'common.stepUpMeals.value', stepUpMeals!),
    factInput('Of the last', 'common.stepUpOf.value', stepUpOf!),
    factInput('Not before, of the age of the next step', 'common.stepUpFrom.value', stepUpFrom!),
    entryInput('Weight before', `${first.massG} g`, first),
    entryInput('Latest weight', `${last.massG} g`, last),
    factInput('Prey at most, of its weight', 'common.largePrey.value', largePrey!),
  ],
  change: 'A meal that it leaves, or a weight that falls',
})
