import { feederOf, speciesOf, type Almanac } from '../almanac'
import { climateAt, eggLogAt, latelyOf, warmthOver, type NearestLog, type Warmth } from '../climate'
import { fitThermalTime } from '../incubation'
import { computedInput, type Reason } from '../judgement'
import { temperatureAt } from '../places'
import type { ClutchState, CultureState, House, ToldWarmth } from '../subjects'
import { cultureWay } from '../supply'

interface OfEggs {
  house: Pick<House, 'places' | 'climate' | 'clutches' | 'warmth'>
  almanac: Almanac
}
interface OfCultures {
  house: Pick<House, 'places' | 'climate' | 'cultures' | 'warmth'>
  almanac: Pick<Almanac, 'feeders' | 'common'>
}

/** Noon of the day on which something began, in hours since 1970: the hour is mostly not written. */
const beganAt = (day: number): number => day * 24 + 12

/** Finer than any keeper can set or read, and coarse enough that a forecast does not change by the hour. */
const stepped = (t: number): number => Math.round(t * 20) / 20

function told(warmth: Warmth, { placeId }: NearestLog): ToldWarmth {
  return { ...warmth, tempC: stepped(warmth.tempC), goesOnAtC: stepped(warmth.goesOnAtC), placeId }
}

/**
 * The warmth of eggs by the readings of their box or incubator since they were laid; null where nothing is read, or
 * nothing is known of their development. A window has no readings: it is told what they come to (`house.warmth`).
 */
export function eggWarmth(clutch: ClutchState, { house, almanac }: OfEggs): ToldWarmth | null {
  if (house.warmth) return house.warmth[clutch.id] ?? null
  const { incubation } = speciesOf(almanac, clutch.speciesId)
  const near = clutch.kind === 'eggs' && incubation ? eggLogAt(house, clutch.placeId) : null
  if (!near || !incubation) return null
  const { baseC, degreeDays } = fitThermalTime(incubation.points)
  const { eggLinePast, warmthLately } = almanac.common
  const bestC = Math.max(...incubation.points.map(p => p.tempC)) + eggLinePast!.value
  const setC = clutch.tempC ?? temperatureAt(house.places, clutch.placeId) ?? incubation.usualTempC.value
  return told(
    warmthOver(near.log, beganAt(clutch.startDay), setC, {
      baseC,
      bestC,
      degreeDays,
      latelyHours: warmthLately!.value,
    }),
    near,
  )
}

/** The warmth of a growing culture by the readings of its shelf; null where nothing is read. */
export function cultureWarmth(culture: CultureState, { house, almanac }: OfCultures): ToldWarmth | null {
  if (house.warmth) return house.warmth[culture.id] ?? null
  const feeder = feederOf(almanac, culture.feederId)
  const way = cultureWay(feeder, culture)
  const near = way?.kind === 'batch' ? climateAt(house, culture.placeId) : null
  if (!near || way?.kind !== 'batch') return null
  const baseC = way.baseTempC.value
  const atC = way.atTempC.value
  const degreeDays = way.toProducing.likely * (atC - baseC)
  const { cupLinePast, warmthLately } = almanac.common
  const development = { baseC, bestC: atC + cupLinePast!.value, degreeDays, latelyHours: warmthLately!.value }
  const setC = temperatureAt(house.places, culture.placeId) ?? atC
  return told(warmthOver(near.log, beganAt(culture.startDay), setC, development), near)
}

/** The temperature that eggs are counted at: by readings, else as it was written, else that of their place, °C. */
export const eggTempC = (clutch: ClutchState, context: OfEggs): number | null =>
  eggWarmth(clutch, context)?.tempC ?? clutch.tempC ?? temperatureAt(context.house.places, clutch.placeId)

/** The temperature that a culture is counted at: by readings, else that of its place, °C. */
export const cultureTempC = (culture: CultureState, context: OfCultures): number | null =>
  cultureWarmth(culture, context)?.tempC ?? temperatureAt(context.house.places, culture.placeId)

/** What a place is now, by its readings of the last days, else what it is set to, °C. */
export function placeTempC(placeId: string | null, { house, almanac }: OfCultures): number | null {
  const told = house.warmth && placeId ? (house.warmth[placeId]?.goesOnAtC ?? null) : null
  const lately = house.warmth ? told : latelyOfPlace(house, placeId, almanac)?.goesOnAtC
  return lately ?? temperatureAt(house.places, placeId)
}

/** What the readings of the last days come to at a place. */
function latelyOfPlace(house: OfCultures['house'], placeId: string | null, { common }: Pick<Almanac, 'common'>) {
  const hours = common.warmthLately!.value
  const near = climateAt(house, placeId)
  const meanC = near && latelyOf(near.log, hours)
  return near && meanC !== null ? { placeId: near.placeId, meanC, goesOnAtC: stepped(meanC), hours } : null
}

/** How the readings come to the temperature that is counted with. */
export function warmthReason(warmth: ToldWarmth, { house }: { house: Pick<House, 'places'> }): Reason {
  return {
    rule: 'Development added up over the readings, hours without one at what the place is set to; from now on at what the last days read. Then it is as one constant temperature',
    inputs: [
      computedInput('Read at', house.places[warmth.placeId]?.name ?? warmth.placeId),
      computedInput('Hours read', `${warmth.read} of ${warmth.hours}`),
      ...(warmth.meanC === null ? [] : [computedInput('Mean of them', `${warmth.meanC.toFixed(1)} °C`)]),
      computedInput('Goes on at', `${warmth.goesOnAtC.toFixed(1)} °C`),
      computedInput('Counted as', `${warmth.tempC.toFixed(1)} °C`),
    ],
    change: 'Every hour that is read; another setting of the thermostat',
  }
}

/** What readings come to for cultures, and for the places that they stand in, by id. */
export function warmthOfCultures(context: OfCultures): Record<string, ToldWarmth> {
  const { house } = context
  const warmth: Record<string, ToldWarmth> = {}
  for (const culture of Object.values(house.cultures)) {
    const of = culture.finished || culture.failed ? null : cultureWarmth(culture, context)
    if (of) warmth[culture.id] = of
  }
  for (const { id } of Object.values(house.places)) {
    const lately = latelyOfPlace(house, id, context.almanac)
    if (lately) warmth[id] = { ...lately, tempC: lately.goesOnAtC, read: lately.hours }
  }
  return warmth
}

/** What all readings come to: for a window, which has none of them. */
export function warmthOfHouse(context: OfEggs & OfCultures): Record<string, ToldWarmth> {
  const warmth = warmthOfCultures(context)
  for (const clutch of Object.values(context.house.clutches)) {
    const of = clutch.ended ? null : eggWarmth(clutch, context)
    if (of) warmth[clutch.id] = of
  }
  return warmth
}
