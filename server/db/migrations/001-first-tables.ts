import type { Knex } from 'knex'

/** Places, cards of animals, the logbook, the keeper's own numbers and ways. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('places', t => {
    t.text('id').primary()
    t.text('name').notNullable()
    t.text('kind').notNullable()
    t.text('parent_id').nullable().references('places.id')
    t.integer('walk_order').notNullable().defaultTo(0)
    t.float('temp_c').nullable()
  })
  await knex.schema.createTable('entries', t => {
    t.text('id').primary()
    t.text('at').notNullable()
    t.integer('day').notNullable()
    t.text('subject_type').notNullable()
    t.text('subject_id').notNullable()
    t.text('kind').notNullable()
    t.text('data').notNullable()
    t.text('source').notNullable()
    t.text('note').nullable()
    t.index(['subject_type', 'subject_id', 'at'])
    t.index(['day'])
  })
  await knex.schema.createTable('animals', t => {
    t.text('id').primary()
    t.text('tag').notNullable().unique()
    t.text('name').nullable()
    t.text('species_id').notNullable()
    t.text('sex').notNullable()
    t.integer('born_day').nullable()
    t.text('place_id').nullable().references('places.id')
    t.text('dam_id').nullable().references('animals.id')
    t.text('sire_id').nullable().references('animals.id')
    // clutches are named by the entry of their laying or birth
    t.text('clutch_id').nullable().references('entries.id')
    t.text('founded_by').nullable().references('entries.id')
  })
  await knex.schema.createTable('almanac_overrides', t => {
    t.text('path').primary()
    t.float('value').notNullable()
    t.text('note').nullable()
  })
  await knex.schema.createTable('settings', t => {
    t.text('key').primary()
    t.text('value').notNullable()
  })
}
