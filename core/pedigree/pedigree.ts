/** One animal of a pedigree, by ids; parents that are not in the list count as unknown. */
export interface Ancestry {
  id: string
  /** What it is called in messages. */
  tag?: string
  damId: string | null
  /** Possible sires with the chance of each (0..1, together at most 1); empty = unknown. */
  sires: readonly { id: string; chance: number }[]
  /** Born of its dam alone, with her whole genome. */
  clonal?: boolean
  /** Clutch it came from: mates of one clutch have one father, whoever he was. */
  clutchId?: string | null
}

/** Mates of one clutch whose father is not certain share him: one key for all of them; null where nothing is shared. */
export function sharedFather(a: Ancestry): string | null {
  if (!a.clutchId || a.clonal || (a.sires.length === 1 && a.sires[0]!.chance === 1)) return null
  return JSON.stringify([a.clutchId, ...a.sires.map(s => `${s.id} ${s.chance}`).sort()])
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
  /**
   * Set for the one father of a clutch who may be one of several: −1 for animals, else the first of his young. He is
   * none of the animals.
   */
  fatherOf: Int32Array
}

/** A father who is one of several, or nobody known, stands for all mates of his clutch. */
interface Member extends Ancestry {
  oneOf?: boolean
}

/** The list with one father more for each clutch that has two or more mates of an uncertain one. */
function withSharedFathers(animals: readonly Ancestry[]): Member[] {
  const mates = new Map<string, Ancestry[]>()
  for (const a of animals) {
    const key = sharedFather(a)
    if (key !== null) mates.set(key, [...(mates.get(key) ?? []), a])
  }
  const shared = [...mates].filter(([, list]) => list.length > 1)
  if (!shared.length) return [...animals]
  const fatherOf = new Map(shared.flatMap(([key, list]) => list.map(a => [a.id, key] as const)))
  return [
    ...shared.map(([key, list]): Member => ({ id: key, damId: null, sires: list[0]!.sires, oneOf: true })),
    ...animals.map(a => (fatherOf.has(a.id) ? { ...a, sires: [{ id: fatherOf.get(a.id)!, chance: 1 }] } : a)),
  ]
}

const nameOf = (a: Ancestry) => a.tag ?? a.id

/** Parents before young; throws when an animal is found among its own ancestors, naming the way round. */
function inOrderOfDescent(animals: readonly Member[], byId: ReadonlyMap<string, Member>): Member[] {
  const ordered: Member[] = []
  const state = new Map<string, 'open' | 'done'>()
  const parentsOf = (a: Member) => [a.damId, ...a.sires.map(s => s.id)].flatMap(id => (id && byId.get(id)) || [])
  for (const start of animals) {
    if (state.has(start.id)) continue
    const path: { animal: Member; parents: Member[]; next: number }[] = [
      { animal: start, parents: parentsOf(start), next: 0 },
    ]
    state.set(start.id, 'open')
    while (path.length) {
      const top = path.at(-1)!
      const parent = top.parents[top.next++]
      if (!parent) {
        state.set(top.animal.id, 'done')
        ordered.push(top.animal)
        path.pop()
      } else if (state.get(parent.id) === 'open') {
        const round = path
          .slice(path.findIndex(p => p.animal.id === parent.id))
          .flatMap(p => (p.animal.oneOf ? [] : [nameOf(p.animal)]))
        throw new PedigreeError(
          round.length === 1
            ? `${round[0]} cannot be its own parent`
            : `${round[0]} would be its own ancestor: ${[...round, round[0]].join(' from ')}`,
        )
      } else if (!state.has(parent.id)) {
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
export function pedigreeOf(list: readonly Ancestry[]): Pedigree {
  const animals = withSharedFathers(list)
  const byId = new Map(animals.map(a => [a.id, a]))
  if (byId.size !== animals.length) throw new PedigreeError('An animal stands in the pedigree twice')
  const ordered = inOrderOfDescent(animals, byId)
  const index = new Map(ordered.map((a, i) => [a.id, i]))
  const n = ordered.length
  const dam = new Int32Array(n).fill(-1)
  const first = new Int32Array(n + 1)
  const clonal = new Uint8Array(n)
  const fatherOf = new Int32Array(n).fill(-1)
  const parent: number[] = []
  const share: number[] = []
  ordered.forEach((a, i) => {
    const together = a.sires.reduce((sum, s) => sum + s.chance, 0)
    if (together > 1 + 1e-9 || a.sires.some(s => !(s.chance >= 0)))
      throw new PedigreeError(
        `The chances of the sires of ${nameOf(a)} come to ${Math.round(together * 100)} %, over 100 %`,
      )
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
        share.push(a.oneOf ? sire.chance : 0.5 * sire.chance)
      }
    }
    first[i + 1] = parent.length
  })
  ordered.forEach((a, i) => {
    const father = a.sires.length === 1 ? index.get(a.sires[0]!.id) : undefined
    if (father !== undefined && ordered[father]!.oneOf && fatherOf[father] === -1) fatherOf[father] = i
  })
  return {
    ids: ordered.map(a => a.id),
    index,
    dam,
    first,
    parent: Int32Array.from(parent),
    share: Float64Array.from(share),
    clonal,
    fatherOf,
  }
}
