import type { DatedEntry } from './entry'
import type { Unread } from './house'

/** One subject as it was folded, and from what. */
export interface Folded {
  entries: readonly DatedEntry[]
  founding: DatedEntry | null
  standsOn: readonly unknown[]
  state: unknown
  unread: Unread[]
  newer: Unread[]
}

/**
 * What folding remembers from one time to the next. It belongs to whoever folds (a server's session, a test), so that
 * nothing of one house is left behind in the program; an empty one gives the same house, only later.
 */
export class FoldMemory {
  private readonly folded = new Map<string, Folded>()
  private readonly others = new Map<string, WeakMap<object, unknown>>()

  /** The subject as it was folded last, when it follows from the same. */
  known(key: string, entries: readonly DatedEntry[], founding: DatedEntry | null, standsOn: readonly unknown[]) {
    const before = this.folded.get(key)
    const same =
      before &&
      before.entries === entries &&
      before.founding === founding &&
      before.standsOn.length === standsOn.length &&
      before.standsOn.every((x, i) => x === standsOn[i])
    return same ? before : null
  }

  /** The state of a subject as its own entries alone made it. */
  stateOf(key: string): unknown {
    return this.folded.get(key)?.state
  }

  keep(key: string, folded: Folded): Folded {
    this.folded.set(key, folded)
    return folded
  }

  /** Room for what else follows from an object that does not change. */
  of<Of extends object, T>(name: string): WeakMap<Of, T> {
    let room = this.others.get(name)
    if (!room) this.others.set(name, (room = new WeakMap()))
    return room as unknown as WeakMap<Of, T>
  }
}
