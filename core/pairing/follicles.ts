import type { Almanac, Mating, Species } from '../almanac'
import { conditionFrom, pert, shift, withNever, type Day, type DayDist } from '../chance'
import { factInput, computedInput, entryInput, spreadInput, type Reason } from '../judgement'
import type { PairingState } from '../subjects'
import { formatDay } from '../units'

/**
 * When she ovulates, from the largest follicle seen: what is missing to the usual size over the speed of growth, her
 * own where two looks tell it. Null when none was seen in this cycle or the species' sizes are not known.
 * @param since first day of the cycle
 */
export function ovulationFromFollicles(
  species: Species & { mating: Mating },
  pairing: Pick<PairingState, 'follicles'>,
  since: Day,
  common: Almanac['common'],
  today: Day,
): { dist: DayDist; reasons: Reason[] } | null {
  const { follicles } = species.mating
  const { follicleNoise, folliclesSlower, folliclesFaster, folliclesStalled, folliclesShrinking, folliclesApart } =
    common
  const noise = follicleNoise!.value
  const seen = pairing.follicles.filter(f => f.day > since)
  const last = seen.at(-1)
  if (!follicles || !last) return null
  const first = seen.find(f => last.day - f.day >= folliclesApart!.value) ?? null
  const grown = first ? last.mm - first.mm : null
  const own = first ? grown! / (last.day - first.day) : null
  const shrinks = grown !== null && grown < -noise
  // slower than the slowest by more than two looks can differ
  const stands = grown !== null && !shrinks && grown + noise < follicles.mmPerDay.earliest * (last.day - first!.day)
  const { ovulateMm, mmPerDay } = follicles
  const speed =
    own === null
      ? mmPerDay
      : {
          earliest: Math.max(mmPerDay.earliest, own * folliclesSlower!.value),
          likely: Math.min(mmPerDay.latest, Math.max(mmPerDay.earliest, own)),
          latest: Math.max(Math.min(mmPerDay.latest, own * folliclesFaster!.value), mmPerDay.earliest),
        }
  const days = (mm: number, perDay: number) => Math.max(0, Math.round((mm - last.mm) / perDay))
  const earliest = days(ovulateMm.earliest, speed.latest)
  const likely = Math.max(earliest, days(ovulateMm.likely, speed.likely))
  const latest = Math.max(likely + 1, days(ovulateMm.latest, speed.earliest))
  const never = shrinks ? folliclesShrinking!.value : stands ? folliclesStalled!.value : 0
  const dist = conditionFrom(shift(pert({ earliest, likely, latest }), last.day), today)
  return {
    dist: never ? withNever(dist, never) : dist,
    reasons: [
      {
        rule: shrinks
          ? `Her follicles shrink: they are mostly resorbed, and she ovulates from others or not at all (${Math.round(never * 100)} % counted as not)`
          : stands
            ? `Her follicles have not grown: ${Math.round(never * 100)} % of such cycles are counted as over`
            : own === null
              ? 'What is missing to the usual size at ovulation, over the usual growth'
              : 'What is missing to the usual size at ovulation, over her own growth between two looks',
        inputs: [
          entryInput('Largest follicle', `${last.mm} mm, ${formatDay(last.day, today)}`, last),
          ...(first
            ? [
                entryInput('Before', `${first.mm} mm, ${formatDay(first.day, today)}`, first),
                computedInput('Growth', `${own!.toFixed(2)} mm a day`),
                factInput('May go on as slowly, of that', 'common.folliclesSlower.value', folliclesSlower!),
                factInput('or as quickly', 'common.folliclesFaster.value', folliclesFaster!),
              ]
            : []),
          spreadInput('At ovulation', `species.${species.id}.mating.follicles.ovulateMm`, ovulateMm),
          ...(shrinks ? [factInput('Counted as over', 'common.folliclesShrinking.value', folliclesShrinking!)] : []),
          ...(stands ? [factInput('Counted as over', 'common.folliclesStalled.value', folliclesStalled!)] : []),
          spreadInput('Usual growth', `species.${species.id}.mating.follicles.mmPerDay`, mmPerDay),
        ],
        change: 'Another look by ultrasound; ovulation seen',
      },
    ],
  }
}
