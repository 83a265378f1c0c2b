import type { Knex } from 'knex'

const PLAIN = '????-??-??T??:??:??.???Z'

/** Who may come in; and instants of entries written alike, in UTC to the millisecond, so that they sort by time. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('access', t => {
    t.text('key').primary()
    t.text('value').notNullable()
  })
  const rows = await knex<{ id: string; at: string }>('entries').whereRaw('at NOT GLOB ?', [PLAIN]).select('id', 'at')
  for (const { id, at } of rows) {
    const ms = Date.parse(at)
    // an instant that cannot be read is told when the house is opened; it is not touched here
    if (!Number.isNaN(ms))
      await knex('entries')
        .where({ id })
        .update({ at: new Date(ms).toISOString() })
  }
}
