import { z } from 'zod'
import { knownLocus, lookLikelihood, statedBelief } from '../../genetics'
import { defineKind, seen } from '../../log'
import { reference } from '../../reference'
import { locusFor, problemOf } from '../locus'

export const geneKinds = [
  defineKind({
    kind: 'geneStated',
    subject: 'animal',
    verb: 'State genotype',
    afterLeaving: true,
    data: z.strictObject({
      locusId: reference('locus'),
      alleles: z.array(z.string().min(1).max(8)).min(1).max(2, 'A genotype has at most two alleles'),
      chance: z
        .number({ error: 'The chance must be a number' })
        .gt(0, 'A chance lies between 0 and 100 %')
        .max(1, 'A chance lies between 0 and 100 %')
        .default(1),
    }),
    check: (state, d, _, { house, almanac }) => {
      const locus = locusFor(house, d.locusId, state.speciesId)
      if ('message' in locus) return locus
      const known = knownLocus(locus, almanac.common.unstatedShare!.value)
      return problemOf('data.alleles', () => statedBelief(known, d.alleles, d.chance, state.sex))
    },
    apply(state, d, entry) {
      state.genes = { ...state.genes, [d.locusId]: { ...d, ...seen(entry) } }
    },
    wording: d => `${d.alleles.join('/')}${d.chance < 1 ? `, ${Math.round(d.chance * 100)} %` : ''} stated`,
  }),
  defineKind({
    kind: 'lookSeen',
    subject: 'animal',
    verb: 'Record look',
    data: z.strictObject({ locusId: reference('locus'), look: z.string().max(80).default('') }),
    afterLeaving: true,
    check: (state, d, _, { house }) => {
      const locus = locusFor(house, d.locusId, state.speciesId)
      return 'message' in locus ? locus : problemOf('data.look', () => lookLikelihood(locus, d.look))
    },
    apply(state, d, entry) {
      state.looks = { ...state.looks, [d.locusId]: { ...d, ...seen(entry) } }
    },
    wording: d => `Looks ${d.look || 'wild'}`,
  }),
]
