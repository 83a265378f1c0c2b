import type { Pedigree } from './pedigree'

/** Inbreeding F of each animal (0..1), and the variance of its Mendelian sampling: what A = T·D·T' is made of. */
export interface Inbreeding {
  f: Float64Array
  sampling: Float64Array
}

/** Ancestors waiting to be visited, the youngest first; each stands in it once. */
class YoungestFirst {
  private heap: Int32Array
  private size = 0
  constructor(n: number) {
    this.heap = new Int32Array(n + 1)
  }

  push(x: number): void {
    let i = this.size++
    const { heap } = this
    while (i > 0) {
      const up = (i - 1) >> 1
      if (heap[up]! >= x) break
      heap[i] = heap[up]!
      i = up
    }
    heap[i] = x
  }

  pop(): number {
    const { heap } = this
    const top = heap[0]!
    const last = heap[--this.size]!
    let i = 0
    for (;;) {
      let child = 2 * i + 1
      if (child >= this.size) break
      if (child + 1 < this.size && heap[child + 1]! > heap[child]!) child++
      if (heap[child]! <= last) break
      heap[i] = heap[child]!
      i = child
    }
    heap[i] = last
    return top
  }

  get empty(): boolean {
    return this.size === 0
  }
}

/**
 * Inbreeding of every animal without the relationship matrix: each is traced to its ancestors along the rows of T.
 * Full sibs share one trace. An uncertain sire is averaged over; a clone is what its dam is.
 * Time grows with the number of different pairs of parents times their ancestors; memory O(n).
 * Source: Meuwissen & Luo 1992, Genet. Sel. Evol. 24:305–313.
 */
export function inbreeding({ ids, dam, first, parent, share, clonal, fatherOf }: Pedigree): Inbreeding {
  const n = ids.length
  const f = new Float64Array(n)
  const sampling = new Float64Array(n)
  const waiting = new YoungestFirst(n)
  const weightA = new Float64Array(n)
  const weightB = new Float64Array(n)
  const ofParents = new Map<number, number>()

  /** Relationship of two animals that are both done: Σ T(a,j)·T(b,j)·D(j) over shared ancestors. */
  function relationship(a: number, b: number): number {
    if (a === b) return 1 + f[a]!
    weightA[a] = 1
    weightB[b] = 1
    waiting.push(Math.max(a, b))
    waiting.push(Math.min(a, b))
    let sum = 0
    while (!waiting.empty) {
      const j = waiting.pop()
      const wa = weightA[j]!
      const wb = weightB[j]!
      weightA[j] = weightB[j] = 0
      sum += wa * wb * sampling[j]!
      for (let k = first[j]!; k < first[j + 1]!; k++) {
        const p = parent[k]!
        if (weightA[p] === 0 && weightB[p] === 0) waiting.push(p)
        weightA[p]! += share[k]! * wa
        weightB[p]! += share[k]! * wb
      }
    }
    return sum
  }

  for (let i = 0; i < n; i++) {
    const from = first[i]!
    const links = first[i + 1]! - from
    if (clonal[i]) {
      f[i] = f[dam[i]!]!
      sampling[i] = 0
      continue
    }
    if (links === 2 && dam[i]! >= 0 && share[from + 1] === 0.5) {
      const s = parent[from + 1]!
      const d = dam[i]!
      const key = d * n + s
      let own = ofParents.get(key)
      if (own === undefined) ofParents.set(key, (own = relationship(d, s) / 2))
      f[i] = own
      sampling[i] = 0.5 - 0.25 * (f[s]! + f[d]!)
      continue
    }
    // uncertain or missing parents: what their mean explains, by its own variance
    let explained = 0
    for (let k = from; k < from + links; k++) {
      for (let l = from; l < from + links; l++) {
        const both = relationship(parent[k]!, parent[l]!)
        explained += share[k]! * share[l]! * both
        if (dam[i]! >= 0 && k === from && l > k) f[i]! += share[l]! * both
      }
    }
    // the one father of a clutch is as inbred as those he may be, on average
    if (fatherOf[i]! >= 0) for (let k = from; k < from + links; k++) f[i]! += share[k]! * f[parent[k]!]!
    sampling[i] = 1 + f[i]! - explained
  }
  return { f, sampling }
}
