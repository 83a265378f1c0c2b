import { speciesOf, type Species } from '../../almanac'
import { computedInput, factInput, spreadInput, type Reason } from '../../judgement'
import { waysUp, type ClutchState, type House } from '../../subjects'
import type { SeasonContext } from '../context'
import { remembering } from '../remember'

/** What came of clutches that are over: eggs, those that were good, and young out of these. */
export interface Outcome {
  clutches: number
  eggs: number
  fertile: number
  hatched: number
}

const NOTHING: Outcome = { clutches: 0, eggs: 0, fertile: 0, hatched: 0 }
const outOf = (c: ClutchState) => c.hatched.reduce((n, h) => n + h.count, 0)

/** Whether nothing more comes of its eggs: it is closed, or the last followers are long out. */
const isOver = (c: ClutchState, today: number, last: number): boolean =>
  Boolean(c.ended) || (c.hatched.length > 0 && today - c.hatched[0]!.day > 2 * last)

type Asked = Pick<SeasonContext, 'house' | 'almanac' | 'today' | 'memory'>

/** Whose eggs they are: one female's, or one group's; null where neither is known. */
function layerOf(c: ClutchState, house: House): string | null {
  if (c.groupId) return c.groupId
  return (c.pairingId && house.pairings[c.pairingId]?.damId) || null
}

/** The clutch that all eggs of one laying were in at first. */
const layingOf = (c: ClutchState, house: House): string => {
  const from = c.partOf && house.clutches[c.partOf]
  return from ? layingOf(from, house) : c.id
}

const byLayer = remembering<House['clutches'], Map<string, ClutchState[]>>()

/** Clutches that are over by today, by the female or the group that laid them. */
function overByLayer({ house, almanac, today, memory }: Asked): Map<string, ClutchState[]> {
  const last = almanac.common.lastHatch!.value
  return byLayer({ memory }, house.clutches, [today, last, house.pairings], () => {
    const over = new Map<string, ClutchState[]>()
    const all = Object.values(house.clutches)
    // a laying in two boxes is over with the last of them: half of one would count as a small clutch
    const waits = new Set(all.filter(c => !isOver(c, today, last)).map(c => layingOf(c, house)))
    for (const c of all) {
      const layer = c.kind === 'eggs' && !waits.has(layingOf(c, house)) ? layerOf(c, house) : null
      if (layer) over.set(layer, [...(over.get(layer) ?? []), c])
    }
    return over
  })
}

/** What came of the clutches of one female, or one group, that are over by today. @param but a clutch left out */
export function outcomeOf(layerId: string | null, context: Asked, but?: string): Outcome {
  return added(((layerId && overByLayer(context).get(layerId)) || []).filter(c => c.id !== but))
}

/** What came of some clutches together. */
function added(clutches: readonly ClutchState[]): Outcome {
  const sum = { ...NOTHING }
  for (const c of clutches) {
    const fertile = c.eggs - c.slugs
    if (!c.partOf) sum.clutches++
    sum.eggs += c.eggs
    sum.fertile += fertile
    sum.hatched += outOf(c)
  }
  return sum
}

/** The mean of a beta posterior: the usual share weighs as much as `weight` eggs (Gelman et al., Bayesian Data Analysis). */
export const shrunk = (usual: number, weight: number, good: number, of: number): number =>
  (usual * weight + good) / (weight + of)

export interface HatchShares {
  fertility: number
  hatch: number
  /** Of tadpoles that turn; 1 for what hatches whole. */
  larval: number
  reasons: (candled: boolean) => Reason['inputs']
}

/**
 * The shares of a species, drawn toward what came of one female's, or one group's, eggs before.
 * @param around what came of other eggs in the same incubator: the usual hatch is drawn toward it first
 */
export function sharesOf(
  species: Species,
  before: Outcome,
  { almanac }: Pick<SeasonContext, 'almanac'>,
  around: Outcome = NOTHING,
): HatchShares {
  const { fertilityShrink, hatchShrink, incubatorShrink } = almanac.common
  const usual = shrunk(species.hatchRate.value, incubatorShrink!.value, around.hatched, around.fertile)
  const path = `species.${species.id}`
  const own = before.clutches > 0 && species.mode === 'egg'
  const fertility = own
    ? shrunk(species.fertility.value, fertilityShrink!.value, before.fertile, before.eggs)
    : species.fertility.value
  const hatch = own ? shrunk(usual, hatchShrink!.value, before.hatched, before.fertile) : usual
  const larval = species.larvalSurvival
  return {
    fertility,
    hatch,
    larval: larval?.value ?? 1,
    reasons: candled => [
      ...(candled ? [] : [factInput('Good eggs', `${path}.fertility.value`, species.fertility)]),
      factInput('Hatch of good eggs', `${path}.hatchRate.value`, species.hatchRate),
      ...(around.fertile
        ? [
            computedInput('In this incubator, of others', `${around.hatched} of ${around.fertile} good eggs out`),
            factInput('The usual hatch weighs there as', 'common.incubatorShrink.value', incubatorShrink!),
            computedInput('Usual here', `${Math.round(usual * 100)} %`),
          ]
        : []),
      ...(larval ? [factInput('Tadpoles that turn', `${path}.larvalSurvival.value`, larval)] : []),
      ...(own
        ? [
            computedInput(
              `Of ${before.clutches} ${before.clutches === 1 ? 'clutch' : 'clutches'} before`,
              `${before.fertile} of ${before.eggs} good, ${before.hatched} out`,
            ),
            ...(candled
              ? []
              : [factInput('The usual fertility weighs as', 'common.fertilityShrink.value', fertilityShrink!)]),
            factInput('The usual hatch weighs as', 'common.hatchShrink.value', hatchShrink!),
            computedInput(
              'So counted',
              `${candled ? '' : `${Math.round(fertility * 100)} % good, `}${Math.round(hatch * 100)} % of these hatch`,
            ),
          ]
        : []),
    ],
  }
}

export interface ClutchSize {
  size: { earliest: number; likely: number; latest: number }
  inputs: Reason['inputs']
}

/** How many eggs a female lays: as the species, drawn toward her own clutches, with the spread of the species about it. */
export function clutchSizeOf(
  species: Species,
  before: Outcome,
  { almanac }: Pick<SeasonContext, 'almanac'>,
): ClutchSize {
  const { earliest, likely, latest } = species.clutchSize
  const usual = spreadInput('Clutch size', `species.${species.id}.clutchSize`, species.clutchSize)
  if (!before.clutches || species.mode !== 'egg') return { size: { earliest, likely, latest }, inputs: [usual] }
  const weight = almanac.common.clutchSizeShrink!
  const own = (likely * weight.value + before.eggs) / (weight.value + before.clutches)
  const moved = own - likely
  return {
    size: {
      earliest: Math.min(own, Math.max(Math.min(1, earliest), earliest + moved)),
      likely: own,
      latest: Math.max(own, latest + moved),
    },
    inputs: [
      usual,
      computedInput('Her own', `${(before.eggs / before.clutches).toFixed(1)} in ${before.clutches}`),
      factInput('The usual size weighs as', 'common.clutchSizeShrink.value', weight),
      computedInput('So counted', `about ${own.toFixed(1)}`),
    ],
  }
}

const byIncubator = remembering<House['clutches'], Map<string, ClutchState[]>>()

const incubatorOf = (c: ClutchState, house: House): string | null =>
  [...waysUp(house.places, c.placeId)].find(p => p.kind === 'incubator')?.id ?? null

/**
 * What came of the clutches that are over of the same species in the same incubator, and not of the same layer: what
 * these share with it is the box and its heat. Nothing where it lies in none.
 */
export function outcomeAround(clutch: ClutchState, context: Asked): Outcome {
  const { house, almanac, today } = context
  const last = almanac.common.lastHatch!.value
  const where = clutch.kind === 'eggs' ? incubatorOf(clutch, house) : null
  if (!where) return NOTHING
  const over = byIncubator(context, house.clutches, [today, last, house.pairings, house.places], () => {
    const by = new Map<string, ClutchState[]>()
    for (const c of [...overByLayer(context).values()].flat()) {
      const key = `${c.speciesId} ${incubatorOf(c, house)}`
      by.set(key, [...(by.get(key) ?? []), c])
    }
    return by
  })
  const layer = layerOf(clutch, house)
  return added((over.get(`${clutch.speciesId} ${where}`) ?? []).filter(c => layerOf(c, house) !== layer))
}

/** What came of the clutches before one, of the same female or group. */
export const outcomeBefore = (clutch: ClutchState, context: Asked): Outcome =>
  outcomeOf(layerOf(clutch, context.house), context, clutch.id)

/** The shares that the eggs of a clutch are counted at. */
export const hatchShares = (clutch: ClutchState, context: Asked): HatchShares =>
  sharesOf(
    speciesOf(context.almanac, clutch.speciesId),
    outcomeBefore(clutch, context),
    context,
    outcomeAround(clutch, context),
  )

/** What lanes depend on of it. */
export const outcomeKey = ({ clutches, eggs, fertile, hatched }: Outcome): string =>
  [clutches, eggs, fertile, hatched].join()
