import { derived } from '../derived'
import { animalAsAdded } from './animal/asAdded'
import type { AnimalState } from './animal/state'
import { hereOf } from './group/numbers'
import type { GroupState } from './group/state'
import { SEXES, type Sex } from './sexes'

const asAnimal = (group: GroupState, sex: Sex): AnimalState => ({
  ...animalAsAdded({
    id: group.id,
    tag: group.tag,
    name: group.name,
    speciesId: group.speciesId,
    sex,
    bornDay: group.bornDay,
    placeId: group.placeId,
    damId: null,
    sireId: null,
    clutchId: null,
    foundedBy: null,
  }),
  weights: group.weighings.map(w => ({ day: w.day, massG: w.massG / w.count, entryId: w.entryId })),
  meals: group.meals.map(({ count, ...meal }) => ({ ...meal, offered: count, taken: count })),
  lastTaken: group.lastFed,
})

/**
 * One of a group, as far as anything is known of it: it was fed when the group was, and weighs what they weigh in the
 * mean. So a group eats, grows and lives with others by the rules for animals, times its number.
 */
export const oneOf = derived((group: GroupState): AnimalState => asAnimal(group, 'unknown'))

/** As many of them as are there, by sex: what is missing is taken off those of unknown sex first. */
export const membersOf = derived((group: GroupState): readonly AnimalState[] => {
  let missing = group.missing?.count ?? 0
  const counts = { ...group.numbers }
  for (const sex of ['unknown', 'female', 'male'] as const) {
    const gone = Math.min(missing, counts[sex])
    counts[sex] -= gone
    missing -= gone
  }
  const members = SEXES.flatMap(sex => new Array<AnimalState>(counts[sex]).fill(asAnimal(group, sex)))
  return members.slice(0, hereOf(group))
})
