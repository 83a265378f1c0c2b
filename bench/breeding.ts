// Pedigrees, crosses and the bench of a big house, each beside a plain baseline of the same run.
import { foundings } from '../tests/fixtures/records'
import { shippedAlmanac } from '#core/almanac'
import { seededRandom } from '#core/chance'
import { LocusData, cross, genotypesOf, routesTo, type CrossLocus } from '#core/genetics'
import { recordsFrom, type AnimalCard, type DatedEntry } from '#core/subjects'
import { inbreeding, pedigreeOf, relationshipMatrix, type Ancestry } from '#core/pedigree'
import { benchOf, defaultSettings, houseOf } from '#core/season'
import { assign } from '#core/pairing'

const timed = <T>(run: () => T): [T, number] => {
  const start = performance.now()
  return [run(), performance.now() - start]
}
/** The middle of some runs. */
const median = (runs: number, run: () => unknown) =>
  Array.from({ length: runs }, () => timed(run)[1]).sort((a, b) => a - b)[Math.floor(runs / 2)]!

/** A line bred in clutches of ten, each generation from some sires and dams of the one before. */
function line(count: number, generations: number): Ancestry[] {
  const random = seededRandom(4)
  const animals: Ancestry[] = []
  const each = Math.floor(count / generations)
  for (let g = 0; g < generations; g++) {
    const from = (g - 1) * each
    for (let i = 0; i < each; i += 10) {
      const dam = from + Math.floor(random() * each)
      const sire = from + Math.floor(random() * Math.min(each, 60))
      for (let k = 0; k < 10 && i + k < each; k++)
        animals.push({
          id: `x${animals.length}`,
          damId: g ? `x${dam}` : null,
          sires: g ? [{ id: `x${sire}`, chance: 1 }] : [],
        })
    }
  }
  return animals
}

const small = pedigreeOf(line(3000, 12))
const [matrix, tabularMs] = timed(() => relationshipMatrix(small))
const [fast, fastMs] = timed(() => inbreeding(small))
const off = Math.max(...fast.f.map((f, i) => Math.abs(f - (matrix[i]![i]! - 1))))
console.log(
  `Inbreeding of ${small.ids.length}: Meuwissen & Luo ${fastMs.toFixed(0)} ms, tabular ${tabularMs.toFixed(0)} ms = ${(tabularMs / fastMs).toFixed(0)} ×; largest difference ${off.toExponential(1)}`,
)
const [large, numberMs] = timed(() => pedigreeOf(line(100_000, 20)))
const [known, largeMs] = timed(() => inbreeding(large))
console.log(
  `Inbreeding of ${large.ids.length} over 20 generations: ${largeMs.toFixed(0)} ms (numbering ${numberMs.toFixed(0)} ms); highest F ${Math.max(...known.f).toFixed(3)}`,
)

const threeAlleles = (i: number) =>
  LocusData.parse({
    name: `L${i}`,
    speciesId: 'x',
    alleles: [
      { sign: 'a', mode: 'recessive', look: 'a' },
      { sign: 'b', mode: 'incomplete', look: 'b', doubleLook: 'bb' },
    ],
  })
const uncertain = (l: LocusData) => genotypesOf(l).map(() => 1 / genotypesOf(l).length)
const six: CrossLocus[] = Array.from({ length: 6 }, (_, i) => threeAlleles(i)).map(locus => ({
  locus,
  dam: uncertain(locus),
  sire: uncertain(locus),
}))
cross(six)
const crossMs = median(15, () => cross(six))
const loopMs = median(15, () => {
  let sum = 0
  for (let i = 0; i < 6 ** 6; i++) sum += Math.sqrt(i)
  return sum
})
console.log(
  `Cross of six loci with three alleles, both parents unknown at all (46,656 genotypes): ${crossMs.toFixed(1)} ms; a bare loop over them ${loopMs.toFixed(2)} ms`,
)

const three = Array.from({ length: 3 }, (_, i) => threeAlleles(i))
const wild = (l: LocusData, told: number) => genotypesOf(l).map((_, i) => (i === told ? 1 : 0))
const stock = Array.from({ length: 12 }, (_, i) => ({
  id: `s${i}`,
  sex: i % 2 ? ('male' as const) : ('female' as const),
  beliefs: three.map((l, k) => wild(l, i % 3 === k ? 1 : 0)),
}))
const [routes, routeMs] = timed(() => routesTo(three, ['a/a', 'a/a', 'a/a'], stock, 3))
console.log(
  `Route to three recessives over three loci with three alleles, five generations: ${routeMs.toFixed(0)} ms, ${routes.length} plans`,
)

const today = 20_782
const animals: AnimalCard[] = Array.from({ length: 400 }, (_, i) => ({
  id: `a${i}`,
  tag: `A-${i}`,
  name: null,
  speciesId: 'corn-snake',
  sex: i % 2 ? 'male' : 'female',
  bornDay: today - 1400 + i,
  placeId: null,
  damId: i >= 100 ? `a${((i * 7) % 50) * 2}` : null,
  sireId: i >= 100 ? `a${((i * 11) % 50) * 2 + 1}` : null,
  clutchId: null,
  foundedBy: null,
}))
// parents are older than their young by number only here; nothing in the computation looks at it
const log: DatedEntry[] = animals.map((a, i) => ({
  id: `w${i}`,
  at: new Date((today - 5) * 86_400_000).toISOString(),
  day: today - 5,
  subject: { type: 'animal', id: a.id },
  kind: 'weighed',
  data: { massG: 450 + (i % 90) },
  source: 'demo',
}))
const context = {
  house: houseOf(recordsFrom([...foundings([], animals), ...log])),
  almanac: shippedAlmanac,
  settings: defaultSettings,
  today,
}
const [bench, benchMs] = timed(() => benchOf(context, 'corn-snake', [])!)
const n = bench.sires.length
const worth = bench.dams.map((_, i) => bench.worths.slice(i * n, (i + 1) * n))
const [, assignMs] = timed(() =>
  assign(
    worth,
    bench.sires.map(() => bench.perMale),
    [],
    0.02,
  ),
)
const [, readMs] = timed(() => JSON.stringify(bench))
console.log(
  `Bench of ${bench.dams.length} × ${n}: judged in ${benchMs.toFixed(0)} ms, allocated in ${assignMs.toFixed(0)} ms; writing it as JSON ${readMs.toFixed(0)} ms`,
)
