/**
 * Gives each row at most one column so that the sum of worths is largest; a column may be given to several rows, up to
 * its limit. Worths of 0 or less are never taken. Exact: shortest augmenting paths on the columns repeated by their
 * limit. O(rows² · columns). Source: Kuhn 1955, Nav. Res. Logist. 2:83–97; in the form with potentials of Jonker &
 * Volgenant 1987, Computing 38:325–340.
 * @param worth worth[row][column], finite
 * @param limits how many rows each column takes, whole numbers of 0 or more
 * @param spread what each further row of one column is worth less, so that equal choices spread over the columns
 * @param fixed column that a row must keep, or null; −1 keeps it alone
 * @returns the column of each row, −1 for none
 */
export function assign(
  worth: readonly (readonly number[])[],
  limits: readonly number[],
  fixed: readonly (number | null)[] = [],
  spread = 0,
): number[] {
  const rows = worth.length
  const left = [...limits]
  const result = new Array<number>(rows).fill(-1)
  const open: number[] = []
  for (let r = 0; r < rows; r++) {
    const f = fixed[r] ?? null
    if (f === null) open.push(r)
    else if (f >= 0) {
      result[r] = f
      left[f]!--
    }
  }
  // one slot for each time a column may be given, and one of worth 0 for each row that stays alone
  const slots = left.flatMap((n, c) =>
    Array.from({ length: Math.max(0, Math.min(n, open.length)) }, (_, k) => ({
      column: c,
      less: spread * (limits[c]! - n + k),
    })),
  )
  const m = slots.length + open.length
  const cost = (i: number, j: number) =>
    j <= slots.length ? -Math.max(0, worth[open[i - 1]!]![slots[j - 1]!.column]! - slots[j - 1]!.less) : 0
  const u = new Float64Array(open.length + 1)
  const v = new Float64Array(m + 1)
  const rowOf = new Int32Array(m + 1)
  const way = new Int32Array(m + 1)
  for (let i = 1; i <= open.length; i++) {
    rowOf[0] = i
    let j0 = 0
    const least = new Float64Array(m + 1).fill(Infinity)
    const used = new Uint8Array(m + 1)
    do {
      used[j0] = 1
      const i0 = rowOf[j0]!
      let delta = Infinity
      let j1 = 0
      for (let j = 1; j <= m; j++) {
        if (used[j]) continue
        const reduced = cost(i0, j) - u[i0]! - v[j]!
        if (reduced < least[j]!) {
          least[j] = reduced
          way[j] = j0
        }
        if (least[j]! < delta) {
          delta = least[j]!
          j1 = j
        }
      }
      for (let j = 0; j <= m; j++) {
        if (used[j]) {
          u[rowOf[j]!]! += delta
          v[j]! -= delta
        } else least[j]! -= delta
      }
      j0 = j1
    } while (rowOf[j0] !== 0)
    do {
      const j1 = way[j0]!
      rowOf[j0] = rowOf[j1]!
      j0 = j1
    } while (j0 !== 0)
  }
  for (let j = 1; j <= slots.length; j++) {
    if (rowOf[j] === 0) continue
    const row = open[rowOf[j]! - 1]!
    const { column } = slots[j - 1]!
    if (worth[row]![column]! > 0) result[row] = column
  }
  return result
}
