import { feederOf, type Almanac, type Fact, type Species } from '../../almanac'
import { almanacRow, computedInput, factInput } from '../../judgement'
import type { Told } from './told'

export const LABELS = { fed: 'Fed', lostSome: 'Lost some', lost: 'Lost' } as const

export const tellTadpoleFood = (tadpoles: number, every: Fact): Told => ({
  what: `Feed ${tadpoles} tadpoles flake`,
  caution: 'Many are cannibals while small: one per cup to about 20 mm, then together with cover.',
  reasons: [
    {
      rule: 'Tadpoles are fed little and often',
      inputs: [computedInput('Alive', `${tadpoles}`), factInput('Every', 'common.tadpolesFedEvery.value', every)],
    },
  ],
})

export interface YoungFood {
  young: number
  species: Species
  /** The step of the ladder they are on. */
  step: Species['ladder'][number]
  index: number
  /** Times as much as the ladder says. */
  times: number
  isFirst: boolean
}

export function tellYoungFood({ young, species, step, index, times, isFirst }: YoungFood, almanac: Almanac): Told {
  const all = step.meal.map(m => `${Math.round(young * m.count * times)} ${feederOf(almanac, m.prey).many}`)
  return {
    what: `Feed ${young} young: ${all.join(' and ')}`,
    detail: isFirst ? 'first meal' : undefined,
    reasons: [
      {
        rule: `Every ${step.everyDays} days on this step of the ladder, ${young} mouths`,
        inputs: step.meal.map((m, i) => ({
          label: feederOf(almanac, m.prey).name,
          value: `${m.count} each`,
          from: almanacRow(`species.${species.id}.ladder.${index}.meal.${i}.count`, step),
        })),
      },
    ],
  }
}
