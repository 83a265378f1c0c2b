import { z } from 'zod'
import { reference } from '../reference'
import { tag } from './fields'

const eggs = (what: string) =>
  z
    .number({ error: `${what} must be a number` })
    .int(`${what} must be a whole number`)
    .min(0, `${what} cannot be negative`)
    .max(10_000, `${what}: over 10,000 is not believable`)

export const eggMass = z
  .number({ error: 'The weight must be a number of grams' })
  .positive('Eggs weigh more than nothing')
  .max(20_000, 'Over 20 kg of eggs: check the unit')

export const eggTempC = z
  .number()
  .min(10, 'Incubation under 10 °C is not believable')
  .max(45, 'Incubation over 45 °C kills: check the unit')

/** What is said of a laying, whoever laid. */
export const LayingData = z
  .strictObject({
    tag,
    eggs: eggs('Eggs'),
    slugs: eggs('Slugs').default(0),
    tempC: eggTempC.nullable().default(null),
    placeId: reference('place').nullable().default(null),
    /** Weight of all eggs together. */
    massG: eggMass.optional(),
    foundAt: z.string().trim().max(120, 'At most 120 letters').optional(),
  })
  .refine(d => d.eggs > 0, { path: ['eggs'], message: 'A laying has at least one egg' })
  .refine(d => d.slugs <= d.eggs, { path: ['slugs'], message: 'More slugs than eggs' })

/** What is said of a birth, whoever gave it. */
export const BirthData = z
  .strictObject({
    tag,
    live: eggs('Live young'),
    still: eggs('Stillborn').default(0),
    slugs: eggs('Slugs').default(0),
    placeId: reference('place').nullable().default(null),
  })
  .refine(d => d.live + d.still + d.slugs > 0, { path: ['live'], message: 'A birth has at least one young or slug' })

export const layingFields = {
  slugs: { label: 'Of these, slugs', as: 'count' },
  placeId: { label: 'Put into', as: 'place' },
  tempC: { label: 'Incubated at, if it is not read', as: 'temperature' },
  massG: { label: 'Weight of all together', as: 'mass' },
  foundAt: { label: 'Where they were found', as: 'text' },
} as const
export const birthFields = {
  still: { label: 'Stillborn', as: 'count' },
  slugs: { label: 'Slugs', as: 'count' },
  placeId: { label: 'Young put into', as: 'place' },
} as const

export const tellLaying = (d: z.output<typeof LayingData>): string =>
  `Laid ${d.eggs}${d.slugs ? `, ${d.slugs} of them slugs` : ''}${d.massG ? `, ${d.massG} g together` : ''}${d.foundAt ? `, found ${d.foundAt}` : ''}`
export const tellBirth = (d: z.output<typeof BirthData>): string =>
  `Gave birth to ${d.live} live${d.still ? `, ${d.still} still` : ''}${d.slugs ? `, ${d.slugs} slugs` : ''}`
