import { z } from 'zod'
import { Fact } from './fact'
import { FITTINGS, SUBSTRATES } from './fittings'

/** From lowest to highest that is right. */
const Band = z
  .strictObject({ low: Fact, high: Fact })
  .refine(b => b.low.value <= b.high.value, 'The low end of a band lies over its high end')
export type Band = z.infer<typeof Band>

/** Parts of a place with a warmth of their own, in the order in which they are told. */
export const CLIMATE_ZONES = ['spot', 'warm', 'air', 'cool', 'night', 'water'] as const

/** What a place should be, in °C by day but for the night; humidity in %, UV index where it sits. */
export const Climate = z
  .strictObject({
    spot: Band.optional(),
    warm: Band.optional(),
    air: Band.optional(),
    cool: Band.optional(),
    night: Band.optional(),
    water: Band.optional(),
    humidity: Band.optional(),
    uvIndex: Band.optional(),
  })
  .refine(c => Object.keys(c).length > 0, 'At least one band must be known')
  .refine(
    c => !c.night || !(c.air ?? c.warm) || c.night.low.value <= (c.air ?? c.warm)!.high.value,
    'The night is warmer than the day',
  )
export type Climate = z.infer<typeof Climate>

/** Every so many days (half a day is twice a day), and how many days late is no harm yet. */
const Rhythm = z.strictObject({ everyDays: Fact, toleranceDays: Fact })

/** Care that comes round where a species lives. */
export const Rounds = z
  .strictObject({
    mist: Rhythm.optional(),
    uvReading: Rhythm.optional(),
    spotClean: Rhythm.optional(),
    lightClean: Rhythm.optional(),
    fullChange: Rhythm.optional(),
    water: Rhythm.optional(),
  })
  .refine(r => Object.keys(r).length > 0, 'At least one job must be known')
  .refine(
    r => Object.values(r).every(job => job.everyDays.value >= 0.25 && job.everyDays.value <= 2000),
    'A job comes round between four times a day and every 2000 days',
  )
  .refine(r => Object.values(r).every(job => job.toleranceDays.value >= 0), 'A tolerance is not under 0 days')
export type Rounds = z.infer<typeof Rounds>

/** With whom one lives outside the cold. */
export const Company = z
  .strictObject({
    lives: z.enum(['alone', 'group']),
    least: Fact.optional(),
    most: Fact.optional(),
    /** Two males fight. */
    oneMale: z.boolean().optional(),
    /** The heaviest against the lightest, at most. */
    sizeRatio: Fact.optional(),
  })
  .refine(c => !c.least || !c.most || c.least.value <= c.most.value, 'A group needs more than it may have')
export type Company = z.infer<typeof Company>

/** The home of one grown animal; what is smaller needs less, by its length. */
export const Home = z
  .strictObject({
    /** What must be in it, and what it is not floored with. */
    musts: z.array(z.enum(FITTINGS)).max(FITTINGS.length).optional(),
    notOn: z.array(z.enum(SUBSTRATES)).max(SUBSTRATES.length).optional(),
    floorM2: Fact,
    /** Least height of those that climb. */
    heightM: Fact.optional(),
    /** Floor of each further one that lives there, of that of the first. */
    furtherShare: Fact.optional(),
  })
  .refine(h => h.floorM2.value > 0 && h.floorM2.value <= 1000, 'A floor lies between 0 and 1000 m²')
  .refine(h => !h.heightM || h.heightM.value <= 10, 'A home is not over 10 m high')
export type Home = z.infer<typeof Home>
