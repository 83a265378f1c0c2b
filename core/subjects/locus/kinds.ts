import { z } from 'zod'
import { LocusData } from '../../genetics'
import { defineKind, seen, type FieldHint, type House, type Problem } from '../../log'

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

const fields: Record<string, FieldHint> = {
  name: { label: 'Name', as: 'text', example: 'Ash', needed: true },
  linkage: {
    label: 'Linked to sex',
    as: 'choice',
    choices: { autosomal: 'not sex-linked', Z: 'on Z (females have one)', X: 'on X (males have one)' },
    needed: true,
  },
  unstatedShare: { label: 'In animals of which nothing is known, %', as: 'share' },
  note: { label: 'Note', as: 'lines' },
}

/** What is asked of each allele of a locus. */
export const ALLELE_FIELDS: Record<'sign' | 'mode' | 'look' | 'doubleLook' | 'double', FieldHint> = {
  sign: { label: 'Sign', as: 'text', example: 'a', needed: true },
  mode: {
    label: 'Shows as',
    as: 'choice',
    choices: { recessive: 'recessive', dominant: 'dominant', incomplete: 'incomplete dominant' },
    needed: true,
  },
  look: { label: 'Look, one copy', as: 'text', example: 'ash', needed: true },
  doubleLook: { label: 'Look, doubled', as: 'text' },
  double: {
    label: 'Doubled',
    as: 'choice',
    choices: { well: 'double form lives well', weak: 'double form is weak', lethal: 'double form does not live' },
    needed: true,
  },
}

export const locusKinds = [
  defineKind({
    kind: 'locusNamed',
    subject: 'locus',
    verb: 'Name locus',
    founds: 'locus',
    data: LocusData,
    fields,
    apply() {},
    check: (_, data, __, { house }) => sameName(house, data, null),
    wording: d => `Locus ${d.name} named`,
  }),
  defineKind({
    kind: 'locusChanged',
    subject: 'locus',
    verb: 'Change locus',
    data: LocusData,
    fields,
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
