import { z } from 'zod'
import { Token } from './since'
import { lineOfText } from '#core/reference'
import { AnimalData, Entry, PlaceData, SEXES, type DatedEntry, type House } from '#core/subjects'
import type { Override } from '#core/almanac'
import { HouseSettings, type Alarm, type FeederPlan, type Season, type Task } from '#core/season'

/** So many are written at once, such as a whole house from a list; and no more than this is read of them. */
export const MOST_ENTRIES = 5000
export const MOST_BYTES_OF_ENTRIES = 4_000_000

/** POST /api/entries: all are written, or none. */
export const WriteEntries = z.strictObject({
  entries: z.array(Entry).min(1, 'Nothing to write').max(MOST_ENTRIES, `At most ${MOST_ENTRIES} entries at once`),
  /** The state that was told last: the answer then says what has changed since. */
  since: Token.optional(),
})
export type WriteEntries = z.input<typeof WriteEntries>

/** GET /api/entries */
export const ReadEntries = z.union([
  z.strictObject({ day: z.iso.date('A day is written as 2026-06-12') }),
  z.strictObject({
    subjectType: Entry.shape.subject.shape.type,
    subjectId: z.string().min(1),
    limit: z.coerce.number().int().min(1).max(2000).default(400),
  }),
])
export type TimelineEntry = DatedEntry & { voided: boolean }

/** Made by the sender once for each thing that is meant, so that sending it again does not do it twice. */
const intent = z.uuid('An id is a UUID made by the sender').optional()

/** POST /api/animals */
export const NewAnimal = AnimalData.pick({
  tag: true,
  name: true,
  speciesId: true,
  sex: true,
  born: true,
  placeId: true,
}).extend({
  id: intent,
  speciesId: z.string().min(1, 'Choose a species').max(80),
})
export type NewAnimal = z.input<typeof NewAnimal>

/** POST /api/animals/list: many animals at once, with their parents; all are added, or none. */
export const AddList = z.strictObject({
  csv: z.string().min(1, 'The list is empty').max(900_000, 'The list is larger than 900 kB: send it in parts'),
})
export type AddList = z.input<typeof AddList>
export interface AddedList {
  added: number
  elsewhere: number
}

/** POST /api/clutches/:id/tag: young of a group become animals of their own. */
export const TagYoung = z.strictObject({
  id: intent,
  count: z.number({ error: 'How many must be a number' }).int().min(1, 'At least one').max(300, 'At most 300 at once'),
  prefix: lineOfText(16, 'A prefix is needed'),
  placeId: z.string().nullable().default(null),
  /** Of a group without tags: which sex they are. */
  sex: z.enum(SEXES).optional(),
})
export type TagYoung = z.input<typeof TagYoung>

/** POST /api/places and PUT /api/places/:id */
export const NewPlace = PlaceData.extend({ id: intent })
export type NewPlace = z.input<typeof NewPlace>

/** PUT /api/almanac/overrides */
export const SetOverride = z.strictObject({
  path: z.string().min(3).max(200),
  value: z.number({ error: 'The value must be a number' }),
  note: lineOfText(300).optional(),
})
export type SetOverride = z.input<typeof SetOverride>

export { HouseSettings }

/** PUT /api/settings: all of them, on top of the version that they were read in. */
export const SetSettings = HouseSettings.extend({
  version: z.number({ error: 'The version of the settings must be sent along' }).int(),
  /** Days of written entries may be read anew in another time zone. */
  sure: z.literal(true).optional(),
})
export type SetSettings = z.input<typeof SetSettings>
export interface KeptSettings {
  settings: HouseSettings
  version: number
  /** Entries that are on another day now, where the time zone is another. */
  redated?: number
}

/** GET /api/house: everything the interface and its worker compute from. */
export interface HouseSnapshot {
  version: number
  today: number
  /** True when the day is held for a demonstration. */
  todayFixed: boolean
  settings: HouseSettings
  settingsVersion: number
  overrides: Override[]
  house: House
}

/** GET /api/season: quick, so that forecasts and tasks move at once. */
export interface SeasonSnapshot {
  version: number
  season: Season
  tookMs: number
}

/** GET /api/plans: needs the solver, so it comes a moment later. */
export interface PlansSnapshot {
  version: number
  plans: FeederPlan[]
  /** Plans that could not be worked out. */
  alarms: Alarm[]
  /** What follows from them for today, beside what is started and ordered. */
  tasks: Task[]
  tookMs: number
}
