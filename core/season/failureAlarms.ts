import { subjectKey, type House, type Subject } from '../logbook'
import type { Failure } from './guard'
import type { Alarm } from './types'

const NOUN: Record<Subject['type'], string> = {
  animal: 'Animal',
  pairing: 'Pair',
  clutch: 'Clutch',
  culture: 'Culture',
  prey: 'Feeder',
  lamp: 'Lamp',
  winter: 'Winter group',
  locus: 'Locus',
  entry: 'Entry',
}

/** What a keeper calls it: its tag, or its name. */
function nameOf(house: House, { type, id }: Subject): string {
  const rows: Partial<Record<Subject['type'], Record<string, { tag?: string; name?: string | null }>>> = {
    animal: house.animals,
    pairing: house.pairings,
    clutch: house.clutches,
    culture: house.cultures,
    lamp: house.lamps,
    winter: house.winters,
    locus: house.loci,
  }
  const row = rows[type]?.[id]
  return row?.tag ?? row?.name ?? `${NOUN[type]} ${id}`
}

/** One alarm for each subject that could not be computed, and for each entry that could not be read. */
export function failureAlarms(failures: readonly Failure[], house: House): Alarm[] {
  const bySubject = new Map<string, { subject: Subject | null; parts: Set<string>; messages: Set<string> }>()
  for (const { subject, part, message } of failures) {
    const key = subject ? subjectKey(subject) : part
    const known = bySubject.get(key)
    if (known) {
      known.parts.add(part)
      known.messages.add(message)
    } else bySubject.set(key, { subject, parts: new Set([part]), messages: new Set([message]) })
  }
  const uncomputed = [...bySubject].map(([key, { subject, parts, messages }]): Alarm => ({
    id: `failure:${key}`,
    level: 'watch',
    subject,
    broken: true,
    text: `${subject ? nameOf(house, subject) : 'The house'}: ${[...parts].join(', ')} cannot be computed and ${parts.size > 1 ? 'are' : 'is'} left out`,
    todo: subject
      ? 'Look at its latest entries and take back what cannot be true; the rest of the house goes on without it.'
      : 'The rest of the house goes on without it. Look at what was written last.',
    reasons: [
      {
        rule: 'What was thrown while it was computed',
        inputs: [...messages].map(value => ({ label: 'Message', value, from: { kind: 'computed' as const } })),
      },
    ],
  }))
  const unread = house.unread.map((u): Alarm => ({
    id: `unread:${u.entryId}`,
    level: 'watch',
    subject: u.subject,
    broken: true,
    suspectId: u.entryId,
    text: `${nameOf(house, u.subject)}: an entry cannot be read and is left out`,
    todo: 'Take it back and write it anew; everything else of it stands.',
    reasons: [
      {
        rule: 'What was thrown while it was read',
        inputs: [{ label: 'Message', value: u.message, from: { kind: 'computed' } }],
      },
    ],
  }))
  return [...unread, ...uncomputed]
}
