import { registry, statesOf, subjectKey, type House, type Subject } from '../subjects'
import type { Failure } from './guard'
import type { Alarm } from './contracts'
import { upperFirst } from '../units'

/** What a keeper calls it: its tag, or its name. */
function nameOf(house: House, { type, id }: Subject): string {
  const subject = registry.subjects.get(type)
  const row = subject && (statesOf(house, subject)[id] as { tag?: string; name?: string | null } | undefined)
  const noun = subject?.noun.one ?? type
  return row?.tag ?? row?.name ?? `${upperFirst(noun)} ${id}`
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
    text: u.told ? u.message : `${nameOf(house, u.subject)}: an entry cannot be read and is left out`,
    todo: 'Take it back and write it anew; everything else of it stands.',
    reasons: [
      {
        rule: 'What was thrown while it was read',
        inputs: [{ label: 'Message', value: u.message, from: { kind: 'computed' } }],
      },
    ],
  }))
  return [...unread, ...newerAlarm(house), ...uncomputed]
}

/** What a newer program wrote stops nothing; that it is left out is said once. */
function newerAlarm({ newer }: Pick<House, 'newer'>): Alarm[] {
  if (!newer.length) return []
  const n = newer.length
  return [
    {
      id: 'newer',
      level: 'watch',
      subject: null,
      text: `${n} ${n === 1 ? 'entry was' : 'entries were'} written by a newer Mantel; kept, and left out here`,
      todo: 'Start the newer version to see them counted.',
      reasons: [
        {
          rule: 'Kinds of entries, or versions of them, that this program does not know',
          inputs: [...new Set(newer.map(e => e.message))].map(value => ({
            label: 'Kind',
            value,
            from: { kind: 'computed' as const },
          })),
        },
      ],
    },
  ]
}
