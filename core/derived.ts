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

/**
 * The same, where the answer also hangs on values that are mostly those of the last time: the last answer of each object
 * is kept, and given again while they are the same.
 */
export function derivedBy<Of extends object, By extends readonly unknown[], T>(
  make: (of: Of, ...by: By) => T,
): (of: Of, ...by: By) => T {
  const known = new WeakMap<Of, { by: By; value: T }>()
  return (of, ...by) => {
    const last = known.get(of)
    if (last && last.by.length === by.length && last.by.every((x, i) => x === by[i])) return last.value
    const value = make(of, ...by)
    known.set(of, { by, value })
    return value
  }
}
