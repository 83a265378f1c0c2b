import type { Knex } from 'knex'
import { shippedAlmanac, withOverrides, withRows, type Almanac, type Override } from '#core/almanac'
import { ownNumbers, ownRows, recordsFrom, type House, type Records } from '#core/subjects'
import { readLogbook } from '../db/repositories/entries'

/** Something of the database that was set aside when the house was opened, in a keeper's words. */
export interface Notice {
  id: string
  text: string
  todo: string
  /** Rows that it is about. */
  ids?: string[]
}

export interface ReadHouse {
  records: Records
  settingsVersion: number
  notices: Notice[]
}

interface SoundAlmanac {
  overrides: Override[]
  almanac: Almanac
  /** Numbers and rows that are set aside, each told. */
  refused: Notice[]
}

const messageOf = (error: unknown) => (error instanceof Error ? error.message : String(error))

/** The almanac of a house as far as it can be made: an own row or number that it cannot take is set aside, and the others stand. */
export function soundAlmanac(house: House): SoundAlmanac {
  const { species, feeders } = ownRows(house)
  const own = ownNumbers(house)
  const rows = withRows(shippedAlmanac, species, feeders)
  const refused: Notice[] = rows.refused.map(({ id, name, message }) => ({
    id: `row:${id}`,
    text: `${name ?? id} of your almanac is set aside: ${message}`,
    todo: 'Set anew in the Almanac what it takes over from.',
  }))
  try {
    return { overrides: own, almanac: withOverrides(rows.almanac, own), refused }
  } catch {
    const overrides: Override[] = []
    for (const one of own) {
      try {
        withOverrides(rows.almanac, [...overrides, one])
        overrides.push(one)
      } catch (error) {
        refused.push({
          id: `override:${one.path}`,
          text: `Your own number “${one.path}” is set aside: ${messageOf(error)}`,
          todo: 'Set it anew in the Almanac; until then the shipped number counts.',
        })
      }
    }
    return { overrides, almanac: withOverrides(rows.almanac, overrides), refused }
  }
}

/** Reads the log from its database. Rows that cannot be read are set aside and told; they never keep the house from opening. */
export async function readHouse(db: Knex): Promise<ReadHouse> {
  const { entries, unreadable } = await readLogbook(db)
  const notices: Notice[] = []
  if (unreadable.length) {
    const n = unreadable.length
    notices.push({
      id: 'entries',
      text: `${n} ${n === 1 ? 'entry' : 'entries'} of the logbook cannot be read and ${n === 1 ? 'is' : 'are'} left out`,
      todo: 'Compare with the latest backup; write anew what is missing.',
      ids: unreadable,
    })
  }
  const settingsVersion = entries.filter(e => e.kind === 'settingsChanged').length
  return { records: recordsFrom(entries), settingsVersion, notices }
}
