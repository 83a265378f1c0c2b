/**
 * What the season remembers from one time to the next. It belongs to whoever computes (a server's session, a worker, a
 * test) and is passed in; a new one gives the same season, only later.
 */
export class SeasonMemory {
  private readonly rooms = new Map<symbol, unknown>()

  /** What is kept under a name, made when it is asked for first. */
  room<T>(name: symbol, make: () => T): T {
    let room = this.rooms.get(name) as T | undefined
    if (room === undefined) this.rooms.set(name, (room = make()))
    return room
  }
}

/** What may carry a memory. */
export interface Remembering {
  memory?: SeasonMemory
}

/** Whether two lists hold the same. Asked some thirty times an animal, so a loop: a call a value costs as much again. */
export function isSame(a: readonly unknown[], b: readonly unknown[]): boolean {
  if (a.length !== b.length) return false
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false
  return true
}

/** Whether two values of rows, lists and plain objects say the same, at every depth. */
export function isLike(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false
  if (Array.isArray(a) || Array.isArray(b)) {
    if (!Array.isArray(a) || !Array.isArray(b) || a.length !== b.length) return false
    for (let i = 0; i < a.length; i++) if (!isLike(a[i], b[i])) return false
    return true
  }
  const [one, other] = [a as Record<string, unknown>, b as Record<string, unknown>]
  const keys = Object.keys(one)
  if (keys.length !== Object.keys(other).length) return false
  for (const key of keys) if (!Object.hasOwn(other, key) || !isLike(one[key], other[key])) return false
  return true
}

/**
 * A function that remembers its answer per object, and works anew only when one of the values it depends on is another.
 * The answer must follow from the object and those values alone; then remembering changes nothing but the time taken.
 * Without a memory in the context it works anew each time.
 */
export function remembering<Of extends object, T>(): (
  context: Remembering,
  of: Of,
  dependsOn: readonly unknown[],
  make: () => T,
) => T {
  const name = Symbol('answers')
  return ({ memory }, of, dependsOn, make) => {
    if (!memory) return make()
    const known = memory.room(name, () => new WeakMap<Of, { dependsOn: readonly unknown[]; answer: T }>())
    const before = known.get(of)
    if (before && isSame(before.dependsOn, dependsOn)) return before.answer
    const answer = make()
    known.set(of, { dependsOn, answer })
    return answer
  }
}
