import type { Knex } from 'knex'
import { shipped, withCheckedOwn, withOwn, type Almanac, type Override } from '#core/almanac'
import { ownKnowledge, recordsFrom, type House, type Records } from '#core/subjects'
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

/**
 * The almanac of a house as far as it can be made: an own row or number that it cannot take is set aside, and the
 * others stand.
 */
export function soundAlmanac(house: House): SoundAlmanac {
  const own = ownKnowledge(house)
  const refused: Notice[] = withOwn(shipped, { ...own, numbers: [] }).refused.map(({ id, name, message }) => ({
    id: `row:${id}`,
    text: `${name ?? id} of your almanac is set aside: ${message}`,
    todo: 'Set anew in the Almanac what it takes over from.',
  }))
  try {
    return { overrides: [...own.numbers], almanac: withCheckedOwn(shipped, own).almanac, refused }
  } catch {
    const overrides: Override[] = []
    for (const one of own.numbers) {
      try {
        withCheckedOwn(shipped, { ...own, numbers: [...overrides, one] })
        overrides.push(one)
      } catch (error) {
        refused.push({
          id: `override:${one.path}`,
          text: `Your own number “${one.path}” is set aside: ${messageOf(error)}`,
          todo: 'Set it anew in the Almanac; until then the shipped number counts.',
        })
      }
    }
    return { overrides, almanac: withOwn(shipped, { ...own, numbers: overrides }).almanac, refused }
  }
}

/**
 * Reads the log from its database. Rows that cannot be read are set aside and told; they never keep the house from
 * opening.
 */
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
