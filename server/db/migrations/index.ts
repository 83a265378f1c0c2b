import type { Knex } from 'knex'
import * as first from './001-first-tables'
import * as winter from './002-winter'
import * as access from './003-access'
import * as oneLog from './004-one-log'
import * as climate from './005-climate'
import * as calibration from './006-calibration'
import * as remembered from './007-remembered'

interface Migration {
  name: string
  up: (knex: Knex) => Promise<void>
  config?: { transaction: boolean }
}

/** Forward only, in this order; a name once shipped is never changed. */
const migrations: Migration[] = [
  { name: '001-first-tables', up: first.up },
  { name: '002-winter', up: winter.up },
  { name: '003-access', up: access.up },
  { name: '004-one-log', up: oneLog.up, config: oneLog.config },
  { name: '005-climate', up: climate.up },
  { name: '006-calibration', up: calibration.up },
  { name: '007-remembered', up: remembered.up },
]

export const migrationNames: readonly string[] = migrations.map(m => m.name)

/** Migrations from code rather than from a folder, so that they travel inside the built server. */
export const migrationSource: Knex.MigrationSource<Migration> = {
  getMigrations: async () => migrations,
  getMigrationName: migration => migration.name,
  getMigration: async migration => ({
    up: migration.up,
    ...(migration.config && { config: migration.config }),
    down: async () => {
      throw new Error('Migrations go forward only.')
    },
  }),
}
