import { isDeepStrictEqual } from 'node:util'
import { entryKinds, type Entry, type House } from '#core/subjects'

/** As it would be read back from the database: defaults filled in, and nothing that JSON does not hold. */
function stored(kind: string, data: Record<string, unknown>): unknown {
  const parsed = entryKinds.get(kind)?.data.safeParse(data)
  return JSON.parse(JSON.stringify(parsed?.success ? parsed.data : data))
}

/** Whether an entry that is sent says the same as the one that is written under its id. */
export function sameContent(sent: Entry, written: Entry, house: House): boolean {
  const about =
    (sent.subject.type === written.subject.type && sent.subject.id === written.subject.id) ||
    // said of the female, it was written of her open pairing
    (sent.subject.type === 'animal' &&
      written.subject.type === 'pairing' &&
      house.pairings[written.subject.id]?.damId === sent.subject.id)
  return (
    about &&
    sent.kind === written.kind &&
    Date.parse(sent.at) === Date.parse(written.at) &&
    sent.source === written.source &&
    (sent.note ?? null) === (written.note ?? null) &&
    isDeepStrictEqual(stored(sent.kind, sent.data), stored(written.kind, written.data))
  )
}
