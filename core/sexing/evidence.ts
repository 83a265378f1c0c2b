import type { Almanac, Fact, Measure, Sexing, Species } from '../almanac'
import type { AnimalState } from '../subjects'
import type { Piece, Weighable } from './findings'

/** Whether signs of grown animals can be read: by age, or by weight where the age is not known. */
export function isGrown(
  species: Species,
  animal: Pick<AnimalState, 'bornDay' | 'weights'>,
  today: number,
  { grownFrom }: Almanac['common'],
): boolean {
  if (animal.bornDay !== null) return today - animal.bornDay >= species.matureDays.value * grownFrom!.value
  const latest = animal.weights.at(-1)
  return latest ? latest.massG >= species.adultMassG.value * grownFrom!.value : true
}

/** Density of a measurement in one sex; slips are spread over ten standard deviations of the wider sex. */
export function measureDensity(x: number, { mean, sd }: Measure, widestSd: number, slip: number): number {
  return (
    ((1 - slip) * Math.exp(-((x - mean) ** 2) / (2 * sd * sd))) / (sd * Math.sqrt(2 * Math.PI)) + slip / (10 * widestSd)
  )
}

/**
 * Log-odds of male against female for a measurement that is about normal in each sex, with a share of plain slips:
 * a slip says nothing, so that no single measurement can ever be proof.
 * @param slip share of measurements that are wrong, 0..1; slips are spread over ten standard deviations
 */
export function measureLogOdds(x: number, by: { female: Measure; male: Measure }, slip: number): number {
  const widest = Math.max(by.female.sd, by.male.sd)
  return Math.log(measureDensity(x, by.male, widest, slip) / measureDensity(x, by.female, widest, slip))
}

/** Log-odds of a sign that is right with a chance of `right` (0.5..1). */
export const signLogOdds = (right: number, says: 'male' | 'female'): number =>
  (says === 'male' ? 1 : -1) * Math.log(right / (1 - right))

/** How far a sign is right for an animal of this size; null where it cannot be read. */
export function rightOf(almanac: Almanac, sign: string, grown: boolean): { fact: Fact; path: string } | null {
  const row = almanac.signs[sign]
  if (!row) return null
  const fact = grown ? row.rightGrown : row.rightYoung
  return fact ? { fact, path: `signs.${sign}.${grown ? 'rightGrown' : 'rightYoung'}.value` } : null
}

/** What a piece says of the sex, and of which sort it is; null where it says nothing of its species. */
function weigh(
  of: Exclude<Weighable, { by: 'stated' }>,
  species: Species,
  sexing: Sexing,
  almanac: Almanac,
  animal: AnimalState,
): Piece | null {
  const base = { of, day: of.day, entryId: of.entryId }
  const measured = (value: number, by: { female: Measure; male: Measure } | undefined): Piece | null =>
    by ? { ...base, sort: of.by, logOdds: measureLogOdds(value, by, almanac.common.sexSlip!.value) } : null
  switch (of.by) {
    case 'probe':
      return measured(of.scales, sexing.probe)
    case 'subcaudals':
      return measured(of.scales, sexing.subcaudals)
    case 'tail':
      return measured((100 * of.tailMm) / of.totalMm, sexing.tailShare)
    case 'sign': {
      // read at the size the animal had then
      const grown = isGrown(species, animal, of.day, almanac.common)
      const right = rightOf(almanac, of.sign, grown)
      return right && { ...base, sort: `sign:${of.sign}`, logOdds: signLogOdds(right.fact.value, of.says), grown }
    }
  }
}

/** Every piece of evidence of an animal that can be weighed for its species, proofs apart. */
export function piecesOf(species: Species, almanac: Almanac, animal: AnimalState): Piece[] {
  const { sexing } = species
  const pieces: Piece[] = []
  const { statedSex: says } = animal
  if (says !== 'unknown')
    pieces.push({
      sort: 'stated',
      logOdds: signLogOdds(almanac.common.sexStated!.value, says),
      day: animal.bornDay ?? 0,
      entryId: null,
      of: { by: 'stated', says },
    })
  if (!sexing) return pieces
  for (const e of animal.sexEvidence) {
    const piece = e.by === 'proof' ? null : weigh(e, species, sexing, almanac, animal)
    if (piece) pieces.push(piece)
  }
  return pieces
}

/**
 * The sum of log-odds, each further piece of one sort that points the same way counting half of the one before, since
 * two probings of one tail are not two animals. More agreeing evidence never lowers the sum, and order does not matter.
 */
export function sumOf(pieces: readonly Pick<Piece, 'sort' | 'logOdds'>[]): { total: number; counted: number[] } {
  const groups = new Map<string, number[]>()
  pieces.forEach((p, i) => {
    const key = `${p.sort}:${p.logOdds >= 0}`
    groups.set(key, [...(groups.get(key) ?? []), i])
  })
  const counted = pieces.map(() => 0)
  for (const group of groups.values()) {
    group.sort((a, b) => Math.abs(pieces[b]!.logOdds) - Math.abs(pieces[a]!.logOdds))
    group.forEach((i, rank) => {
      counted[i] = pieces[i]!.logOdds / 2 ** rank
    })
  }
  return { total: counted.reduce((a, b) => a + b, 0), counted }
}
