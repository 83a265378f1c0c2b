import { z } from 'zod'
import { LocusData } from '../../genetics'
import { defineKind, seen, type House, type Problem } from '../../log'

const sameName = (house: House, data: LocusData, but: string | null): Problem | null =>
  Object.values(house.loci).some(
    l =>
      !l.dropped && l.id !== but && l.speciesId === data.speciesId && l.name.toLowerCase() === data.name.toLowerCase(),
  )
    ? {
        path: 'data.name',
        message: `This species has a locus called ${data.name} already; lines that do not make the look together get names of their own`,
      }
    : null

export const locusKinds = [
  defineKind({
    kind: 'locusNamed',
    subject: 'locus',
    verb: 'Name locus',
    founds: 'locus',
    data: LocusData,
    apply() {},
    check: (_, data, __, { house }) => sameName(house, data, null),
    wording: d => `Locus ${d.name} named`,
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
    wording: d => `Locus ${d.name} changed`,
  }),
  defineKind({
    kind: 'locusDropped',
    subject: 'locus',
    verb: 'Drop locus',
    data: z.strictObject({}),
    apply(state, _, entry) {
      state.dropped = seen(entry)
    },
    wording: () => 'Locus dropped',
  }),
]
