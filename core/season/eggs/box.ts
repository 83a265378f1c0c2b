import { speciesOf } from '../../almanac'
import { waterOfBox, type WaterBalance } from '../../incubation'
import { computedInput, factInput, type Reason } from '../../judgement'
import type { ClutchState } from '../../subjects'
import { formatDistance } from '../../units'
import type { SeasonContext } from '../context'

export interface BoxBalance extends WaterBalance {
  /** Water to give now, g; 0 while enough is there. */
  give: number
  reasons: Reason[]
}

/** The water of the box of a clutch by its weighings; null while too little was weighed. */
export function boxBalance(
  clutch: ClutchState,
  { almanac, today }: Pick<SeasonContext, 'almanac' | 'today'>,
): BoxBalance | null {
  const { box, boxWeights, watered, eggWeights } = clutch
  const last = boxWeights.at(-1)
  if (!box || box.totalG === null || !last || boxWeights.length < 2) return null
  // eggs that came out or died left the box, and nobody knows what they weighed
  const left = clutch.hatched.length > 0 || clutch.eggsLost > 0
  const eggsThen = eggWeights.find(w => w.day >= box.day - 1 && w.count === clutch.eggs)
  const eggsNow = eggWeights.filter(w => w.day <= last.day && w.count === clutch.eggs).at(-1)
  const eggsGained = eggsThen && eggsNow && eggsNow !== eggsThen ? eggsNow.massG - eggsThen.massG : 0
  const balance = waterOfBox({
    startG: box.totalG,
    nowG: last.totalG,
    givenG: watered.filter(w => w.day <= last.day).reduce((sum, w) => sum + w.waterG, 0),
    eggsGainedG: eggsGained,
    waterG: box.waterG,
  })
  const dried = almanac.common.boxDried!
  const since = watered.filter(w => w.day > last.day).reduce((sum, w) => sum + w.waterG, 0)
  const missing = Math.max(0, balance.goneG - since)
  const wants = box.waterG === null ? missing >= 1 : missing > dried.value * box.waterG
  return {
    ...balance,
    give: wants && !left ? missing : 0,
    reasons: [
      {
        rule: 'What the closed box lost, with what was given, and without what the eggs took up, is water that went',
        inputs: [
          computedInput('At set-up', `${box.totalG} g, ${formatDistance(box.day, today)}`),
          computedInput('Last weighed', `${last.totalG} g, ${formatDistance(last.day, today)}`),
          computedInput('Given since', `${watered.reduce((sum, w) => sum + w.waterG, 0)} g`),
          computedInput(
            'Taken up by the eggs',
            eggsGained ? `${eggsGained.toFixed(1)} g` : 'not weighed: counted as none',
          ),
          computedInput('Water that went', `${balance.goneG.toFixed(1)} g`),
          factInput('Given back from', 'common.boxDried.value', dried),
        ],
        change: 'Weighing the box, or the eggs; writing water that was given',
      },
    ],
  }
}

/** What the eggs do to what they weighed at laying, and what that says; null while they were weighed once. */
export interface EggMass {
  share: number
  verdict: 'too dry' | 'fine' | 'too wet'
  reasons: Reason[]
}

/** Soft-shelled eggs take up water; those with a hard shell only lose it. */
export const isHardShelled = (
  clutch: Pick<ClutchState, 'speciesId'>,
  { almanac }: Pick<SeasonContext, 'almanac'>,
): boolean => speciesOf(almanac, clutch.speciesId).incubation?.shell === 'hard'

/** What the eggs weigh now against the first weighing; null while they were weighed once. */
export function eggMass(
  clutch: ClutchState,
  { almanac, today }: Pick<SeasonContext, 'almanac' | 'today'>,
): EggMass | null {
  const [first, last] = [clutch.eggWeights[0], clutch.eggWeights.at(-1)]
  if (!first || !last || first === last) return null
  const share = last.massG / last.count / (first.massG / first.count) - 1
  const { eggsFell, eggsSwelled } = almanac.common
  const verdict = share < -eggsFell!.value ? 'too dry' : share > eggsSwelled!.value ? 'too wet' : 'fine'
  return {
    share,
    verdict,
    reasons: [
      {
        rule: 'Mass of one egg against its mass at the first weighing',
        inputs: [
          computedInput(
            'First',
            `${(first.massG / first.count).toFixed(1)} g each, ${formatDistance(first.day, today)}`,
          ),
          computedInput('Last', `${(last.massG / last.count).toFixed(1)} g each, ${formatDistance(last.day, today)}`),
          factInput('Too dry from a loss of', 'common.eggsFell.value', eggsFell!),
          factInput('Too wet from a gain of', 'common.eggsSwelled.value', eggsSwelled!),
        ],
        change: 'Another weighing of the eggs',
      },
    ],
  }
}
