import type { Knex } from 'knex'

/** Capacity of cold places; devices and what they read. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('places', t => {
    t.integer('capacity').nullable()
  })
  await knex.schema.createTable('devices', t => {
    t.text('id').primary()
    t.text('name').notNullable()
    t.text('kind').notNullable()
    t.text('place_id').nullable().references('places.id')
    // of the token only its hash is kept
    t.text('token_hash').notNullable()
    t.boolean('simulated').notNullable().defaultTo(false)
  })
  await knex.schema.createTable('readings', t => {
    t.text('device_id').notNullable().references('devices.id').onDelete('CASCADE')
    t.integer('at').notNullable()
    t.float('temp_c').notNullable()
    t.primary(['device_id', 'at'])
  })
  // the place is kept with the hour, so that a probe may move without taking its past along
  await knex.schema.createTable('readings_hourly', t => {
    t.text('place_id').notNullable().references('places.id')
    t.text('device_id').notNullable()
    t.integer('hour').notNullable()
    t.integer('n').notNullable()
    t.float('sum_c').notNullable()
    t.float('min_c').notNullable()
    t.float('max_c').notNullable()
    t.primary(['place_id', 'device_id', 'hour'])
  })
  await knex.schema.createTable('readings_set_aside', t => {
    t.increments('id')
    t.text('device_id').notNullable().references('devices.id').onDelete('CASCADE')
    t.integer('received_at').notNullable()
    t.text('reason').notNullable()
    t.text('payload').notNullable()
    t.index(['device_id'])
  })
}
