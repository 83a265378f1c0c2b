import type { Pedigree } from './pedigree'

/**
 * Additive relationships of all animals by the tabular method; inbreeding of i is a[i][i] − 1, kinship half of a[i][j].
 * Where the sire is uncertain the row is the mean over the possible ones (Henderson 1976, average relationship).
 * O(n²) in time and memory: for small pedigrees, and as a check of the fast way.
 * Source: Emik & Terrill 1949, J. Hered. 40:51–55.
 */
export function relationshipMatrix({ ids, dam, first, parent, share, clonal, fatherOf }: Pedigree): Float64Array[] {
  const n = ids.length
  const a = Array.from({ length: n }, () => new Float64Array(n))
  for (let i = 0; i < n; i++) {
    const row = a[i]!
    for (let k = first[i]!; k < first[i + 1]!; k++) {
      const from = a[parent[k]!]!
      const w = share[k]!
      for (let j = 0; j < i; j++) row[j]! += w * from[j]!
    }
    for (let j = 0; j < i; j++) a[j]![i] = row[j]!
    if (fatherOf[i]! >= 0) {
      // he is one of them, or a stranger by what is left
      row[i] = 1
      for (let k = first[i]!; k < first[i + 1]!; k++) row[i]! += share[k]! * (a[parent[k]!]![parent[k]!]! - 1)
    } else if (clonal[i]) row[i] = a[dam[i]!]![dam[i]!]!
    else {
      let withDam = 0
      for (let k = first[i]!; k < first[i + 1]!; k++)
        if (dam[i]! >= 0 && k > first[i]!) withDam += share[k]! * a[dam[i]!]![parent[k]!]!
      row[i] = 1 + withDam
    }
  }
  return a
}
