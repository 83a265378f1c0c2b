import type { Knex } from 'knex'
import type { Override } from '#core/almanac'
import { HouseSettings, defaultSettings } from '#core/season'

/** The settings of the house; what was never set, or no longer fits the schema, is the default. */
export async function readSettings(db: Knex): Promise<HouseSettings> {
  const rows = await db<{ key: string, value: string }>('settings')
  const stored = Object.fromEntries(rows.map(r => [r.key, JSON.parse(r.value) as unknown]))
  const parsed = HouseSettings.safeParse({ ...defaultSettings, ...stored })
  return parsed.success ? parsed.data : defaultSettings
}

export async function writeSettings(db: Knex, settings: HouseSettings): Promise<void> {
  await db.transaction(async (trx) => {
    for (const [key, value] of Object.entries(settings)) {
      await trx('settings').insert({ key, value: JSON.stringify(value) }).onConflict('key').merge()
    }
  })
}

export async function readOverrides(db: Knex): Promise<Override[]> {
  const rows = await db<{ path: string, value: number, note: string | null }>('almanac_overrides').orderBy('path')
  return rows.map(r => ({ path: r.path, value: r.value, ...(r.note !== null && { note: r.note }) }))
}

export async function writeOverride(db: Knex, override: Override): Promise<void> {
  await db('almanac_overrides').insert({ path: override.path, value: override.value, note: override.note ?? null }).onConflict('path').merge()
}

export async function deleteOverride(db: Knex, path: string): Promise<void> {
  await db('almanac_overrides').where({ path }).delete()
}
