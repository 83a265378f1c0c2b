import { z } from 'zod'
import { reference } from '../../reference'
import { GeneticsError, LocusData, lookLikelihood, statedBelief } from '../../genetics'
import type { Problem } from '../entry'
import { defineKind, seen, type CheckContext } from '../kind'
import type { LocusState } from '../states'
import { youngInGroup } from './clutch'

function problemOf(path: string, of: () => unknown): Problem | null {
  try {
    of()
    return null
  } catch (error) {
    if (error instanceof GeneticsError) return { path, message: error.message }
    throw error
  }
}

/** The locus an entry speaks of, when it is one of the species. */
function locusFor(house: CheckContext['house'], locusId: string, speciesId: string): LocusState | Problem {
  const locus = house.loci[locusId]
  if (!locus || locus.dropped) return { path: 'data.locusId', message: 'There is no such locus' }
  return locus.speciesId === speciesId
    ? locus
    : { path: 'data.locusId', message: `${locus.name} is a locus of another species` }
}

const sameName = (house: CheckContext['house'], data: LocusData, but: string | null): Problem | null =>
  Object.values(house.loci).some(
    l =>
      !l.dropped && l.id !== but && l.speciesId === data.speciesId && l.name.toLowerCase() === data.name.toLowerCase(),
  )
    ? {
        path: 'data.name',
        message: `This species has a locus called ${data.name} already; lines that do not make the look together get names of their own`,
      }
    : null

export const geneKinds = [
  defineKind({
    kind: 'locusNamed',
    subject: 'locus',
    verb: 'Name locus',
    founds: 'locus',
    data: LocusData,
    apply() {},
    check: (_, data, __, { house }) => sameName(house, data, null),
    tell: d => `Locus ${d.name} named`,
  }),
  defineKind({
    kind: 'locusChanged',
    subject: 'locus',
    verb: 'Change locus',
    data: LocusData,
    apply(state, data) {
      Object.assign(state, data)
    },
    check: (state, data, _, { house }) => {
      if (data.speciesId !== state.speciesId)
        return { path: 'data.speciesId', message: 'A locus stays with its species' }
      const used = new Set(
        Object.values(house.animals).flatMap(a => (a.genes[state.id] ? a.genes[state.id]!.alleles : [])),
      )
      const gone = state.alleles.find(a => used.has(a.sign) && !data.alleles.some(b => b.sign === a.sign))
      return gone
        ? { path: 'data.alleles', message: `The allele ${gone.sign} is stated of animals; it cannot go` }
        : sameName(house, data, state.id)
    },
    tell: d => `Locus ${d.name} changed`,
  }),
  defineKind({
    kind: 'locusDropped',
    subject: 'locus',
    verb: 'Drop locus',
    data: z.strictObject({}),
    apply(state, _, entry) {
      state.dropped = seen(entry)
    },
    tell: () => 'Locus dropped',
  }),
  defineKind({
    kind: 'geneStated',
    subject: 'animal',
    verb: 'State genotype',
    ofGone: true,
    data: z.strictObject({
      locusId: reference('locus'),
      alleles: z.array(z.string().min(1).max(8)).min(1).max(2, 'A genotype has at most two alleles'),
      chance: z
        .number({ error: 'The chance must be a number' })
        .gt(0, 'A chance lies between 0 and 100 %')
        .max(1, 'A chance lies between 0 and 100 %')
        .default(1),
    }),
    check: (state, d, _, { house }) => {
      const locus = locusFor(house, d.locusId, state.speciesId)
      return 'message' in locus
        ? locus
        : problemOf('data.alleles', () => statedBelief(locus, d.alleles, d.chance, state.sex))
    },
    apply(state, d, entry) {
      state.genes = { ...state.genes, [d.locusId]: { ...d, ...seen(entry) } }
    },
    tell: d => `${d.alleles.join('/')}${d.chance < 1 ? `, ${Math.round(d.chance * 100)} %` : ''} stated`,
  }),
  defineKind({
    kind: 'lookSeen',
    subject: 'animal',
    verb: 'Record look',
    data: z.strictObject({ locusId: reference('locus'), look: z.string().max(80).default('') }),
    ofGone: true,
    check: (state, d, _, { house }) => {
      const locus = locusFor(house, d.locusId, state.speciesId)
      return 'message' in locus ? locus : problemOf('data.look', () => lookLikelihood(locus, d.look))
    },
    apply(state, d, entry) {
      state.looks = { ...state.looks, [d.locusId]: { ...d, ...seen(entry) } }
    },
    tell: d => `Looks ${d.look || 'wild'}`,
  }),
  defineKind({
    kind: 'looksCounted',
    subject: 'clutch',
    verb: 'Count looks',
    data: z.strictObject({
      locusId: reference('locus'),
      counts: z
        .array(
          z.strictObject({
            look: z.string().max(80),
            count: z.number().int('Whole young only').min(0, 'A count cannot be negative').max(10_000),
          }),
        )
        .min(1)
        .max(30),
    }),
    check: (state, d, _, { house }) => {
      const locus = locusFor(house, d.locusId, state.speciesId)
      if ('message' in locus) return locus
      const born = state.hatched.reduce((sum, h) => sum + h.count, 0)
      const counted = d.counts.reduce((sum, c) => sum + c.count, 0)
      if (counted > Math.max(born, youngInGroup(state)))
        return { path: 'data.counts', message: `${counted} counted, but ${born} came out of ${state.tag}` }
      return (
        d.counts.map((c, i) => problemOf(`data.counts.${i}.look`, () => lookLikelihood(locus, c.look))).find(p => p) ??
        null
      )
    },
    // a later count of the same locus replaces the earlier
    apply(state, d, entry) {
      state.looksCounted = [...state.looksCounted.filter(c => c.locusId !== d.locusId), { ...d, ...seen(entry) }]
    },
    tell: d => `Looks counted: ${d.counts.map(c => `${c.count} ${c.look || 'wild'}`).join(', ')}`,
  }),
]
