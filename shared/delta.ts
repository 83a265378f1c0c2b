import { create, type Delta } from 'jsondiffpatch'

export type { Delta }

/** What tells the items of a list apart, in the order in which it is looked for. */
const KEYS = ['id', 'prey', 'groupId', 'animalId', 'placeId', 'entryId'] as const

function keyOf(item: object, index = 0): string {
  const row = item as Record<string, unknown>
  const key = KEYS.find(k => typeof row[k] === 'string')
  return key ? `${key}:${row[key] as string}` : `#${index}`
}

const differ = create({ objectHash: keyOf })

/**
 * What has to be done to one value to make it another; undefined when they say the same. What is the same object in
 * both is not looked into.
 */
export const deltaOf = (before: unknown, after: unknown): Delta => differ.diff(before, after)

/** The other value; the one that was passed in is not changed. */
export function patched<T>(before: T, delta: Delta): T {
  return delta === undefined ? before : (differ.patch(structuredClone(before), structuredClone(delta)) as T)
}
