import { z } from 'zod'
import type { Day } from '../chance'
import { lineOfText } from '../reference'
import { isCurrency, isTimeZone } from '../units'

const LATEST_DAY = Date.UTC(2100, 0, 1) / 86_400_000

/** Appetite of the house, in times of the ladder: no more and no less is taken. */
export const APPETITE = { least: 0.2, most: 5 }

/** What cups yield here, in times of the almanac. */
const CUP_YIELD = { least: 0.1, most: 5 }

export const WASTE_AT_MOST = 0.5

/** How much is offered, in times of the ladder: what is eaten, and what is never. */
export const offeredTimes = ({ appetite, waste }: Pick<HouseSettings, 'appetite' | 'waste'>): number =>
  appetite / (1 - waste)

/** The house's own ways: they steer every computation and can be changed in Settings or, for a try, in a what-if. */
export const HouseSettings = z.strictObject({
  houseName: lineOfText(60, 'The house needs a name'),
  timeZone: z.string().refine(isTimeZone, 'This time zone is not known; write it as Europe/Berlin'),
  /** Day on which cups are started and orders go out: 0 = Sunday. */
  cultureWeekday: z.number().int().min(0).max(6),
  /** Share of scenarios whose need the plan covers. */
  coverQuantile: z
    .number({ error: 'The share must be a number' })
    .min(0.5, 'Under one half is a plan to fail')
    .max(0.99, 'Nothing alive is surer than 99 in 100'),
  /** Seasons without a hungry day that are aimed at, as a share: spares are planned to reach it; null = none for that. */
  safeSeasons: z
    .number({ error: 'The aim must be a number of seasons in 100' })
    .min(0.5, 'Under one half is a plan to fail')
    .max(0.99, 'Nothing alive is surer than 99 in 100')
    .nullable(),
  massUnit: z.enum(['g', 'oz']),
  tempUnit: z.enum(['°C', '°F']),
  schools: z.record(z.string().max(120), z.string().max(60)),
  /** Appetite and cup yield against the almanac, 1 = the same. */
  appetite: z
    .number({ error: 'The appetite must be a number' })
    .min(APPETITE.least, `At least ${100 * APPETITE.least} % of the ladder`)
    .max(APPETITE.most, `At most ${100 * APPETITE.most} % of the ladder`),
  /** Of what is offered, so large a share is never eaten: it gets away, dies, or is taken out again. */
  waste: z
    .number({ error: 'What is left must be a share' })
    .min(0, 'Less than nothing cannot be left')
    .max(WASTE_AT_MOST, 'Over half is left: offer less instead'),
  cupYield: z
    .number({ error: 'The yield must be a number' })
    .min(CUP_YIELD.least, `At least ${100 * CUP_YIELD.least} % of the almanac`)
    .max(CUP_YIELD.most, `At most ${100 * CUP_YIELD.most} % of the almanac`),
  /** Minutes there are for starting cultures on one day; null = as long as it takes. */
  cultureMinutes: z
    .number({ error: 'The time must be a number of minutes' })
    .min(5, 'In under five minutes nothing is started')
    .max(1440, 'A day has 1440 minutes')
    .nullable(),
  /** What may be spent on orders in a week, in the money of the house; null = as much as it takes. */
  orderMoney: z
    .number({ error: 'The sum must be a number' })
    .min(1, 'For less than one nothing is ordered')
    .max(1e6, 'Over a million a week: check the sum')
    .nullable(),
  /** Room there is in the freezer for prey, in litres; null = as much as it takes. */
  freezerLitres: z
    .number({ error: 'The room must be a number of litres' })
    .min(1, 'In under one litre no bag fits')
    .max(10_000, 'Over ten thousand litres: check the room')
    .nullable(),
  /** The money of the house, by its code of three letters. */
  currency: z.string().refine(isCurrency, 'Three letters, as EUR'),
  /** Day (since 1970) on which animals still in the cold are warmed; null = by the species' usual weeks. */
  warmUpDay: z
    .number()
    .int()
    .min(0, 'The warm-up lies before 1970: check the year')
    .max(LATEST_DAY, 'The warm-up lies after 2100: check the year')
    .nullable(),
  /** Where the house stands, degrees north, for the length of days outside; null = twelve hours all year. */
  latitude: z
    .number({ error: 'The latitude must be a number of degrees' })
    .min(-90, 'A latitude lies between −90 and 90')
    .max(90, 'A latitude lies between −90 and 90')
    .nullable(),
  /** Chance from which a sex is taken as known. */
  sexCertainty: z
    .number({ error: 'The certainty must be a number' })
    .min(0.8, 'Under 80 % is a guess')
    .max(0.9999, 'Nothing but a proof is that certain'),
  /** Degrees added to every incubator, °C: for a what-if. */
  incubationShiftC: z.number().min(-10).max(10),
})
export type HouseSettings = z.infer<typeof HouseSettings>

export const defaultSettings: HouseSettings = {
  houseName: 'My house',
  timeZone: 'UTC',
  cultureWeekday: 0,
  coverQuantile: 0.9,
  safeSeasons: null,
  massUnit: 'g',
  tempUnit: '°C',
  schools: {},
  appetite: 1,
  waste: 0,
  cupYield: 1,
  cultureMinutes: null,
  orderMoney: null,
  freezerLitres: null,
  currency: 'EUR',
  warmUpDay: null,
  latitude: null,
  sexCertainty: 0.99,
  incubationShiftC: 0,
}

/**
 * A warm-up is set for the winter that runs or the next; further off it says nothing, and may be an old one that was
 * left standing.
 */
export const WARM_UP_WITHIN_DAYS = 400

/** The day on which the house wakes all, when it is set and near enough to be meant. */
export function warmUpDayOf({ warmUpDay }: Pick<HouseSettings, 'warmUpDay'>, today: Day): Day | null {
  return warmUpDay !== null && Math.abs(warmUpDay - today) <= WARM_UP_WITHIN_DAYS ? warmUpDay : null
}
