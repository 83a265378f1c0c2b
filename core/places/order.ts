/** What stands somewhere in the walk. */
interface Ranked {
  id: string
  order: number
}

/**
 * New ranks for places that stand together, so that they are walked in another order. The ranks that they had are dealt
 * out anew, so that they keep their rank among what else stands there; equal ones are drawn apart.
 * @param ids of all these places, in the order wished
 * @returns those whose rank changes
 */
export function reordered(places: readonly Ranked[], ids: readonly string[]): Ranked[] {
  const before = new Map(places.map(p => [p.id, p.order]))
  const ranks: number[] = []
  for (const order of [...before.values()].sort((a, b) => a - b))
    ranks.push(ranks.length ? Math.max(order, ranks.at(-1)! + 1) : order)
  return ids.flatMap((id, i) => (before.get(id) === ranks[i] ? [] : [{ id, order: ranks[i]! }]))
}
