import type { Subject } from '../subjects'

/** Something that could not be computed. It is left out and told; the rest of the season goes on. */
export interface Failure {
  subject: Subject | null
  /** What is missing for it, as the keeper knows it: its food, its forecast. */
  part: string
  message: string
}

/** Where failures are collected; without a list they are thrown on. */
export interface Guarding {
  failures?: Failure[]
}

function keepReason({ failures }: Guarding, part: string, subject: Subject | null, error: unknown): void {
  if (!failures) throw error
  failures.push({ subject, part, message: error instanceof Error ? error.message : String(error) })
}

/** What is made, or null when it cannot be computed; the reason is kept. */
export function guarded<T>(guarding: Guarding, part: string, subject: Subject | null, make: () => T): T | null {
  try {
    return make()
  } catch (error) {
    keepReason(guarding, part, subject, error)
    return null
  }
}

/** What can be made of each; those that cannot be computed are left out and their reasons kept. */
export function eachGuarded<Of, T>(
  guarding: Guarding,
  part: string,
  items: readonly Of[],
  subjectOf: (item: Of) => Subject,
  make: (item: Of) => T,
): NonNullable<T>[] {
  const made: NonNullable<T>[] = []
  for (const item of items) {
    try {
      const one = make(item)
      if (one !== null && one !== undefined) made.push(one)
    } catch (error) {
      keepReason(guarding, part, subjectOf(item), error)
    }
  }
  return made
}

/** Names an item by its id. */
export const subjectAs =
  (type: Subject['type']) =>
  (item: { id: string }): Subject => ({ type, id: item.id })
