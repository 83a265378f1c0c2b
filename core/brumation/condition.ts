import type { Almanac, Species } from '../almanac'
import { computedInput, entryInput, factInput, type Judgement, type Reason } from '../judgement'
import { comparableWeights, type AnimalState, type Weighing } from '../subjects'
import { formatDay } from '../units'
import { startingWeight } from './coldLine'

export interface Condition {
  latest: Weighing
  /** Against the best weight of its own last year and a half. */
  ofBest: number
  /** Against the weight with which it went into its last winter, when there was one. */
  ofLastWinter: number | null
  /** Tortoises: mass against that of a healthy one of its length. */
  shell: { ratio: number; expectedG: number; mm: number } | null
  state: 'good' | 'lean' | 'thin'
}

/**
 * Mass that a healthy tortoise of a straight carapace length has, g.
 * Source of the law: Jackson 1980, J. Small Anim. Pract. 21:409–416 (constant in the almanac, from memory).
 * @param mm straight carapace length, mm
 */
export function shellMassG(shellMass: NonNullable<Species['shellMass']>, mm: number): number {
  return shellMass.gPerCm3.value * (mm / 10) ** 3
}

/** Body condition from an animal's own weights and, for tortoises, its length. Null when it was never weighed. */
export function bodyCondition(
  species: Species,
  animal: AnimalState,
  common: Almanac['common'],
): Judgement<Condition> | null {
  const { leanShare, thinShare, ownCurve } = common
  const latest = animal.weights.at(-1)
  if (!latest) return null
  const best = comparableWeights(animal).reduce(
    (a, w) => (w.day >= latest.day - ownCurve!.value && w.massG > a.massG ? w : a),
    latest,
  )
  const ofBest = latest.massG / best.massG
  const reasons: Reason[] = [
    {
      rule: 'Against its own best weight',
      inputs: [
        entryInput('Latest', `${latest.massG} g`, latest),
        entryInput('Best', `${best.massG} g`, best),
        computedInput('Share', `${Math.round(ofBest * 100)} %`),
        factInput('Best of the last', 'common.ownCurve.value', ownCurve!),
        factInput('Lean under', 'common.leanShare.value', leanShare!),
        factInput('Thin under', 'common.thinShare.value', thinShare!),
      ],
      change: 'A new weight',
    },
  ]
  const former = animal.winters.filter(w => w.warmed !== null).at(-1)
  const before = former ? startingWeight(animal.weights, former, common) : null
  const ofLastWinter = before && !before.late && before.day < latest.day ? latest.massG / before.massG : null
  if (ofLastWinter !== null)
    reasons.push({
      rule: 'Against the weight with which it went into its last winter',
      inputs: [
        entryInput(`Cooled ${formatDay(former!.cooled.day)}`, `${before!.massG} g`, before!),
        computedInput('Share', `${Math.round(ofLastWinter * 100)} %`),
      ],
    })
  const length = animal.lengths.at(-1)
  let shell: Condition['shell'] = null
  if (species.shellMass && length) {
    const expectedG = shellMassG(species.shellMass, length.mm)
    shell = { ratio: latest.massG / expectedG, expectedG, mm: length.mm }
    const path = `species.${species.id}.shellMass`
    reasons.push({
      rule: 'Mass against straight carapace length: healthy mass = constant × length³ (Jackson ratio)',
      inputs: [
        entryInput('Length', `${length.mm} mm`, length),
        factInput('Constant', `${path}.gPerCm3.value`, species.shellMass.gPerCm3),
        computedInput('Healthy mass', `${Math.round(expectedG)} g`),
        computedInput('Ratio', shell.ratio.toFixed(2)),
        factInput('Light under', `${path}.lowShare.value`, species.shellMass.lowShare),
      ],
      change: 'Measure again, in a straight line over the shell',
    })
  }
  const light = shell !== null && shell.ratio < species.shellMass!.lowShare.value
  const share = Math.min(ofBest, ofLastWinter ?? 1)
  const state = light || share < thinShare!.value ? 'thin' : share < leanShare!.value ? 'lean' : 'good'
  return { value: { latest, ofBest, ofLastWinter, shell, state }, reasons }
}
