import Papa from 'papaparse'
import type { Almanac } from '#core/almanac'
import { rootIn, animalAdded, type AnimalCard, type DatedEntry, type House } from '#core/subjects'
import { PedigreeError, impossibleParent, pedigreeOf, type Relative } from '#core/pedigree'
import { dayFromIso } from '#core/units'
import { NewAnimal } from '../contracts/house'

/** Columns of a list of animals; only tag and species must be there. */
export const LIST_COLUMNS = ['tag', 'species', 'sex', 'born', 'dam', 'sire', 'name', 'place', 'elsewhere'] as const

const MOST_ROWS = 10_000
/** More problems than this are not listed: the first ones show what is wrong. */
const MOST_PROBLEMS = 20

export interface AnimalList {
  /** Parents before young, so that each reference holds when it is written; then who is kept elsewhere. */
  facts: Pick<DatedEntry, 'id' | 'subject' | 'kind' | 'data'>[]
  /** How many animals. */
  added: number
}

export interface ListProblem {
  path: string
  message: string
}

const YES = /^(yes|y|true|1|x)$/i

/**
 * Reads a list of animals (CSV, RFC 4180, with a heading) against the house. Nothing is written here.
 * Dam and sire are tags of the list or of the house; species is a name or an id of the almanac.
 * @param today the calendar day in the house
 * @param newId makes the id of each entry, a UUID
 * @returns the entries to be written together, or what speaks against them
 */
export function readAnimalList(
  csv: string,
  house: House,
  almanac: Almanac,
  today: number,
  newId: () => string,
): AnimalList | ListProblem[] {
  const parsed = Papa.parse<Record<string, string>>(csv.trim(), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: h => h.trim().toLowerCase(),
    transform: v => v.trim(),
  })
  const problems: ListProblem[] = []
  const say = (row: number, column: string, message: string) => {
    problems.push({ path: `rows.${row + 1}.${column}`, message: `Row ${row + 1}: ${message}` })
  }
  const columns = parsed.meta.fields ?? []
  const missing = ['tag', 'species'].filter(c => !columns.includes(c))
  const unknown = columns.filter(c => !(LIST_COLUMNS as readonly string[]).includes(c))
  if (missing.length)
    return [
      {
        path: 'csv',
        message: `The first line must name the columns; ${missing.join(' and ')} ${missing.length > 1 ? 'are' : 'is'} missing. Known are ${LIST_COLUMNS.join(', ')}`,
      },
    ]
  if (unknown.length)
    return [{ path: 'csv', message: `The column “${unknown[0]}” is not known. Known are ${LIST_COLUMNS.join(', ')}` }]
  const rows = parsed.data
  if (!rows.length) return [{ path: 'csv', message: 'There is no animal under the heading' }]
  if (rows.length > MOST_ROWS)
    return [{ path: 'csv', message: `At most ${MOST_ROWS} animals at once; this has ${rows.length}` }]
  for (const e of parsed.errors.slice(0, MOST_PROBLEMS)) if (e.row !== undefined) say(e.row, 'csv', e.message)

  const speciesIds = new Map<string, string>()
  // a Latin name is that of the species, and not of one of its types
  for (const s of Object.values(almanac.species).sort((a, b) => Number(!!a.typeOf) - Number(!!b.typeOf)))
    for (const name of [s.id, s.name, s.latin].map(n => n.toLowerCase()))
      if (name && !speciesIds.has(name)) speciesIds.set(name, s.id)
  const placeIds = new Map(Object.values(house.places).map(p => [p.name.toLowerCase(), p.id]))
  const used = new Set(
    [house.animals, house.pairings, house.clutches, house.cultures, house.lamps, house.winters].flatMap(group =>
      Object.values<{ tag: string }>(group).map(x => x.tag.toLowerCase()),
    ),
  )
  const ids = new Map(Object.values(house.animals).map(a => [a.tag.toLowerCase(), a.id]))
  const cards = rows.map((row, i): AnimalCard | null => {
    const wish = NewAnimal.safeParse({
      tag: row.tag ?? '',
      name: row.name || null,
      speciesId: speciesIds.get((row.species ?? '').toLowerCase()) ?? '',
      sex: (row.sex || 'unknown').toLowerCase(),
      born: row.born || null,
    })
    if (!wish.success) {
      for (const issue of wish.error.issues)
        say(
          i,
          issue.path[0] === 'speciesId' ? 'species' : String(issue.path[0]),
          issue.path[0] === 'speciesId'
            ? `the almanac has no species “${row.species ?? ''}”`
            : issue.path[0] === 'sex'
              ? `the sex is female, male or unknown, not “${row.sex}”`
              : issue.message,
        )
      return null
    }
    const key = wish.data.tag.toLowerCase()
    if (used.has(key)) say(i, 'tag', `the tag ${wish.data.tag} is already in use`)
    used.add(key)
    const bornDay = wish.data.born === null ? null : dayFromIso(wish.data.born)
    if (bornDay !== null && bornDay > today) say(i, 'born', 'it cannot be born in the future')
    const placeId = row.place ? (placeIds.get(row.place.toLowerCase()) ?? null) : null
    if (row.place && !placeId) say(i, 'place', `there is no place called “${row.place}”`)
    const card: AnimalCard = {
      id: newId(),
      tag: wish.data.tag,
      name: wish.data.name,
      speciesId: wish.data.speciesId,
      sex: wish.data.sex,
      bornDay,
      placeId,
      damId: null,
      sireId: null,
      clutchId: null,
      foundedBy: null,
    }
    if (!ids.has(key)) ids.set(key, card.id)
    return card
  })
  const byId = new Map<string, Relative>(
    Object.values(house.animals).map(a => [
      a.id,
      { ...a, speciesId: rootIn(house, a.speciesId), diedDay: a.status === 'dead' ? a.statusDay : null },
    ]),
  )
  for (const c of cards) if (c) byId.set(c.id, { ...c, speciesId: rootIn(house, c.speciesId), diedDay: null })
  rows.forEach((row, i) => {
    const card = cards[i]
    if (!card) return
    for (const role of ['dam', 'sire'] as const) {
      const tag = row[role]
      if (!tag) continue
      const id = ids.get(tag.toLowerCase())
      if (!id) {
        say(i, role, `the ${role} ${tag} is neither in the list nor in the house`)
        continue
      }
      const why = impossibleParent(byId.get(card.id)!, byId.get(id)!, role, almanac.common)
      if (why) say(i, role, why)
      card[role === 'dam' ? 'damId' : 'sireId'] = id
    }
  })
  if (problems.length)
    return problems.length > MOST_PROBLEMS
      ? [...problems.slice(0, MOST_PROBLEMS), { path: 'csv', message: `and ${problems.length - MOST_PROBLEMS} more` }]
      : problems
  const all = cards.filter(c => c !== null)
  let order: Map<string, number>
  try {
    order = new Map(
      pedigreeOf(
        all.map(c => ({ id: c.id, tag: c.tag, damId: c.damId, sires: c.sireId ? [{ id: c.sireId, chance: 1 }] : [] })),
      ).ids.map((id, i) => [id, i]),
    )
  } catch (error) {
    if (error instanceof PedigreeError) return [{ path: 'csv', message: error.message }]
    throw error
  }
  const added = [...all]
    .sort((a, b) => order.get(a.id)! - order.get(b.id)!)
    .map(card => animalAdded(card, { at: '', day: today, source: 'import' }))
  const elsewhere = rows.flatMap((row, i) =>
    YES.test(row.elsewhere ?? '')
      ? [{ id: newId(), subject: { type: 'animal', id: all[i]!.id }, kind: 'keptElsewhere', data: {} }]
      : [],
  )
  const facts = [...added, ...elsewhere].map(({ id, subject, kind, data }) => ({ id, subject, kind, data }))
  return { facts, added: added.length }
}
