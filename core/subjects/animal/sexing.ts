import { z } from 'zod'
import { SexSign } from '../../almanac'
import { defineKind, seen } from '../../log'
import { SEX_PROOFS, type AnimalState, type SexProof } from './state'

const sex = z.enum(['male', 'female'])
const whole = (what: string, most: number, far: string) =>
  z
    .number({ error: `${what} must be a number` })
    .int(`${what} must be a whole number`)
    .min(0, `${what} cannot be negative`)
    .max(most, far)

const PROVES: Partial<Record<SexProof, 'male' | 'female'>> = {
  eggs: 'female',
  birth: 'female',
  sperm: 'male',
  sired: 'male',
}
const PROOF_WORDS: Record<SexProof, string> = {
  eggs: 'laid eggs',
  birth: 'gave birth',
  ultrasound: 'ultrasound',
  dna: 'DNA',
  sperm: 'seen giving sperm',
  sired: 'sired young',
}

const lastProof = (state: AnimalState) => state.sexEvidence.filter(e => e.by === 'proof').at(-1)

/** Evidence of sex. None is ever taken away: what is proven later stands beside it. */
export const sexingKinds = [
  defineKind({
    kind: 'probed',
    subject: 'animal',
    verb: 'Record probing',
    afterLeaving: true,
    data: z.strictObject({
      scales: whole('Scales', 25, 'No probe passes over 25 scales: count again, on one side, from the vent'),
    }),
    apply(state, { scales }, entry) {
      state.sexEvidence.push({ by: 'probe', scales, ...seen(entry) })
    },
    wording: d => `Probed, ${d.scales} scales`,
  }),
  defineKind({
    kind: 'subcaudalsCounted',
    subject: 'animal',
    verb: 'Record subcaudal count',
    afterLeaving: true,
    data: z.strictObject({
      scales: whole('Scales', 200, 'Over 200 scales under a tail is not believable: count again').min(
        5,
        'Fewer than 5 scales under a tail: a broken tail says nothing',
      ),
    }),
    apply(state, { scales }, entry) {
      state.sexEvidence.push({ by: 'subcaudals', scales, ...seen(entry) })
    },
    wording: d => `${d.scales} subcaudal scales counted`,
  }),
  defineKind({
    kind: 'tailMeasured',
    subject: 'animal',
    verb: 'Record tail length',
    afterLeaving: true,
    data: z
      .strictObject({
        tailMm: z
          .number({ error: 'The tail must be a number of millimetres' })
          .positive('A tail is longer than 0 mm')
          .max(3000, 'A tail over 3 m: check the unit'),
        totalMm: z
          .number({ error: 'The total length must be a number of millimetres' })
          .positive('A length is above 0 mm')
          .max(12_000, 'No animal here is over 12 m long: check the unit'),
      })
      .refine(d => d.tailMm < d.totalMm * 0.8, {
        path: ['tailMm'],
        message: 'The tail would be most of the animal: total length is from nose to tip',
      }),
    apply(state, d, entry) {
      state.sexEvidence.push({ by: 'tail', ...d, ...seen(entry) })
    },
    wording: d => `Tail ${d.tailMm} of ${d.totalMm} mm`,
  }),
  defineKind({
    kind: 'sexSignSeen',
    subject: 'animal',
    verb: 'Record sign of sex',
    data: z.strictObject({ sign: SexSign, says: sex }),
    afterLeaving: true,
    apply(state, d, entry) {
      state.sexEvidence.push({ by: 'sign', ...d, ...seen(entry) })
    },
    wording: d => `Sign of a ${d.says}: ${d.sign.replace(/([A-Z])/g, ' $1').toLowerCase()}`,
  }),
  defineKind({
    kind: 'sexProved',
    subject: 'animal',
    verb: 'Record proof of sex',
    afterLeaving: true,
    data: z.strictObject({ proof: z.enum(SEX_PROOFS), says: sex }).refine(d => (PROVES[d.proof] ?? d.says) === d.says, {
      path: ['says'],
      message: 'This proof speaks for the other sex',
    }),
    apply(state, d, entry) {
      state.sexEvidence.push({ by: 'proof', ...d, ...seen(entry) })
      state.sex = d.says
    },
    wording: d => `Proven ${d.says}: ${PROOF_WORDS[d.proof]}`,
  }),
  defineKind({
    kind: 'sexSettled',
    subject: 'animal',
    verb: 'Take sex as known',
    data: z.strictObject({ sex: z.enum(['male', 'female', 'unknown']) }),
    afterLeaving: true,
    check: (state, d) => {
      const proof = lastProof(state)
      return proof && proof.by === 'proof' && d.sex !== proof.says
        ? { path: 'data.sex', message: `${state.tag} is proven ${proof.says}; only another proof overrides that` }
        : null
    },
    apply(state, d, entry) {
      state.sexSettled = { ...seen(entry), sex: d.sex }
      state.sex = d.sex
    },
    wording: d => (d.sex === 'unknown' ? 'Sex open again' : `Taken as ${d.sex}`),
  }),
]
