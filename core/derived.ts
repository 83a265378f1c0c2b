/**
 * A function whose answer follows from one object alone, worked out once for each. The object must not change any more:
 * then the answer is a property of it that is made when it is first asked for, lives as long as it, and is no state.
 */
export function derived<Of extends object, T>(make: (of: Of) => T): (of: Of) => T {
  const known = new WeakMap<Of, { value: T }>()
  return of => {
    let answer = known.get(of)
    if (!answer) known.set(of, (answer = { value: make(of) }))
    return answer.value
  }
}
