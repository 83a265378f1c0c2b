import { dayFromIso } from '#core/units'
import { ReadEntries, type TimelineEntry } from '#shared/contracts/house'
import { entriesOfDay, entriesOfSubject, voidedAmong } from '../../db/repositories/entries'
import { answerQuery } from '../../utils/handler'
import { theHouse } from '../../house/theHouse'

export default answerQuery(ReadEntries, async (query): Promise<TimelineEntry[]> => {
  const { database } = await theHouse()
  const entries =
    'day' in query
      ? await entriesOfDay(database, dayFromIso(query.day))
      : await entriesOfSubject(database, { type: query.subjectType, id: query.subjectId }, query.limit)
  const voided = await voidedAmong(
    database,
    entries.map(e => e.id),
  )
  return entries.map(e => ({ ...e, voided: voided.has(e.id) }))
})
