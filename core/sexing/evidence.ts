import type { Almanac, Fact, Measure, Sexing, Species } from '../almanac'
import { almanacRow, computedInput, entryInput, factInput, type Input } from '../judgement'
import type { AnimalState, SexEvidence } from '../subjects'
import { formatDay } from '../units'

/**
 * A piece of evidence weighed: its log-odds (natural logarithm of the likelihood ratio), above 0 for male, below for
 * female.
 */
export interface Piece {
  /** Sort of evidence: pieces of one sort are not independent of each other. */
  sort: string
  label: string
  logOdds: number
  day: number
  entryId: string | null
  inputs: Input[]
}

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

function measureInputs(by: { female: Measure; male: Measure }, path: string): Input[] {
  return (['female', 'male'] as const).map(sex => ({
    label: `Usual in a ${sex}`,
    value: `${by[sex].mean} ± ${by[sex].sd} ${by[sex].unit}`,
    from: almanacRow(`${path}.${sex}.mean`, by[sex]),
  }))
}

/** How far a sign is right for an animal of this size; null where it cannot be read. */
export function rightOf(almanac: Almanac, sign: string, grown: boolean): { fact: Fact; path: string } | null {
  const row = almanac.signs[sign]
  if (!row) return null
  const fact = grown ? row.rightGrown : row.rightYoung
  return fact ? { fact, path: `signs.${sign}.${grown ? 'rightGrown' : 'rightYoung'}.value` } : null
}

function weigh(
  e: SexEvidence,
  species: Species,
  sexing: Sexing,
  almanac: Almanac,
  animal: AnimalState,
  today: number,
): Piece | null {
  const path = `species.${species.id}.sexing`
  const slip = almanac.common.sexSlip!
  const base = { day: e.day, entryId: e.entryId }
  const seen = (label: string, value: string) => entryInput(label, `${value}, ${formatDay(e.day, today)}`, e)
  const measured = (
    sort: string,
    label: string,
    value: number,
    shown: string,
    by: { female: Measure; male: Measure } | undefined,
    key: string,
  ): Piece | null =>
    by
      ? {
          ...base,
          sort,
          label: `${label}: ${shown}`,
          logOdds: measureLogOdds(value, by, slip.value),
          inputs: [
            seen(label, shown),
            ...measureInputs(by, `${path}.${key}`),
            factInput('Measurements that are wrong', 'common.sexSlip.value', slip),
          ],
        }
      : null
  switch (e.by) {
    case 'probe':
      return measured('probe', 'Probe', e.scales, `${e.scales} scales`, sexing.probe, 'probe')
    case 'subcaudals':
      return measured('subcaudals', 'Subcaudals', e.scales, `${e.scales} scales`, sexing.subcaudals, 'subcaudals')
    case 'tail':
      return measured(
        'tail',
        'Tail',
        (100 * e.tailMm) / e.totalMm,
        `${((100 * e.tailMm) / e.totalMm).toFixed(1)} % of its length`,
        sexing.tailShare,
        'tailShare',
      )
    case 'sign': {
      // read at the size the animal had then
      const right = rightOf(almanac, e.sign, isGrown(species, animal, e.day, almanac.common))
      if (!right) return null
      return {
        ...base,
        sort: `sign:${e.sign}`,
        label: almanac.signs[e.sign]!.name,
        logOdds: signLogOdds(right.fact.value, e.says),
        inputs: [seen('Read as', e.says), factInput('Right', right.path, right.fact)],
      }
    }
    case 'proof':
      return null
  }
}

/** Every piece of evidence of an animal that can be weighed for its species, proofs apart. */
export function piecesOf(species: Species, almanac: Almanac, animal: AnimalState, today: number): Piece[] {
  const { sexing } = species
  const pieces: Piece[] = []
  if (animal.statedSex !== 'unknown') {
    const right = almanac.common.sexStated!
    pieces.push({
      sort: 'stated',
      label: `Came as a ${animal.statedSex}`,
      logOdds: signLogOdds(right.value, animal.statedSex),
      day: animal.bornDay ?? 0,
      entryId: null,
      inputs: [
        computedInput('On its card', animal.statedSex),
        factInput('Cards that are right', 'common.sexStated.value', right),
      ],
    })
  }
  if (!sexing) return pieces
  for (const e of animal.sexEvidence) {
    const piece = weigh(e, species, sexing, almanac, animal, today)
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
