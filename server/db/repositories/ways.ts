import type { Knex } from 'knex'
import type { Override } from '#core/almanac'
import { HouseSettings, defaultSettings } from '#core/season'

export interface StoredSettings {
  settings: HouseSettings
  /** Counts up with every change, so that a change made on an older one is noticed. */
  version: number
  /** Names of settings that cannot be read; each is the default until it is set anew. */
  unreadable: string[]
}

const VERSION = 'version'

/** The settings of the house, each for itself: one that cannot be read is the default, and the others stand. */
export async function readSettings(db: Knex): Promise<StoredSettings> {
  const rows = await db<{ key: string; value: string }>('settings')
  const settings: Record<string, unknown> = { ...defaultSettings }
  const unreadable: string[] = []
  let version = 0
  for (const { key, value } of rows) {
    const stored = parsed(value)
    if (key === VERSION) version = typeof stored === 'number' ? stored : 0
    else if (Object.hasOwn(HouseSettings.shape, key)) {
      const checked = HouseSettings.shape[key as keyof HouseSettings].safeParse(stored)
      if (checked.success) settings[key] = checked.data
      else unreadable.push(key)
    }
  }
  return { settings: settings as HouseSettings, version, unreadable }
}

function parsed(json: string): unknown {
  try {
    return JSON.parse(json) as unknown
  } catch {
    return undefined
  }
}

export async function writeSettings(db: Knex, settings: HouseSettings, version: number): Promise<void> {
  await db.transaction(async trx => {
    for (const [key, value] of [...Object.entries(settings), [VERSION, version] as const]) {
      await trx('settings')
        .insert({ key, value: JSON.stringify(value) })
        .onConflict('key')
        .merge()
    }
  })
}

export async function readOverrides(db: Knex): Promise<Override[]> {
  const rows = await db<{ path: string; value: number; note: string | null }>('almanac_overrides').orderBy('path')
  return rows.map(r => ({ path: r.path, value: r.value, ...(r.note !== null && { note: r.note }) }))
}

export async function writeOverride(db: Knex, override: Override): Promise<void> {
  await db('almanac_overrides')
    .insert({ path: override.path, value: override.value, note: override.note ?? null })
    .onConflict('path')
    .merge()
}

export async function deleteOverride(db: Knex, path: string): Promise<void> {
  await db('almanac_overrides').where({ path }).delete()
}
