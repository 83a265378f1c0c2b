import { z } from 'zod'
import { lineOfText } from '../reference'
import { Fact, Name, Spread } from './fact'

const BatchSigns = z.strictObject({
  seen: z
    .array(z.strictObject({ name: Name, share: Fact }))
    .min(1)
    .max(5)
    .refine(
      s => s.every((x, i) => x.share.value > (s[i - 1]?.share.value ?? 0)),
      'Each is seen later than the one before',
    )
    .refine(s => s.every(x => x.share.value < 1), 'It is seen before the first yield'),
  /** One culture from another: relative spread of these shares. */
  spread: Fact.refine(f => f.value > 0 && f.value < 1, 'A spread lies between 0 and 1'),
  /** Of those that fail: so many get as far as the others before they do. */
  shownByFailing: Fact.refine(f => f.value >= 0 && f.value <= 1, 'A share lies between 0 and 1'),
})
export type BatchSigns = z.infer<typeof BatchSigns>

const Batch = z.strictObject({
  kind: z.literal('batch'),
  unit: z.string(),
  /** Bought as a culture that is about to yield: its wait is that of the delivery, whatever the warmth. */
  boughtProducing: z.boolean().optional(),
  toProducing: Spread,
  atTempC: Fact,
  baseTempC: Fact,
  producingDays: Fact,
  yieldTotal: Fact,
  failure: Fact,
  keepDays: Fact,
  /** Age at which it goes, yield or not: mites are quicker than the last flies. */
  outAfterDays: Fact.optional(),
  /**
   * It is kept on for what the first flies, or beetles, laid in it: the first flush lasts so long, so many days after
   * its first yield the second begins, and of all it gives so large a share. Its days of yield and all that it gives are
   * those of both.
   */
  secondFlush: z
    .strictObject({ firstDays: Fact, afterDays: Fact, share: Fact })
    .refine(f => f.firstDays.value >= 1, { path: ['firstDays'], message: 'It lasts a day at least' })
    .refine(f => f.afterDays.value >= f.firstDays.value, {
      path: ['afterDays'],
      message: 'The second begins when the first is over',
    })
    .refine(f => f.share.value > 0 && f.share.value < 1, { path: ['share'], message: 'A share lies between 0 and 1' })
    .optional(),
  /** About how many fall out of it at once, by how hard it is shaken. */
  shake: z.strictObject({ light: Fact, usual: Fact, hard: Fact }).optional(),
  /** What is seen in it before it yields, in order, and how far on the way to its first yield it then is. */
  signs: BatchSigns.optional(),
})
const Colony = z.strictObject({
  kind: z.literal('colony'),
  unit: z.string(),
  toProducing: Spread,
  yieldPerDay: Fact,
  failure: Fact,
  keepDays: Fact,
})
const Bought = z.strictObject({
  kind: z.literal('bought'),
  unit: z.string(),
  /** Gathered outdoors instead: a pack is what one walk brings. */
  gathered: z.boolean().optional(),
  /** It lies in the freezer until it is thawed, and takes room there. */
  frozen: z.boolean().optional(),
  packCount: Fact,
  leadDays: Fact,
  /** Days on good food before it is fed out. */
  fedFirstDays: Fact.optional(),
  /** So many days after it came half of it is still usable. */
  keepDays: Fact,
  /** Alive, it keeps the longer the cooler it stands, down to so many °C. */
  coolestC: Fact.optional(),
  /** What a pack costs, and whose it is. */
  price: Fact.optional(),
  supplierId: z.string().max(80).optional(),
  /** Days of the week (0 = Sunday) on which parcels leave; without them on any. */
  sendsOn: z.array(z.number().int().min(0).max(6)).min(1).optional(),
})
const Fresh = z.strictObject({ kind: z.literal('fresh'), unit: z.string() })
export const Supply = z.discriminatedUnion('kind', [Batch, Colony, Bought, Fresh])
export type Supply = z.infer<typeof Supply>

/** What may be given in place of a feeder, by weight: of a day's meals no more than that share. */
const StandIn = z.strictObject({ prey: z.string().max(80), mostShare: Fact })
export type StandIn = z.infer<typeof StandIn>

/** How a colony grows: its stages before it is grown, what they last and who survives, and what the grown ones bear. */
const ColonyRates = z
  .strictObject({
    stages: z
      .array(z.strictObject({ name: Name, days: Fact, survives: Fact, fed: z.boolean() }))
      .min(1)
      .max(6)
      .refine(s => s.every(x => x.days.value >= 1), 'A stage lasts a day at least')
      .refine(s => s.every(x => x.survives.value > 0 && x.survives.value <= 1), 'A share lies between 0 and 1'),
    adultDays: Fact,
    youngPerDay: Fact,
    atTempC: Fact,
    baseTempC: Fact,
    /** It grows alike whatever the warmth of its room. */
    warmBlooded: z.literal(true).optional(),
    capacity: Fact,
  })
  .refine(r => r.adultDays.value >= 1 && r.capacity.value >= 1 && r.youngPerDay.value >= 0, 'It needs a life, and room')
  .refine(r => r.atTempC.value > r.baseTempC.value, 'It grows above its base temperature')
export type ColonyRates = z.infer<typeof ColonyRates>

/** How one culture is started: of what, how, and with how many animals. */
const Recipe = z.strictObject({
  founders: Fact,
  /** They are grown ones of a colony, of which nothing is fed off: nothing that is eaten is taken for them. */
  foundersGrown: z.literal(true).optional(),
  parts: z
    .array(z.strictObject({ what: Name, amount: Fact }))
    .min(1)
    .max(20),
  how: z.string().max(600),
  /** Minutes that it takes to start one, and the room that it takes, in cups. */
  minutes: Fact.optional(),
  room: Fact.optional(),
})
export type Recipe = z.infer<typeof Recipe>

/** How what is bought alive is kept until it is eaten: what a box for so many of them is made of. */
const Box = z.strictObject({
  holds: Fact.refine(f => f.value >= 1, 'A box holds one at least'),
  parts: z
    .array(z.strictObject({ what: Name, amount: Fact }))
    .min(1)
    .max(12),
  how: z.string().max(600),
})
export type Box = z.infer<typeof Box>

/** What comes round for a feeder while it is kept: in its cultures, or for what was bought and is not eaten yet. */
export const Upkeep = z.strictObject({
  id: z.string().regex(/^[a-z][a-zA-Z]{1,39}$/, 'A short name of letters'),
  what: Name,
  of: z.enum(['culture', 'stock']),
  everyDays: Fact.refine(f => f.value >= 1, 'Once a day at most'),
  toleranceDays: Fact.refine(f => f.value >= 0, 'Days cannot be negative'),
})
export type Upkeep = z.infer<typeof Upkeep>

/** What is kept alive grows: so many days after it came, half of it is counted as the next size. */
const Grows = z
  .strictObject({ into: z.string().max(80), days: Fact })
  .refine(g => g.days.value >= 1, { path: ['days'], message: 'It takes a day at least' })
export type Grows = z.infer<typeof Grows>

export const Feeder = z.strictObject({
  id: z.string().min(1).max(80),
  name: Name,
  one: Name,
  many: Name,
  latin: lineOfText(80).optional(),
  retired: z.boolean().optional(),
  massG: Spread,
  /** Calcium and phosphorus as it is fed, without powder. */
  minerals: z.strictObject({ calcium: Fact, phosphorus: Fact }).optional(),
  /** How this house gets it; other ways stand beside it, to be taken instead. */
  supply: Supply,
  otherWays: z.array(Supply).max(6).optional(),
  /** The best first. */
  standIns: z
    .array(StandIn)
    .max(12)
    .refine(list => new Set(list.map(s => s.prey)).size === list.length, 'Each stands once')
    .refine(list => list.every(s => s.mostShare.value > 0 && s.mostShare.value <= 1), 'A share lies between 0 and 1')
    .optional(),
  recipe: Recipe.optional(),
  box: Box.optional(),
  /** How damp the air beside its cultures is to be, % of what it could hold. */
  humidity: z
    .strictObject({ low: Fact, high: Fact })
    .refine(h => h.low.value >= 0 && h.low.value < h.high.value && h.high.value <= 100, 'From and to, in 0 to 100 %')
    .optional(),
  upkeep: z
    .array(Upkeep)
    .max(8)
    .refine(list => new Set(list.map(u => u.id)).size === list.length, 'Each stands once')
    .optional(),
  colony: ColonyRates.optional(),
  grows: Grows.optional(),
  care: z.string().max(2000),
  cautions: z.array(z.string().max(400)).max(20),
})
export type Feeder = z.infer<typeof Feeder>
