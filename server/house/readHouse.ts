import type { Knex } from 'knex'
import { shippedAlmanac, withOverrides, type Almanac, type Override } from '#core/almanac'
import { recordsFrom, type Records } from '#core/logbook'
import type { HouseSettings } from '#core/season'
import { allAnimals, allPlaces } from '../db/repositories/cards'
import { readLogbook } from '../db/repositories/entries'
import { readOverrides, readSettings } from '../db/repositories/ways'

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
  settings: HouseSettings
  settingsVersion: number
  overrides: Override[]
  almanac: Almanac
  notices: Notice[]
}

/** Own numbers that the almanac can take; one that it cannot is set aside, and the others stand. */
export function soundOverrides(stored: readonly Override[]): {
  overrides: Override[]
  almanac: Almanac
  refused: { path: string; why: string }[]
} {
  const why = (error: unknown) => (error instanceof Error ? error.message : String(error))
  try {
    return { overrides: [...stored], almanac: withOverrides(shippedAlmanac, stored), refused: [] }
  } catch {
    const overrides: Override[] = []
    const refused: { path: string; why: string }[] = []
    for (const one of stored) {
      try {
        withOverrides(shippedAlmanac, [...overrides, one])
        overrides.push(one)
      } catch (error) {
        refused.push({ path: one.path, why: why(error) })
      }
    }
    return { overrides, almanac: withOverrides(shippedAlmanac, overrides), refused }
  }
}

/** Reads the house from its database. Rows that cannot be read are set aside and told; they never keep the house from opening. */
export async function readHouse(db: Knex): Promise<ReadHouse> {
  const [places, animals, log, stored, own] = [
    await allPlaces(db),
    await allAnimals(db),
    await readLogbook(db),
    await readSettings(db),
    await readOverrides(db),
  ]
  const { overrides, almanac, refused } = soundOverrides(own)
  const notices: Notice[] = [
    ...stored.unreadable.map(key => ({
      id: `setting:${key}`,
      text: `The setting “${key}” cannot be read; Mantel uses its usual value`,
      todo: 'Look through Settings and keep them again.',
    })),
    ...refused.map(({ path, why }) => ({
      id: `override:${path}`,
      text: `Your own number “${path}” is set aside: ${why}`,
      todo: 'Set it anew in the Almanac; until then the shipped number counts.',
    })),
  ]
  if (log.unreadable.length) {
    const n = log.unreadable.length
    notices.push({
      id: 'entries',
      text: `${n} ${n === 1 ? 'entry' : 'entries'} of the logbook cannot be read and ${n === 1 ? 'is' : 'are'} left out`,
      todo: 'Compare with the latest backup; write anew what is missing.',
      ids: log.unreadable,
    })
  }
  // a species that the almanac does not have (a newer one wrote it, or it was damaged) can be neither fed nor forecast
  const known = animals.filter(a => Object.hasOwn(almanac.species, a.speciesId))
  for (const a of animals)
    if (!known.includes(a))
      notices.push({
        id: `animal:${a.id}`,
        text: `${a.tag} is of a species that this almanac does not have (“${a.speciesId}”), and is left out`,
        todo: 'Start the version of Mantel that wrote it, or restore a backup.',
      })
  return {
    records: recordsFrom(places, known, log.entries),
    settings: stored.settings,
    settingsVersion: stored.version,
    overrides,
    almanac,
    notices,
  }
}
