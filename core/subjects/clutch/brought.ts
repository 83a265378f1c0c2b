import { z } from 'zod'
import { defineKind } from '../../log'
import { reference } from '../../reference'
import { counted, dayFromIso, formatFullDay } from '../../units'
import { tag } from '../fields'
import { eggTempC } from '../laying'

const whole = (what: string) =>
  z
    .number({ error: `${what} must be a number` })
    .int(`${what} must be a whole number`)
    .min(0, `${what} cannot be negative`)
    .max(10_000, `${what}: over 10,000 is not believable`)

/** Eggs that were bought, given or found, and whose dam is not known here. */
export const BroughtData = z
  .strictObject({
    tag,
    speciesId: reference('species'),
    eggs: whole('Eggs').min(1, 'At least one egg'),
    slugs: whole('Slugs').default(0),
    /** The day of laying, and how many days either way it may have been. */
    laid: z.iso.date('A day is written as 2026-06-12'),
    give: whole('Days either way').max(60, 'Over 60 days either way is no day').default(0),
    from: z.string().trim().max(120, 'At most 120 letters').optional(),
    tempC: eggTempC.nullable().default(null),
    placeId: reference('place').nullable().default(null),
  })
  .refine(d => d.slugs <= d.eggs, { path: ['slugs'], message: 'More slugs than eggs' })
export type BroughtData = z.output<typeof BroughtData>

export const broughtKinds = [
  defineKind({
    kind: 'eggsBrought',
    subject: 'clutch',
    verb: 'Add eggs',
    founds: 'clutch',
    data: BroughtData,
    fields: {
      tag: { label: 'Tag of the clutch', as: 'text', needed: true },
      speciesId: { label: 'Species', as: 'species', needed: true },
      eggs: { label: 'Eggs', as: 'count', needed: true },
      slugs: { label: 'Of these, slugs', as: 'count' },
      laid: { label: 'Laid about', as: 'day', past: true, needed: true },
      give: { label: 'Days either way', as: 'count', help: '0, where the day is known' },
      from: { label: 'From', as: 'text', hint: 'where known' },
      placeId: { label: 'Put into', as: 'place' },
      tempC: { label: 'Kept at', as: 'temperature', help: 'If it is not read' },
    },
    apply() {},
    check(_, data, entry, { almanac }) {
      const species = almanac.species[data.speciesId]
      if (species?.mode === 'live') return { path: 'data.speciesId', message: `${species.name} bears live young` }
      if (dayFromIso(data.laid) > entry.day)
        return { path: 'data.laid', message: 'They cannot be laid after the day on which they came' }
      const oldest = almanac.common.eggsOldest!.value
      return dayFromIso(data.laid) < entry.day - oldest
        ? { path: 'data.laid', message: `Eggs that were laid over ${oldest} days ago do not hatch: check the year` }
        : null
    },
    wording: d =>
      `${counted(d.eggs, 'egg')} brought${d.from ? ` from ${d.from}` : ''}, laid ${formatFullDay(dayFromIso(d.laid))}${d.give ? ` give or take ${counted(d.give, 'day')}` : ''}`,
  }),
]
