/**
 * A function that remembers its answer per object, and works anew only when one of the values it depends on is another.
 * The answer must follow from the object and those values alone; then remembering changes nothing but the time taken.
 */
export function remembering<Of extends object, T>(): (of: Of, dependsOn: readonly unknown[], make: () => T) => T {
  const known = new WeakMap<Of, { dependsOn: readonly unknown[]; answer: T }>()
  return (of, dependsOn, make) => {
    const before = known.get(of)
    if (before && before.dependsOn.length === dependsOn.length && before.dependsOn.every((x, i) => x === dependsOn[i]))
      return before.answer
    const answer = make()
    known.set(of, { dependsOn, answer })
    return answer
  }
}
