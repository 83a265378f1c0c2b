import { create, type Delta, type DiffContext, type Filter } from 'jsondiffpatch'

export type { Delta }

/** What tells the items of a list apart, in the order in which it is looked for. */
const KEYS = ['id', 'prey', 'groupId', 'animalId', 'placeId', 'entryId'] as const

function keyOf(item: object | null, index = 0): string {
  const row = item as Record<string, unknown> | null
  const key = row && KEYS.find(k => typeof row[k] === 'string')
  return key ? `${key}:${row![key] as string}` : `#${index}`
}

// what a value was is not sent: nobody goes back
const differ = create({ objectHash: keyOf, omitRemovedValues: true })

const isNumbers = (list: unknown): list is number[] => Array.isArray(list) && list.every(x => typeof x === 'number')

/** Of a row of numbers so many may differ to be told one by one. */
const FEW = 1 / 4

/**
 * Rows of numbers are compared place by place: which of them might have moved where tells nothing, and to look for it
 * takes as the square of their length.
 */
const rows: Filter<DiffContext> = context => {
  const { left, right } = context
  if (!isNumbers(left) || !isNumbers(right)) return
  const places = left.length === right.length ? [...right.keys()].filter(i => left[i] !== right[i]) : null
  if (places && !places.length) context.setResult(undefined).exit()
  else if (places && places.length <= FEW * right.length)
    context.setResult({ _t: 'a', ...Object.fromEntries(places.map(i => [i, [0, right[i]!]])) }).exit()
  else context.setResult([0, right]).exit()
}
rows.filterName = 'rows'
differ.processor.pipes.diff.before('arrays', rows)

/**
 * What has to be done to one value to make it another; undefined when they say the same. What is the same object in
 * both is not looked into.
 */
export const deltaOf = (before: unknown, after: unknown): Delta => differ.diff(before, after)

/** As it is told: the value that was, which is left out, and two zeros. */
const isRemoval = (delta: Delta): boolean => Array.isArray(delta) && delta.length === 3 && delta[2] === 0

const isList = (delta: object): delta is { _t: 'a' } & Record<string, unknown> => '_t' in delta

/**
 * The other value; the one that was passed in is not changed, and what the delta does not speak of stays the same object
 * in both: what was computed from it need not be computed again.
 */
export function patched<T>(before: T, delta: Delta): T {
  if (delta === undefined) return before
  // a value in place of another, or of none
  if (Array.isArray(delta)) return delta.at(-1) as T
  const [moved, inside] = [{} as Record<string, unknown>, [] as [string, Delta][]]
  for (const [key, part] of Object.entries(delta)) {
    // of a list: what came, left or went elsewhere
    const placed = isList(delta) && (key.startsWith('_') || (Array.isArray(part) && part.length === 1))
    if (placed) moved[key] = part
    else inside.push([key, part as Delta])
  }
  const after = (Array.isArray(before) ? differ.patch([...before], moved as Delta) : { ...before }) as Record<
    string,
    unknown
  >
  for (const [key, part] of inside) {
    if (isRemoval(part)) Reflect.deleteProperty(after, key)
    else after[key] = patched(after[key], part)
  }
  return after as T
}
