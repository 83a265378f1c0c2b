import { z } from 'zod'
import { FITTINGS, SUBSTRATES } from '../../almanac'
import { defineKind, seen, type House, type Problem } from '../../log'
import { freeText, lineOfText, reference } from '../../reference'
import { CHANNELS, CHANNEL_IDS, ZONES, ZONE_IDS, implausible, type Channel } from '../../channels'
import { formatQuantity, upperFirst, type TempUnit } from '../../units'
import { FINDINGS, FINDING_WORDS } from '../care'
import { jobId, withCare } from '../careDone'
import { JOB_WORDS, isRoundJob } from '../jobWords'
import { PLACE_KINDS } from './state'

const hour = z.number({ error: 'An hour of the clock is a number' }).min(0, 'From 0 to 24').max(24, 'From 0 to 24')
const LightHours = z
  .strictObject({ on: hour, off: hour, bySun: z.literal(true).optional() })
  .refine(({ on, off }) => on !== off, 'Lamps that go on and off at one time give no light')

const side = (least: number) =>
  z
    .number({ error: 'A side is a number' })
    .min(least, `Under ${least} cm is not believable`)
    .max(2000, 'Over 2000 cm is not believable: check the unit')
const Size = z.strictObject({ widthCm: side(4), depthCm: side(4), heightCm: side(2).nullable() })

/** Readings by hand that a place keeps in mind: the log has all of them. */
const MEASURED_KEPT = 60

/** Things found that are kept in mind until they are settled. */
const FOUND_KEPT = 20

const noSuchJob = (job: string, { jobs }: House): Problem | null =>
  isRoundJob(job) || Object.hasOwn(jobs, job) ? null : { path: 'data.job', message: 'There is no such job' }

/** A reading as it was taken, with all its digits. */
function tellRead({ channel, value }: { channel: Channel; value: number }, tempUnit: TempUnit): string {
  if (channel === 'temperature') return formatQuantity(value, tempUnit)
  const { unit, label } = CHANNELS[channel]
  return unit ? `${value} ${unit}` : `${label} ${value}`
}

/** All that is said of a place. */
export const PlaceData = z.strictObject({
  name: lineOfText(60, 'A place needs a name'),
  kind: z.enum(PLACE_KINDS),
  parentId: reference('place').nullable().default(null),
  order: z
    .number({ error: 'The rank must be a number' })
    .int('The rank must be a whole number')
    .min(0, 'The rank cannot be negative')
    .max(9999, 'At most rank 9999')
    .default(0),
  tempC: z
    .number({ error: 'The temperature must be a number' })
    .min(-5, 'Under −5 °C is not believable')
    .max(60, 'Over 60 °C is not believable: check the unit')
    .nullable()
    .default(null),
  capacity: z
    .number({ error: 'The capacity must be a number' })
    .int('A capacity is a whole number of tubs')
    .min(1, 'A place takes at least one')
    .max(9999)
    .nullable()
    .default(null),
  light: LightHours.nullable().optional(),
  size: Size.nullable().optional(),
  quarantine: z.boolean().optional(),
  fittings: z.array(z.enum(FITTINGS)).max(FITTINGS.length).nullable().optional(),
  substrate: z.enum(SUBSTRATES).nullable().optional(),
})

/** A place cannot stand inside itself, however many others are between. */
function standsInItself(house: House, id: string, parentId: string | null | undefined): Problem | null {
  const passed = new Set<string>()
  for (let up = parentId ?? null; up && !passed.has(up); up = house.places[up]?.parentId ?? null) {
    if (up === id) return { path: 'data.parentId', message: 'A place cannot stand inside itself' }
    passed.add(up)
  }
  return null
}

export const placeKinds = [
  defineKind({
    kind: 'placeAdded',
    subject: 'place',
    verb: 'Add place',
    dayless: true,
    founds: 'place',
    data: PlaceData,
    fields: {
      name: { label: 'Name', as: 'text', needed: true },
      kind: {
        label: 'Kind',
        as: 'choice',
        choices: Object.fromEntries(PLACE_KINDS.map(kind => [kind, kind])),
        needed: true,
      },
      parentId: { label: 'Stands in', as: 'one', example: 'Nowhere: a room' },
      order: { label: 'Rank in the walk', as: 'count', needed: true },
      size: { label: 'Size inside', as: 'size', hint: 'width × depth × height', example: '60 × 40 × 30 cm' },
      substrate: { label: 'Floored with', as: 'one', example: 'not said' },
      fittings: { label: 'In it', as: 'several', example: 'nothing' },
      quarantine: {
        label: 'Quarantine',
        as: 'flag',
        help: 'What comes new stands here: own tools, last in the Round',
      },
      tempC: { label: 'Temperature', as: 'temperature', example: 'such as 28 °C or 82 °F' },
      capacity: { label: 'Takes', as: 'count', hint: 'empty: not said' },
    },
    apply() {},
    wording: d => `${d.name} added`,
  }),
  defineKind({
    kind: 'placeChanged',
    subject: 'place',
    verb: 'Change place',
    dayless: true,
    data: z.strictObject({
      name: PlaceData.shape.name.optional(),
      kind: PlaceData.shape.kind.optional(),
      parentId: PlaceData.shape.parentId.unwrap().optional(),
      order: PlaceData.shape.order.unwrap().optional(),
      tempC: PlaceData.shape.tempC.unwrap().optional(),
      capacity: PlaceData.shape.capacity.unwrap().optional(),
      light: LightHours.nullable().optional(),
      size: Size.nullable().optional(),
      quarantine: z.boolean().optional(),
      fittings: PlaceData.shape.fittings,
      substrate: PlaceData.shape.substrate,
    }),
    apply(state, data) {
      Object.assign(state, data)
    },
    check: (state, { parentId }, _, { house }) => standsInItself(house, state.id, parentId),
    wording: d =>
      [
        `Place changed${d.name ? `: ${d.name}` : ''}`,
        ...(d.size
          ? [`inside ${[d.size.widthCm, d.size.depthCm, d.size.heightCm].filter(cm => cm !== null).join(' × ')} cm`]
          : []),
      ].join('; '),
  }),
  defineKind({
    kind: 'placeRead',
    subject: 'place',
    verb: 'Write reading',
    data: z
      .strictObject({
        channel: z.enum(CHANNEL_IDS),
        zone: z.enum(ZONE_IDS).default('air'),
        value: z.number({ error: 'A reading is a number' }),
        /** An infrared thermometer reads a surface, not the air. */
        surface: z.literal(true).optional(),
      })
      .superRefine(({ channel, value }, context) => {
        const problem = implausible(channel, value)
        if (problem) context.addIssue({ code: 'custom', path: ['value'], message: problem })
      }),
    apply(state, { channel, zone, value }, entry) {
      const read = { ...seen(entry), at: Date.parse(entry.at), channel, zone, value }
      state.measured = [...(state.measured ?? []), read].slice(-MEASURED_KEPT)
    },
    wording: (d, { tempUnit }) =>
      `${upperFirst(ZONES[d.zone])} read at ${tellRead(d, tempUnit)}${d.surface ? ', surface' : ''}`,
  }),
  defineKind({
    kind: 'alarmAnswered',
    subject: 'place',
    verb: 'Answer alarm',
    data: z.strictObject({ alarm: z.string().min(1).max(160), why: lineOfText(200, 'Say why it may be silent') }),
    apply(state, { alarm, why }, entry) {
      state.answered = { ...state.answered, [alarm]: { at: Date.parse(entry.at), why } }
    },
    wording: d => `Alarm answered: ${d.why}`,
    fields: {
      why: {
        label: 'Why it may be silent until it is over',
        as: 'text',
        needed: true,
        example: 'Lamp is ordered; looked at each',
      },
    },
  }),
  defineKind({
    kind: 'cared',
    subject: 'place',
    verb: 'Record care',
    data: z.strictObject({
      job: jobId,
      /** Places in it that were left out. */
      but: z.array(reference('place')).max(500).optional(),
      /** Nothing, where the list is empty; not said, where there is none. */
      found: z.array(z.enum(FINDINGS)).max(FINDINGS.length).optional(),
      note: freeText(300).optional(),
    }),
    apply(state, { job, but, found, note }, entry) {
      state.care = withCare(state.care, job, entry, but, found)
      if (found?.length || note)
        state.found = [
          ...(state.found ?? []),
          { entryId: entry.id, day: entry.day, what: found ?? [], note: note ?? null },
        ].slice(-FOUND_KEPT)
    },
    check: (_, { job }, __, { house }) => noSuchJob(job, house),
    wording: d =>
      [
        `${isRoundJob(d.job) ? JOB_WORDS[d.job].done : 'Job done'}${d.but?.length ? `, all but ${d.but.length}` : ''}`,
        ...(d.found && !d.found.length ? ['nothing found'] : []),
        ...(d.found?.length ? [`found ${d.found.map(f => FINDING_WORDS[f]).join(', ')}`] : []),
        ...(d.note ? [d.note] : []),
      ].join('; '),
  }),
  defineKind({
    kind: 'findingSettled',
    subject: 'place',
    verb: 'Settled',
    data: z.strictObject({ of: z.string().min(1).max(80), note: freeText(300).optional() }),
    apply(state, { of }) {
      state.found = state.found?.filter(f => f.entryId !== of)
    },
    check: (state, { of }) =>
      state.found?.some(f => f.entryId === of) ? null : { path: 'data.of', message: 'This is settled already' },
    wording: d => `What was found is settled${d.note ? `: ${d.note}` : ''}`,
  }),
  defineKind({
    kind: 'rhythmSet',
    subject: 'place',
    verb: 'Set rhythm',
    data: z.strictObject({
      job: jobId,
      /** Null: not done here. Left out: as the species want it. */
      everyDays: z
        .number({ error: 'Every so many days: a number' })
        .min(0.25, 'Four times a day at most')
        .max(2000, 'Every 2000 days at least')
        .nullable()
        .optional(),
    }),
    apply(state, { job, everyDays }) {
      const { [job]: _, ...others } = state.rhythms ?? {}
      state.rhythms = everyDays === undefined ? others : { ...others, [job]: everyDays }
    },
    check: (_, { job }, __, { house }) => noSuchJob(job, house),
    wording: d =>
      `${isRoundJob(d.job) ? JOB_WORDS[d.job].name : 'Job'}: ${d.everyDays === undefined ? 'as the species want it' : d.everyDays === null ? 'not done here' : `every ${d.everyDays} days`}`,
  }),
]
