import { LogbookError, defineSubject } from '../../log'
import { dayFromIso } from '../../units'
import { GroupData, groupKinds } from './kinds'
import { groupLines } from './lines'
import { nothingWritten } from './state'

export const group = defineSubject({
  type: 'group',
  collection: 'groups',
  noun: { one: 'group', many: 'groups' },
  kinds: groupKinds,
  standsOn: ({ data }, { modeOf }) => [modeOf((data as GroupData).speciesId)],
  found: (entry, { modeOf }) => {
    const { born, male, female, unknown, ...rest } = GroupData.parse(entry.data)
    // it can be neither fed nor forecast: a newer program wrote it, or it was damaged
    if (modeOf(rest.speciesId) === null)
      throw new LogbookError(
        `${rest.tag} is of a species that this almanac does not have (“${rest.speciesId}”), and is left out`,
      )
    return {
      id: entry.id,
      ...rest,
      placedDay: rest.placeId ? entry.day : null,
      bornDay: born === null ? null : dayFromIso(born),
      numbers: { male, female, unknown },
      ...nothingWritten(),
    }
  },
  tagOf: state => state.tag,
  inLogLine: true,
  lines: groupLines,
  noteKind: 'groupNoted',
})
