import { z } from 'zod'
import type { Almanac } from '../../almanac'
import { reference } from '../../reference'
import { impossibleParent, type Relative } from '../../pedigree'
import { defineKind, seen, type House, type Problem } from '../../log'
import { rootIn } from '../oneSpecies'
import { ORIGINS, type AnimalState } from './state'

export const relativeOf = (a: AnimalState, house: House): Relative => ({
  id: a.id,
  tag: a.tag,
  speciesId: rootIn(house, a.speciesId),
  sex: a.sex,
  bornDay: a.bornDay,
  diedDay: a.status === 'dead' ? a.statusDay : null,
})

/** The way from an ancestor down to the animal by tags, when `of` is among the ancestors of `from`; null when not. */
function wayBack(house: House, from: string, of: string): string[] | null {
  const seenIds = new Set<string>()
  const open: { id: string; way: string[] }[] = [{ id: from, way: [] }]
  while (open.length) {
    const { id, way } = open.pop()!
    const animal = house.animals[id]
    if (!animal || seenIds.has(id)) continue
    seenIds.add(id)
    const here = [...way, animal.tag]
    if (id === of) return here
    for (const parent of [animal.damId, ...animal.sires.map(s => s.id)])
      if (parent) open.push({ id: parent, way: here })
  }
  return null
}

const notHere = (role: string) => `The ${role} is not in the house; add it first, as kept elsewhere if it is`

/** Why these cannot be the parents of an animal; null when they can. */
export function checkParents(
  house: House,
  animal: AnimalState,
  damId: string | null,
  sires: readonly { id: string; chance: number }[],
  common: Almanac['common'],
): Problem | null {
  const roles = [
    ...(damId ? [{ id: damId, role: 'dam' as const, path: 'data.damId' }] : []),
    ...sires.map((s, i) => ({ id: s.id, role: 'sire' as const, path: `data.sires.${i}` })),
  ]
  for (const { id, role, path } of roles) {
    const parent = house.animals[id]
    if (!parent) return { path, message: notHere(role) }
    const why = impossibleParent(relativeOf(animal, house), relativeOf(parent, house), role, common)
    if (why) return { path, message: why }
    const way = wayBack(house, id, animal.id)
    if (way) return { path, message: `${animal.tag} would be its own ancestor: ${[animal.tag, ...way].join(' from ')}` }
  }
  return null
}

export const lineageKinds = [
  defineKind({
    kind: 'parentsStated',
    subject: 'animal',
    verb: 'State parents',
    afterLeaving: true,
    data: z
      .strictObject({
        damId: reference('animal', notHere('dam')).nullable().default(null),
        sires: z
          .array(
            z.strictObject({
              id: reference('animal', notHere('sire')),
              chance: z
                .number()
                .gt(0, 'A possible sire has a chance above 0')
                .max(1, 'A chance is at most 100 %')
                .default(1),
            }),
          )
          .max(4, 'At most four possible sires')
          .default([]),
        origin: z.enum(ORIGINS).default('bred'),
        clonal: z.boolean().default(false),
      })
      .refine(d => d.sires.reduce((sum, s) => sum + s.chance, 0) <= 1 + 1e-9, {
        path: ['sires'],
        message: 'The chances of the sires come to over 100 %',
      })
      .refine(d => new Set(d.sires.map(s => s.id)).size === d.sires.length, {
        path: ['sires'],
        message: 'The same sire is named twice',
      })
      .refine(d => d.origin !== 'wild' || (!d.damId && !d.sires.length), {
        path: ['origin'],
        message: 'A wild-caught animal has no known parents',
      })
      .refine(d => !d.clonal || (d.damId && !d.sires.length), {
        path: ['clonal'],
        message: 'Born of the dam alone: a dam and no sire',
      }),
    check: (state, d, _, { house, almanac }) => checkParents(house, state, d.damId, d.sires, almanac.common),
    apply(state, d, entry) {
      state.damId = d.damId
      state.sires = d.sires
      state.sireId = d.sires.length === 1 && d.sires[0]!.chance === 1 ? d.sires[0]!.id : null
      state.origin = d.origin
      state.clonal = d.clonal
      state.parentsStated = seen(entry)
    },
    wording: d =>
      d.origin === 'wild'
        ? 'Wild-caught'
        : d.clonal
          ? 'Born of its dam alone'
          : `Parents stated${d.sires.length > 1 ? `, ${d.sires.length} possible sires` : ''}`,
  }),
  defineKind({
    kind: 'keptElsewhere',
    subject: 'animal',
    verb: 'Mark as kept elsewhere',
    data: z.strictObject({}),
    apply(state, _, entry) {
      state.status = 'elsewhere'
      state.statusDay = entry.day
      state.placeId = null
    },
    wording: () => 'Not here: known by its papers',
  }),
]
