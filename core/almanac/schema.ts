import { z } from 'zod'
import { lineOfText } from '../reference'
import { Fact, Mark, Name, Spread, provenance } from './fact'
import { Feeder } from './feederSchema'
import { Climate, Company, Home, Rounds } from './placeSchema'

export { Fact, Mark, Spread }
export {
  Feeder,
  Supply,
  Upkeep,
  type BatchSigns,
  type ColonyRates,
  type Grows,
  type Box,
  type Recipe,
  type StandIn,
} from './feederSchema'
export { CLIMATE_ZONES, type Band, type Climate, type Company, type Home, type Rounds } from './placeSchema'

/** What can happen to a pair and its young, in the order of the year. */
export const BREEDING_EVENTS = [
  'warmUp',
  'ready',
  'introduced',
  'copulation',
  'ovulation',
  'postOvulationShed',
  'preLayShed',
  'laid',
  'born',
  'hatched',
  'metamorphosed',
  'firstMeal',
] as const
export const BreedingEvent = z.enum(BREEDING_EVENTS)
export type BreedingEvent = z.infer<typeof BreedingEvent>

/** From one event to the next, with the chance that the next comes at all. */
export const Clock = z.strictObject({ from: BreedingEvent, to: BreedingEvent, days: Spread, comes: Fact })
export type Clock = z.infer<typeof Clock>

/** What a name may be called: of one line, since it travels into files whose lines mean something. */
export const LadderStep = z.strictObject({
  /** Days since the first meal. */
  fromDay: z.number().int().min(0),
  everyDays: z.number().min(1).max(365),
  meal: z
    .array(
      z.strictObject({
        prey: z.string(),
        count: z.number().positive().max(100_000),
        /** So much of it is to be that prey itself, whatever may stand for it; left out, nothing. */
        least: z.number().min(0, 'A share lies between 0 and 1').max(1, 'A share lies between 0 and 1').optional(),
      }),
    )
    .min(1),
  ...provenance,
})
export type LadderStep = z.infer<typeof LadderStep>

/** Loss per month where no law of metabolism is published for the animal. */
const ColdLoss = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('squamate') }),
  z.strictObject({ by: z.literal('month'), share: Fact }),
])

/** A rest of tropical species: what differs from true cold. */
const Rest = z.strictObject({ nightC: Fact, foodShare: Fact, dry: z.boolean(), maleBeforeEndDays: Fact })

/** What the winter of a species asks for, and what it may cost. */
const Cold = z
  .strictObject({
    /** Band of the hold; below `floorC` it is harmed, above `ceilingC` it burns reserves and must not stay long. */
    lowC: Fact,
    highC: Fact,
    holdC: Fact,
    floorC: Fact,
    ceilingC: Fact,
    /** Usual warm temperature before and after. */
    warmC: Fact,
    weeks: Spread,
    gutClearDays: Spread,
    baths: z.boolean(),
    stepDownDays: Fact,
    lightHours: Fact,
    minAgeDays: Fact,
    watchLoss: Fact,
    takeOutLoss: Fact,
    loss: ColdLoss,
    /** Scale, water drunk and last droppings: what two weighings differ by without meaning anything. */
    weighingNoise: Fact,
    company: z.enum(['sameSex', 'never']),
    sizeRatio: Fact,
    /** After it: warmth to the first meal taken, to the first shed (snakes), and share of the weight regained a day. */
    firstMeal: Spread,
    firstShed: Spread,
    regainPerDay: Spread,
    rest: Rest.optional(),
  })
  .refine(c => c.watchLoss.value < c.takeOutLoss.value, 'The watch limit must lie below the limit to take it out')
  .refine(
    c =>
      c.floorC.value <= c.lowC.value &&
      c.lowC.value <= c.holdC.value &&
      c.holdC.value <= c.highC.value &&
      c.highC.value <= c.ceilingC.value,
    'The hold lies inside its band, and the band between floor and ceiling',
  )
export type Cold = z.infer<typeof Cold>

/** A measurement that is about normal within one sex. */
export const Measure = z.strictObject({
  mean: z.number().positive().max(1000),
  sd: z.number().positive().max(200),
  unit: z.string(),
  ...provenance,
})
export type Measure = z.infer<typeof Measure>
const BySex = z.strictObject({ female: Measure, male: Measure })

/** Signs of sex that are read by eye. */
export const SEX_SIGNS = ['tailShape', 'bulge', 'pores', 'spurs', 'ventScales', 'shell', 'behaviour'] as const
export const SexSign = z.enum(SEX_SIGNS)
export type SexSign = z.infer<typeof SexSign>

/** How far a sign is right in grown and in young animals; null where it cannot be read yet. */
const SignRow = z.strictObject({
  id: SexSign,
  name: z.string(),
  how: z.string(),
  rightGrown: Fact,
  rightYoung: Fact.nullable(),
})
export type SignRow = z.infer<typeof SignRow>

/** How a species' sexes differ. */
const Sexing = z.strictObject({
  system: z.enum(['ZW', 'XY', 'temperature', 'clonal', 'unknown']),
  systemFrom: z.strictObject(provenance),
  /** Subcaudal scales passed by the probe; not in animals lighter than `probeFromG`. */
  probe: BySex.optional(),
  probeFromG: Fact.optional(),
  subcaudals: BySex.optional(),
  /** Tail of total length, per cent; of grown animals and of young. */
  tailShare: BySex.optional(),
  signs: z.array(SexSign),
  /** Bites that can kill: never probed by anyone who is not trained and licensed. */
  venomous: z.boolean().optional(),
})
export type Sexing = z.infer<typeof Sexing>

/** Growth of the follicles towards ovulation. */
const Follicles = z.strictObject({ ovulateMm: Spread, mmPerDay: Spread })

/** How a species is put together, and what the female can bear. */
const Mating = z.strictObject({
  maleFromDays: Fact,
  femaleFromDays: Fact,
  /** Least weight of a female that breeds, as a share of a usual adult. */
  femaleMassShare: Fact,
  /** Heavier over lighter: past it the smaller one is at risk. */
  sizeRatio: Fact,
  visitDays: Fact,
  restDays: Fact,
  locksWanted: Fact,
  females: Fact,
  social: z.boolean(),
  /** The male goes in again for a few days after every clutch, fertile or not. */
  afterClutch: z.boolean(),
  eatsMates: z.boolean().optional(),
  follicles: Follicles.optional(),
  /**
   * Weight after laying against the weight before the season: below it she rests; from the other on she may go again.
   */
  restBelow: Fact,
  againFrom: Fact,
})
export type Mating = z.infer<typeof Mating>

/** A time before eggs develop: a pause in the cool, or in the dry. */
const EggPhase = z.strictObject({
  name: Name,
  days: Spread,
  lowC: Fact,
  highC: Fact,
  /** How they are kept in it, and what ends it. */
  how: z.string().max(300),
})
export type EggPhase = z.infer<typeof EggPhase>

const Incubation = z.strictObject({
  /** Phases before development; the table counts from the end of the last one. */
  phases: z.array(EggPhase).min(1).max(4).optional(),
  /** Hard shells only lose water, and lie drier; soft ones take it up. */
  shell: z.enum(['soft', 'hard']).optional(),
  /** From the first hole in the shell to the young being out. */
  pipToOut: Spread.optional(),
  points: z
    .array(z.strictObject({ tempC: z.number().min(5).max(45), days: z.number().positive().max(1000), ...provenance }))
    .min(2, 'A table needs two temperatures')
    .max(40)
    .refine(points => new Set(points.map(p => p.tempC)).size === points.length, 'Each temperature stands once')
    .refine(
      points =>
        [...points].sort((a, b) => a.tempC - b.tempC).every((p, i, all) => i === 0 || p.days < all[i - 1]!.days),
      'Warmer must be quicker: the incubation table must fall with temperature',
    ),
  usualTempC: Fact,
  lethalAboveC: Fact,
  /** Earliest and latest as a share of the likely time. */
  spreadShare: Fact,
})
export type Incubation = z.infer<typeof Incubation>

/** Every how many meals a powder is due. Exactly one source of vitamin D3 at a time: under UVB the powder has none. */
const Supplements = z.strictObject({ calciumEvery: Fact, vitaminsEvery: Fact, d3Every: Fact })
export type Supplements = z.infer<typeof Supplements>

/** How readily young change from live prey to thawed: the share that did by the third and by the twentieth offer. */
const Weaning = z.strictObject({ byThree: Fact, byTwenty: Fact }).refine(w => w.byThree.value < w.byTwenty.value, {
  path: ['byTwenty'],
  message: 'More of them have changed by the twentieth offer than by the third',
})
export type Weaning = z.infer<typeof Weaning>

export const Species = z.strictObject({
  id: z.string().min(1).max(80),
  name: Name,
  latin: lineOfText(80),
  /** The species that this is a type of: a locality, a line, a domestic form. They breed with each other. */
  typeOf: z.string().optional(),
  /** Kept for what is written of it, and offered no more. */
  retired: z.boolean().optional(),
  group: z.enum(['snake', 'lizard', 'tortoise', 'frog']),
  mode: z.enum(['egg', 'live', 'larval']),
  winter: z.enum(['brumation', 'dormancy', 'none']),
  /** Winter of a species that has one: true cold, or a rest. */
  cold: Cold.optional(),
  /** Healthy mass of a tortoise from its straight carapace length L: mass = constant · L³ (Jackson's curve). */
  shellMass: z.strictObject({ gPerCm3: Fact, lowShare: Fact, highShare: Fact }).optional(),
  sexing: Sexing.optional(),
  mating: Mating.optional(),
  matureDays: Fact,
  adultMassG: Fact,
  youngMassG: Fact,
  clocks: z.record(z.string(), Clock),
  /** Laying to the next laying of one season. */
  nextClutch: z.strictObject({ days: Spread, perSeason: Spread, comes: Fact }).optional(),
  clutchSize: Spread,
  /** Share of eggs that are good, and share of good eggs (or of unborn) that come out alive. */
  fertility: Fact,
  hatchRate: Fact,
  larvalSurvival: Fact.optional(),
  incubation: Incubation.optional(),
  sexByTemperature: z.array(z.strictObject({ tempC: z.number(), femaleShare: z.number(), ...provenance })).optional(),
  survival90: Fact,
  keptDays: Fact,
  eats: z.enum(['rodents', 'insects', 'plants']),
  ladder: z
    .array(LadderStep)
    .min(1, 'A ladder needs a first step')
    .max(60)
    .refine(steps => steps[0]?.fromDay === 0, 'The first step of a ladder is from the first meal, day 0')
    .refine(
      steps => steps.every((s, i) => i === 0 || s.fromDay > steps[i - 1]!.fromDay),
      'Each step of a ladder begins later than the one before',
    ),
  climate: Climate.optional(),
  supplements: Supplements.optional(),
  weaning: Weaning.optional(),
  /** Feeders that it is not given: too hard, too large, or too small for it. */
  never: z.array(z.string().max(80)).max(60).optional(),
  rounds: Rounds.optional(),
  company: Company.optional(),
  home: Home.optional(),
  weighEveryDays: z.strictObject({ young: Fact, adult: Fact, cold: Fact }),
  cautions: z.array(z.string().max(400)).max(20),
})
export type Species = z.infer<typeof Species>

/** A question on which keepers disagree, with the choices and their reasons. */
export const School = z.strictObject({
  id: z.string(),
  question: z.string(),
  choices: z
    .array(
      z.strictObject({
        id: z.string(),
        name: z.string(),
        reason: z.string(),
        days: Spread.optional(),
        fact: Fact.refine(
          f => f.unit !== 'share' || f.value > 0,
          'Of one kind there is some share, more than 0',
        ).optional(),
      }),
    )
    .min(2),
  usual: z.string(),
})
export type School = z.infer<typeof School>

export const Almanac = z.strictObject({
  species: z.record(z.string(), Species),
  feeders: z.record(z.string(), Feeder),
  schools: z.record(z.string(), School),
  signs: z.record(z.string(), SignRow),
  /** Numbers that hold for every species. */
  common: z.record(z.string(), Fact),
  sources: z.record(z.string(), z.string()),
})
export type Almanac = z.infer<typeof Almanac>
