import { deserialize, serialize } from 'node:v8'
import type { Knex } from 'knex'

interface Row {
  name: string
  program: string
  value: Buffer
}

/**
 * What this program worked out before it was last stopped; null when nothing was kept, when another program kept it, or
 * when it cannot be read.
 */
export async function remembered<T>(db: Knex, name: string, program: string): Promise<T | null> {
  const row = await db<Row>('remembered').where({ name, program }).first()
  if (!row) return null
  try {
    return deserialize(row.value) as T
  } catch (error) {
    console.error(`What was remembered of ${name} cannot be read:`, error)
    return null
  }
}

/** Keeps what was worked out for the next start of the same program, in place of what was kept before. */
export async function remember(db: Knex, name: string, program: string, value: unknown): Promise<void> {
  await db<Row>('remembered')
    .insert({ name, program, value: serialize(value) })
    .onConflict('name')
    .merge()
}
