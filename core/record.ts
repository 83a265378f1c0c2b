/**
 * A record that is looked up by ids from outside. It has no prototype, so that an id like `constructor` finds nothing.
 */
export function recordOf<T>(entries: Iterable<readonly [string, T]> = []): Record<string, T> {
  const record = Object.create(null) as Record<string, T>
  for (const [key, value] of entries) record[key] = value
  return record
}
