/** One animal of a pedigree, by ids; parents that are not in the list count as unknown. */
export interface Ancestry {
  id: string
  /** What it is called in messages. */
  tag?: string
  damId: string | null
  /** Possible sires with the chance of each (0..1, together at most 1); empty = unknown. */
  sires: readonly { id: string, chance: number }[]
  /** Born of its dam alone, with her whole genome. */
  clonal?: boolean
}

export class PedigreeError extends Error {
  override name = 'PedigreeError'
}

/**
 * A pedigree in numbers: every animal after its parents. Parent links of animal i lie in `parent[first[i]..first[i+1])`
 * with the share of the genome that comes from each in `share`.
 */
export interface Pedigree {
  ids: readonly string[]
  index: ReadonlyMap<string, number>
  dam: Int32Array
  first: Int32Array
  parent: Int32Array
  share: Float64Array
  clonal: Uint8Array
}

const nameOf = (a: Ancestry) => a.tag ?? a.id

/** Parents before young; throws when an animal is found among its own ancestors, naming the way round. */
function inOrderOfDescent(animals: readonly Ancestry[], byId: ReadonlyMap<string, Ancestry>): Ancestry[] {
  const ordered: Ancestry[] = []
  const state = new Map<string, 'open' | 'done'>()
  const parentsOf = (a: Ancestry) => [a.damId, ...a.sires.map(s => s.id)].flatMap(id => (id && byId.get(id)) || [])
  for (const start of animals) {
    if (state.has(start.id)) continue
    const path: { animal: Ancestry, parents: Ancestry[], next: number }[] = [{ animal: start, parents: parentsOf(start), next: 0 }]
    state.set(start.id, 'open')
    while (path.length) {
      const top = path.at(-1)!
      const parent = top.parents[top.next++]
      if (!parent) {
        state.set(top.animal.id, 'done')
        ordered.push(top.animal)
        path.pop()
      }
      else if (state.get(parent.id) === 'open') {
        const round = path.slice(path.findIndex(p => p.animal.id === parent.id)).map(p => nameOf(p.animal))
        throw new PedigreeError(round.length === 1 ? `${round[0]} cannot be its own parent` : `${round[0]} would be its own ancestor: ${[...round, round[0]].join(' from ')}`)
      }
      else if (!state.has(parent.id)) {
        state.set(parent.id, 'open')
        path.push({ animal: parent, parents: parentsOf(parent), next: 0 })
      }
    }
  }
  return ordered
}

/**
 * Numbers a pedigree, parents before young. O(n).
 * @throws PedigreeError for an animal among its own ancestors, an id given twice, or chances of sires over 1 together
 */
export function pedigreeOf(animals: readonly Ancestry[]): Pedigree {
  const byId = new Map(animals.map(a => [a.id, a]))
  if (byId.size !== animals.length) throw new PedigreeError('An animal stands in the pedigree twice')
  const ordered = inOrderOfDescent(animals, byId)
  const index = new Map(ordered.map((a, i) => [a.id, i]))
  const n = ordered.length
  const dam = new Int32Array(n).fill(-1)
  const first = new Int32Array(n + 1)
  const clonal = new Uint8Array(n)
  const parent: number[] = []
  const share: number[] = []
  ordered.forEach((a, i) => {
    const together = a.sires.reduce((sum, s) => sum + s.chance, 0)
    if (together > 1 + 1e-9 || a.sires.some(s => !(s.chance >= 0))) throw new PedigreeError(`The chances of the sires of ${nameOf(a)} come to ${Math.round(together * 100)} %, over 100 %`)
    const d = a.damId === null ? undefined : index.get(a.damId)
    if (d !== undefined) {
      dam[i] = d
      parent.push(d)
      share.push(a.clonal ? 1 : 0.5)
    }
    clonal[i] = a.clonal && d !== undefined ? 1 : 0
    if (!clonal[i]) {
      for (const sire of a.sires) {
        const s = index.get(sire.id)
        if (s === undefined || sire.chance === 0) continue
        parent.push(s)
        share.push(0.5 * sire.chance)
      }
    }
    first[i + 1] = parent.length
  })
  return { ids: ordered.map(a => a.id), index, dam, first, parent: Int32Array.from(parent), share: Float64Array.from(share), clonal }
}
