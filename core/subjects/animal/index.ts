import { derived } from '../../derived'
import { LogbookError, defineSubject, subjectKey, type Base, type DatedEntry } from '../../log'
import { animalAsAdded } from './asAdded'
import { cardKinds, cardOf, type AnimalData } from './card'
import { dayKinds } from './days'
import { geneKinds } from './genes'
import { healthKinds } from './health'
import { animalLines, weightLines } from './lines'
import { lineageKinds } from './lineage'
import { mannerKinds } from './manners'
import { oneProvenByYoung, provenByYoung } from './provenByYoung'
import { sexingKinds } from './sexing'
import { winterAnimalKinds } from './winter'

/** Many may be tagged out of one. */
const idsOf = derived((entries: readonly DatedEntry[]): ReadonlySet<string> => new Set(entries.map(e => e.id)))

/** One tagged out of a clutch or a group is there as long as that tagging stands. */
function isTaggedStill({ clutchId, groupId, taggedBy }: AnimalData, { records }: Base): boolean {
  if (!taggedBy) return true
  const from = groupId ? ({ type: 'group', id: groupId } as const) : ({ type: 'clutch', id: clutchId ?? '' } as const)
  const entries = records.entries.get(subjectKey(from))
  return entries !== undefined && idsOf(entries).has(taggedBy)
}

const GONE = { sold: 'was sold before this', dead: 'died before this', elsewhere: 'is not kept here' }

export const animal = defineSubject({
  type: 'animal',
  collection: 'animals',
  noun: { one: 'animal', many: 'animals' },
  kinds: [
    ...cardKinds,
    ...dayKinds,
    ...sexingKinds,
    ...lineageKinds,
    ...geneKinds,
    ...winterAnimalKinds,
    ...healthKinds,
    ...mannerKinds,
  ],
  standsOn: ({ data }, base) =>
    isTaggedStill(data as AnimalData, base) ? [base.modeOf((data as AnimalData).speciesId)] : null,
  found: (entry, { modeOf }) => {
    const card = cardOf(entry)
    // it can be neither fed nor forecast: a newer program wrote it, or it was damaged
    if (modeOf(card.speciesId) === null)
      throw new LogbookError(
        `${card.tag} is of a species that this almanac does not have (“${card.speciesId}”), and is left out`,
      )
    const state = animalAsAdded(card)
    if (card.placeId) state.placedDay = entry.day
    return state
  },
  tagOf: state => state.tag,
  inLogLine: true,
  lines: animalLines,
  lastLines: weightLines,
  noteKind: 'noted',
  began: ({ bornDay, tag }) => (bornDay === null ? null : { day: bornDay, tag, what: 'born' }),
  left: ({ tag, status, statusDay }, day) => (status === 'alive' || day < statusDay! ? null : `${tag} ${GONE[status]}`),
  settle: provenByYoung,
  settleOne: oneProvenByYoung,
})
export { meal } from './meal'
export { bornIn, readPastedRows, type PastedRow } from './pastedRows'
