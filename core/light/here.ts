import type { Almanac } from '../almanac'
import type { Day } from '../chance'
import type { House, LampState, Place } from '../subjects'
import { formatDay } from '../units'
import { fergusonZone } from './ferguson'
import { givesUv, judgeLamp, type LampVerdict } from './lamp'

/** A lamp that gives UV, with what the meter says of it. */
export interface LampHere {
  lamp: LampState
  verdict: LampVerdict
  /** Day of the last reading. */
  readDay: Day | null
}

/**
 * The lamp over a place by the readings at its spot since it hangs as it does; null where no lamp is known to give UV.
 * @param band UV index that is right for those who live there; null where none is known
 * @param common how lamps may hang and how far a meter is out: `lampNearest`, `lampFurthest`, `meterNoise`
 */
export function judgeLampAt(
  house: Pick<House, 'lamps'>,
  place: Place,
  band: { low: number | null; high: number | null } | null,
  common: Almanac['common'],
): LampHere | null {
  const lamp = Object.values(house.lamps).find(l => l.placeId === place.id && l.source && givesUv(l.source))
  if (!lamp?.source || !band) return null
  const since = Math.max(lamp.fittedDay, lamp.hungDay ?? lamp.fittedDay)
  const readings = (place.measured ?? [])
    .filter(m => m.channel === 'uvIndex' && m.day >= since)
    .map(m => ({ day: m.day, uvIndex: m.value }))
  const limits = { low: band.low ?? 0, high: band.high ?? Number.POSITIVE_INFINITY }
  const verdict = judgeLamp(lamp.source, readings, limits, lamp.distanceCm ?? null, {
    nearest: common.lampNearest!.value,
    furthest: common.lampFurthest!.value,
    meterNoise: common.meterNoise!.value,
    meterCounts: common.meterCounts!.value,
  })
  return { lamp, verdict, readDay: readings.at(-1)?.day ?? null }
}

const near = (cm: number | null): string =>
  cm === null || !Number.isFinite(cm) ? '' : ` to about ${Math.round(cm)} cm`

const lets = (share: number) => `${Math.round(share * 100)} %`

const ACTION: Record<LampVerdict['action'], (v: LampVerdict, lamp: LampState, meshLets: number) => string> = {
  fine: () => 'It is right as it hangs.',
  raise: v => `Raise it${near(v.distanceCm)}, and measure again at the spot: eyes and skin burn.`,
  filter: (v, { mesh }, meshLets) =>
    mesh
      ? `A weaker lamp, or closer mesh: this one lets ${lets(mesh)} through, and raised so far it lights the wrong place.`
      : `Put mesh between: at ${lets(meshLets)} let through it would be about ${(v.uvIndex! * meshLets).toFixed(1)}. Or a weaker lamp: raised so far it lights the wrong place.`,
  lower: v => `Lower it${near(v.distanceCm)}, and measure again at the spot; mind its heat.`,
  replace: () => 'Replace it: lowered so far that it gives enough it would burn. Too little brings bone disease.',
  unknown: () => 'Measure the UV index where the animal sits: the meter decides, not the age.',
}

/**
 * What the meter says of a lamp, and what to do: a sentence or two.
 * @param common share of UV that mesh lets through: `meshLets`
 */
export function tellLamp(
  { lamp, verdict, readDay }: LampHere,
  today: Day,
  { meshLets }: Pick<Almanac['common'], string>,
): string {
  const { uvIndex, fadesIn } = verdict
  const zone = uvIndex === null ? null : fergusonZone(uvIndex)
  const said =
    uvIndex === null
      ? ''
      : `UV index ${uvIndex.toFixed(1)}, ${zone === null ? 'over all Ferguson zones' : `Ferguson zone ${zone}`}. `
  const until = (days: number) => formatDay(readDay! + Math.round(days), today)
  const fades =
    fadesIn && Number.isFinite(fadesIn.mid) && fadesIn.mid < 800
      ? ` It fades: too weak about ${until(fadesIn.mid)} (${until(fadesIn.low)}–${until(fadesIn.high)}).`
      : ''
  return `${said}${ACTION[verdict.action](verdict, lamp, meshLets!.value)}${fades}`
}
