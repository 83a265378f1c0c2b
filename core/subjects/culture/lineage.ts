import type { CultureState } from './state'

type All = Readonly<Record<string, CultureState>>
type Of = Pick<CultureState, 'id' | 'strain' | 'parentIds'>

/** The strain of a culture: as it was said, or that of those it was founded from; null where nobody said. */
export function strainOf(culture: Pick<CultureState, 'strain' | 'parentIds'>, cultures: All): string | null {
  const seen = new Set<string>()
  const up = [culture]
  while (up.length) {
    const { strain, parentIds = [] } = up.shift()!
    if (strain) return strain
    for (const id of parentIds) {
      const parent = seen.has(id) ? undefined : cultures[id]
      seen.add(id)
      if (parent) up.push(parent)
    }
  }
  return null
}

/** Cultures that were founded from one, and from these in turn, the oldest first. */
export function foundedFrom({ id }: Pick<Of, 'id'>, cultures: All): CultureState[] {
  const found = new Set([id])
  const all = Object.values(cultures).sort((a, b) => a.startDay - b.startDay)
  // who comes later may be named first on one day
  for (let before = 0; before !== found.size;) {
    before = found.size
    for (const c of all) if (c.parentIds?.some(parent => found.has(parent))) found.add(c.id)
  }
  return all.filter(c => c.id !== id && found.has(c.id))
}
