import type { Knex } from 'knex'
import { shippedAlmanac, withOverrides, type Almanac, type Override } from '#core/almanac'
import { recordsFrom, type Records } from '#core/subjects'
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

interface SoundOverrides {
  overrides: Override[]
  almanac: Almanac
  /** Numbers that are set aside, each told. */
  refused: Notice[]
}

/** Own numbers that the almanac can take; one that it cannot is set aside, and the others stand. */
export function soundOverrides(own: readonly Override[]): SoundOverrides {
  try {
    return { overrides: [...own], almanac: withOverrides(shippedAlmanac, own), refused: [] }
  } catch {
    const overrides: Override[] = []
    const refused: Notice[] = []
    for (const one of own) {
      try {
        withOverrides(shippedAlmanac, [...overrides, one])
        overrides.push(one)
      } catch (error) {
        refused.push({
          id: `override:${one.path}`,
          text: `Your own number “${one.path}” is set aside: ${error instanceof Error ? error.message : String(error)}`,
          todo: 'Set it anew in the Almanac; until then the shipped number counts.',
        })
      }
    }
    return { overrides, almanac: withOverrides(shippedAlmanac, overrides), refused }
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
