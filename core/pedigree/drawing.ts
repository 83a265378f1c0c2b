import type { Ancestry } from './pedigree'

/** One animal in a pedigree drawing, at a generation (0 = the one asked for) and a height in rows. */
export interface PedigreeNode {
  id: string
  generation: number
  row: number
  /** Comes into it by more than one way: drawn once, and marked. */
  shared: boolean
}

export interface PedigreeLink {
  from: string
  to: string
  role: 'dam' | 'sire'
  /** Chance of this parent, 1 when certain. */
  chance: number
  /** Closes a loop: reaches back to an ancestor drawn elsewhere. */
  loop: boolean
}

export interface PedigreeDrawing {
  nodes: PedigreeNode[]
  links: PedigreeLink[]
  rows: number
  generations: number
}

/**
 * Places the ancestors of one animal: parents to the right of their young, sire above dam, each ancestor once, at the
 * generation of its shortest way. Rows are dense, so that half-known pedigrees stay small.
 * @param generations how many generations back, 1 or more
 */
export function drawPedigree(of: string, animals: ReadonlyMap<string, Ancestry>, generations: number): PedigreeDrawing {
  const depth = new Map<string, number>([[of, 0]])
  const parentsOf = (id: string) => {
    const a = animals.get(id)
    if (!a) return []
    const sires = a.sires
      .filter(s => animals.has(s.id))
      .map(s => ({ id: s.id, role: 'sire' as const, chance: s.chance }))
    return [
      ...(a.clonal ? [] : sires),
      ...(a.damId && animals.has(a.damId) ? [{ id: a.damId, role: 'dam' as const, chance: 1 }] : []),
    ]
  }
  for (let g = 0, level = [of]; g < generations && level.length; g++) {
    const next: string[] = []
    for (const id of level) {
      for (const p of parentsOf(id)) {
        if (depth.has(p.id)) continue
        depth.set(p.id, g + 1)
        next.push(p.id)
      }
    }
    level = next
  }
  const row = new Map<string, number>()
  const ways = new Map<string, number>()
  const links: PedigreeLink[] = []
  let rows = 0
  const place = (id: string): number => {
    const own: number[] = []
    for (const p of parentsOf(id)) {
      if (!depth.has(p.id)) continue
      ways.set(p.id, (ways.get(p.id) ?? 0) + 1)
      const loop = row.has(p.id)
      const at = loop ? null : depth.get(p.id) === depth.get(id)! + 1 ? place(p.id) : null
      if (at !== null) own.push(at)
      links.push({ from: id, to: p.id, role: p.role, chance: p.chance, loop: loop || at === null })
    }
    const at = own.length ? own.reduce((a, b) => a + b, 0) / own.length : rows++
    row.set(id, at)
    return at
  }
  place(of)
  // an ancestor reached only along a longer way than its shortest is placed at the end
  for (const [id] of depth) if (!row.has(id)) place(id)
  return {
    nodes: [...depth].map(([id, generation]) => ({
      id,
      generation,
      row: row.get(id)!,
      shared: (ways.get(id) ?? 0) > 1,
    })),
    links,
    rows: Math.max(1, rows),
    generations: Math.max(...depth.values()) + 1,
  }
}
