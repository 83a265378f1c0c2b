import type { Almanac, Fact } from '../almanac'
import { computedInput, entryInput, factInput, spreadInput, type Input, type Reason } from '../judgement'
import type { Day } from '../chance'
import { formatDay } from '../units'
import type { ReadinessCondition, ReadinessFinding, SchoolFinding, Wintering } from './readinessFindings'

type Common = Almanac['common']

const percent = (share: number) => `${(share * 100).toFixed(1)} %`
const regained = ({ value }: Fact) => `${Number((value * 100).toFixed(1))} % of the starting weight`

/** What it waits for, in a few words. */
export function tellCondition({ code }: Pick<ReadinessFinding, 'code'>, common: Common): string {
  switch (code) {
    case 'warmth':
      return 'full warmth'
    case 'shed':
      return 'first shed'
    case 'weight':
      return regained(common.regained!)
    case 'meal': {
      const days = Math.round(common.mealRest!.value)
      return `one meal, and ${days === 2 ? 'two' : days} days after it`
    }
  }
}

function conditionInputs(finding: ReadinessFinding, species: Wintering, common: Common, today: Day): Input[] {
  const { cold } = species
  const path = `species.${species.id}.cold`
  const seen = (label: string, at: { day: Day; entryId: string }) => entryInput(label, formatDay(at.day, today), at)
  switch (finding.code) {
    case 'warmth':
      return [finding.warmed ? seen('Warmed up', finding.warmed) : computedInput('Warmth', 'planned')]
    case 'meal':
      return [
        finding.taken
          ? seen('First meal taken', finding.taken)
          : spreadInput('Until it takes its first meal', `${path}.firstMeal`, cold.firstMeal),
        factInput('Then no mate for', 'common.mealRest.value', common.mealRest!),
      ]
    case 'shed':
      return [
        finding.shed
          ? seen('First shed', finding.shed)
          : spreadInput('Warmth to first shed', `${path}.firstShed`, cold.firstShed),
      ]
    case 'weight':
      if (finding.back) return [entryInput('Regained', `${finding.back.massG} g`, finding.back)]
      return [
        factInput('Regained from, of the starting weight', 'common.regained.value', common.regained!),
        computedInput('Still missing', `${percent(finding.missing)} of the starting weight`),
        spreadInput('Regained a day', `${path}.regainPerDay`, cold.regainPerDay),
      ]
  }
}

/** All that it waits for or waited for. */
export const conditionsReason = (
  conditions: readonly ReadinessCondition[],
  species: Wintering,
  common: Common,
  today: Day,
): Reason => ({
  rule: `Ready when the last of these is there: ${conditions.map(c => tellCondition(c.finding, common)).join(', ')}`,
  inputs: conditions.flatMap(c => conditionInputs(c.finding, species, common, today)),
  change: 'A meal, a weight or a shed written down',
})

function byLoss(lostShare: number | null, limit: Fact): string {
  if (lostShare === null) return 'Its loss is not known, so it waits until it has regained and shed'
  return lostShare > limit.value
    ? 'It lost some: regained weight and first shed come before pairing'
    : 'It lost next to nothing: one meal is enough'
}

/** Why just these count. */
export function schoolReason(found: SchoolFinding): Reason {
  const change = 'Another school for the house, the species or this animal'
  if (found.code === 'school')
    return {
      rule: `School: ${found.name.toLowerCase()}`,
      inputs: [{ label: found.name, value: found.reason, from: { kind: 'setting', name: 'schools' } }],
      change,
    }
  const { lostShare, limit, means } = found
  return {
    rule: byLoss(lostShare, limit),
    inputs: [
      computedInput('Lost in the cold', lostShare === null ? 'unknown' : percent(lostShare)),
      factInput('Counts as nothing', 'schools.pairAfterCold', limit),
      computedInput('So', means),
    ],
    change,
  }
}
