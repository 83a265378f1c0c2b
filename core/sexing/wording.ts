import type { Almanac, Measure, Species } from '../almanac'
import {
  almanacRow,
  computedInput,
  computedTemp,
  entryInput,
  factInput,
  settingInput,
  type Input,
  type Reason,
} from '../judgement'
import type { SexProof } from '../subjects'
import { formatDay, lowerFirst } from '../units'
import { rightOf } from './evidence'
import type { Contradiction, CountedPiece, NotOfferedBecause, Piece, Proof, SexPrior, Weighable } from './findings'

const PROOF: Record<SexProof, string> = {
  eggs: 'laid eggs',
  birth: 'gave birth',
  ultrasound: 'was seen by ultrasound',
  dna: 'was tested by DNA',
  sperm: 'was seen giving sperm',
  sired: 'sired young',
}

/** What a measurement is called and how it is shown, with its row of the species. */
const MEASURED = {
  probe: { name: 'Probe', shown: (e: { scales: number }) => `${e.scales} scales`, row: 'probe' },
  subcaudals: { name: 'Subcaudals', shown: (e: { scales: number }) => `${e.scales} scales`, row: 'subcaudals' },
  tail: {
    name: 'Tail',
    shown: (e: { tailMm: number; totalMm: number }) => `${((100 * e.tailMm) / e.totalMm).toFixed(1)} % of its length`,
    row: 'tailShare',
  },
} as const

type Measured = Extract<Weighable, { by: keyof typeof MEASURED }>

function measured(of: Measured): { name: string; shown: string; row: 'probe' | 'subcaudals' | 'tailShare' } {
  const { name, row } = MEASURED[of.by]
  return { name, row, shown: of.by === 'tail' ? MEASURED.tail.shown(of) : MEASURED[of.by].shown(of) }
}

/** A piece of evidence in a few words. */
export function tellPiece({ of }: Pick<Piece, 'of'>, almanac: Pick<Almanac, 'signs'>): string {
  if (of.by === 'stated') return `Came as a ${of.says}`
  if (of.by === 'sign') return almanac.signs[of.sign]!.name
  const { name, shown } = measured(of)
  return `${name}: ${shown}`
}

function usualIn(by: { female: Measure; male: Measure }, path: string): Input[] {
  return (['female', 'male'] as const).map(sex => ({
    label: `Usual in a ${sex}`,
    value: `${by[sex].mean} ± ${by[sex].sd} ${by[sex].unit}`,
    from: almanacRow(`${path}.${sex}.mean`, by[sex]),
  }))
}

function pieceInputs({ of, grown }: Piece, species: Species, almanac: Almanac, today: number): Input[] {
  if (of.by === 'stated')
    return [
      computedInput('On its card', of.says),
      factInput('Cards that are right', 'common.sexStated.value', almanac.common.sexStated!),
    ]
  const seen = (label: string, value: string) => entryInput(label, `${value}, ${formatDay(of.day, today)}`, of)
  if (of.by === 'sign') {
    const right = rightOf(almanac, of.sign, grown ?? false)!
    return [seen('Read as', of.says), factInput('Right', right.path, right.fact)]
  }
  const { name, shown, row } = measured(of)
  return [
    seen(name, shown),
    ...usualIn(species.sexing![row]!, `species.${species.id}.sexing.${row}`),
    factInput('Measurements that are wrong', 'common.sexSlip.value', almanac.common.sexSlip!),
  ]
}

const ratio = (logOdds: number) => `${Math.exp(Math.abs(logOdds)).toPrecision(3)} to 1`

/** What a piece counts for. */
export function pieceReason(piece: CountedPiece, species: Species, almanac: Almanac, today: number): Reason {
  const { logOdds, counts } = piece
  const counted =
    Math.abs(counts - logOdds) > 1e-9 ? `, counted as ${ratio(counts)}, since it is not the first of its sort` : ''
  return {
    rule: `${tellPiece(piece, almanac)}: ${ratio(logOdds)} for ${logOdds >= 0 ? 'male' : 'female'}${counted}`,
    inputs: pieceInputs(piece, species, almanac, today),
  }
}

/** What is to be expected before anything is looked at, with where it is from. */
export function tellPrior({ found }: SexPrior, species: Species): { label: string; inputs: Input[] } {
  if (found.code === 'clonal')
    return { label: 'All are females', inputs: [computedInput('Species', 'parthenogenetic')] }
  if (found.code === 'evenly')
    return { label: 'Half and half', inputs: [computedInput('Before anything is seen', '50 %')] }
  const { tempC } = found
  const table = species.sexByTemperature!
  const nearest = table.reduce((a, b) => (Math.abs(b.tempC - tempC) < Math.abs(a.tempC - tempC) ? b : a))
  return {
    label: `Egg kept at ${tempC} °C`,
    inputs: [
      computedTemp('Egg kept at', tempC),
      {
        label: `Females at ${nearest.tempC} °C`,
        value: `${Math.round(nearest.femaleShare * 100)} %`,
        from: almanacRow(`species.${species.id}.sexByTemperature.${table.indexOf(nearest)}.femaleShare`, nearest),
      },
    ],
  }
}

export const priorReason = (prior: SexPrior, species: Species): Reason => {
  const { label, inputs } = tellPrior(prior, species)
  return { rule: `Before anything is seen: ${lowerFirst(label)}`, inputs }
}

export const proofReason = (proof: Proof): Reason => ({
  rule: `Proof: it ${PROOF[proof.proof]}`,
  inputs: [entryInput('Proven', proof.says, proof)],
  change: 'Only another proof',
})

/** How all of it comes together where nothing is proven. */
export const sumReason = (male: number, certainty: number): Reason => ({
  rule: 'All ratios multiplied (log-odds added), as independent evidence',
  inputs: [
    computedInput('Male', `${(male * 100).toFixed(1)} %`),
    settingInput('Taken as known from', `${(certainty * 100).toFixed(1)} %`, 'sexCertainty'),
  ],
  change: 'Further evidence, or a proof',
})

/** What does not go together, in a sentence. */
export function tellContradiction(found: Contradiction, almanac: Almanac): string {
  if (found.code === 'twoProofs')
    return `It ${PROOF[found.first.proof]} and it ${PROOF[found.later.proof]}: one of the two is of another animal. The later rules.`
  const speaks = `“${tellPiece(found.piece, almanac)}” speaks for a ${found.piece.counts > 0 ? 'male' : 'female'}`
  return found.code === 'againstProof'
    ? `${speaks}, yet it ${PROOF[found.proof.proof]}.`
    : `${speaks}, the rest for the other sex.`
}

/** Why something is not to be looked at. */
export function tellNotOffered(why: NotOfferedBecause): string {
  switch (why.code) {
    case 'venomous':
      return 'Venomous: trained and licensed keepers only. Go by tail shape or a shed skin.'
    case 'weighFirst':
      return 'Weigh it first: tiny animals are not probed.'
    case 'tooSmall':
      return `At ${why.massG} g too small: not under ${why.fromG} g without training.`
    case 'unwell':
      return 'It is not well.'
    case 'notGrown':
      return 'Cannot be read before it is grown.'
  }
}

/** What one may look at, and what to heed with it. */
export const TESTS = {
  probe: 'Probe',
  subcaudals: 'Count subcaudals on a shed skin',
  tail: 'Measure the tail',
} as const

export function testCaution(test: keyof typeof TESTS, { sexing }: Species): string | null {
  if (test === 'probe')
    return 'Wrong probing injures: blunt probe, no force, stop at resistance; leave it to someone who was shown.'
  return test === 'tail' && sexing?.venomous ? 'On a shed skin or in a secured tube only, by a licensed keeper.' : null
}
