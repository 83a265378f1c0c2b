/**
 * What is said otherwise than before: only that is written.
 * @param before what stood
 * @param said what is said now, all of it or a part
 */
export function changedIn<T extends object>(before: T, said: Partial<T>): Partial<T> {
  const other = Object.entries(said).filter(
    ([key, value]) => JSON.stringify(value) !== JSON.stringify(before[key as keyof T]),
  )
  return Object.fromEntries(other) as Partial<T>
}
