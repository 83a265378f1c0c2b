import type { OwnSpecies } from '../ownRows'

type Parts = OwnSpecies['parts']

/** A species by its nearest relative: what is not named here is borrowed from that one, and marked so. */
export const relative = (id: string, name: string, latin: string, from: string, parts: Parts): OwnSpecies => ({
  id,
  name,
  latin,
  from,
  type: false,
  added: true,
  retired: false,
  parts,
})

/** A type within a species, with its own few numbers. */
export const typeOf = (id: string, name: string, latin: string, from: string, parts: Parts): OwnSpecies => ({
  ...relative(id, name, latin, from, parts),
  type: true,
})
