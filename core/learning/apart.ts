/** What was seen once, against what was to be expected, and the group it is of in each sorting; null: of none. */
export interface Sorted {
  groups: readonly (string | null)[]
  /** More than 0. */
  expected: number
  /** 0 or more; of waits more than 0. */
  seen: number
}

/** What a group comes to: times what is to be expected, and how many speak for it. */
export interface GroupFactor {
  factor: number
  of: number
  /** How far what was seen of it lies off, in standard errors by how much all differ among themselves. */
  off: number
}

/** Rounds until no factor moves any more; each comes at least half way nearer. */
const ROUNDS = 200
const STILL = 1e-9

/**
 * By which factor each group differs from the rest, in several sortings at once, so that what always goes together is
 * shared between them and not counted twice. Each factor is drawn towards 1 as if so many more had been seen that were
 * just as expected.
 *
 * `amounts` (gamma–Poisson; of things that happen or do not, expected with a chance, the mean of a beta–binomial):
 * Gelman et al., Bayesian Data Analysis, chapter 2. `waits` (normal on logarithms): best linear unbiased prediction of
 * crossed random effects, Henderson 1975, Biometrics 31:423–447. Found by turns, which comes to rest since both have
 * one best answer.
 * @param weighsAs observations that the usual weighs as much as, > 0
 * @returns a factor for each group of each sorting that has more than one, those of none counted as a group
 */
export function learntApart(
  how: 'amounts' | 'waits',
  weighsAs: number,
  seen: readonly Sorted[],
): Map<string, GroupFactor>[] {
  const sortings = seen[0]?.groups.map((_, by) => sortedBy(seen, by)) ?? []
  const factors = sortings.map(groups => new Map([...groups.keys()].map(g => [g, 1])))
  const factorOf = (s: Sorted, but: number) =>
    s.groups.reduce((all, g, by) => (by === but || g === null ? all : all * (factors[by]!.get(g) ?? 1)), 1)
  for (let round = 0; round < ROUNDS; round++) {
    let moved = 0
    sortings.forEach((groups, by) => {
      for (const [group, members] of groups) {
        const expected = members.map(m => m.expected * factorOf(m, by))
        const next = how === 'amounts' ? byAmounts(members, expected, weighsAs) : byWaits(members, expected, weighsAs)
        moved = Math.max(moved, Math.abs(next - factors[by]!.get(group)!))
        factors[by]!.set(group, next)
      }
    })
    if (moved < STILL) break
  }
  /** How far one lies off what is expected of it, its group of this sorting left out. */
  const offOf = (s: Sorted, by: number) => {
    const ratio = s.seen / (s.expected * factorOf(s, by))
    return how === 'amounts' ? ratio - 1 : Math.log(ratio)
  }
  return sortings.map((groups, by) => {
    const spread = Math.sqrt(sum(seen.map(s => offOf(s, by) ** 2)) / seen.length)
    return new Map(
      [...groups].map(([g, members]): [string, GroupFactor] => {
        const far = Math.abs(sum(members.map(m => offOf(m, by))))
        const off = far ? far / (spread * Math.sqrt(members.length)) : 0
        return [g, { factor: factors[by]!.get(g)!, of: members.length, off }]
      }),
    )
  })
}

/** Members of each group of a sorting; none where all are of one, since it then says nothing of its own. */
function sortedBy(seen: readonly Sorted[], by: number): Map<string, Sorted[]> {
  const groups = new Map<string, Sorted[]>()
  for (const s of seen) {
    const group = s.groups[by]
    if (group === null || group === undefined) continue
    groups.set(group, [...(groups.get(group) ?? []), s])
  }
  const without = seen.some(s => s.groups[by] === null)
  return groups.size + (without ? 1 : 0) > 1 ? groups : new Map()
}

const sum = (row: readonly number[]) => row.reduce((a, b) => a + b, 0)

function byAmounts(members: readonly Sorted[], expected: readonly number[], weighsAs: number): number {
  const usual = (weighsAs * sum(members.map(m => m.expected))) / members.length
  return (usual + sum(members.map(m => m.seen))) / (usual + sum(expected))
}

const byWaits = (members: readonly Sorted[], expected: readonly number[], weighsAs: number): number =>
  Math.exp(sum(members.map((m, i) => Math.log(m.seen / expected[i]!))) / (weighsAs + members.length))
