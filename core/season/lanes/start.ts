import type { Species } from '../../almanac'
import { certain, conditionUnwritten, lastOf, pert, shift, type Day, type DayDist } from '../../chance'
import { computedInput, entryInput, factInput, settingInput, type Reason } from '../../judgement'
import { inCold, type AnimalState, type Observed, type PairingState } from '../../subjects'
import { formatDay } from '../../units'
import type { SeasonContext } from '../context'
import { programmeFor, readinessOf, wakingOf } from '../winter'

/** When a pair begins, where that was not seen itself: planned, assumed, or read off a measurement. */
export type AssumedStart = { dist: DayDist; reasons: Reason[]; measured?: boolean }

/**
 * The waking that still lies before a pair of a species that is cooled, though no winter is written: by the plan of its
 * group, else by the time of year at which such species are woken where the house stands. Null for one that is awake.
 */
function wakingAhead(
  dam: AnimalState,
  pairing: PairingState,
  species: Species,
  context: SeasonContext,
): AssumedStart | null {
  const { today, almanac, settings } = context
  if (species.winter !== 'brumation' || (dam.warmed && today - dam.warmed.day < almanac.common.warmedCounts!.value))
    return null
  const programme = programmeFor(dam, context)
  if (programme && programme.wakeDay >= today) return { dist: certain(programme.wakeDay), reasons: programme.reasons }
  const { wakeEarliest, wakeLikely, wakeLatest } = almanac.common
  const south = (settings.latitude ?? 1) < 0
  const wake = nextWaking(
    { earliest: wakeEarliest!.value, likely: wakeLikely!.value, latest: wakeLatest!.value },
    pairing.startDay,
    south,
  )
  // set in spring or summer it is awake, and this season is its own
  if (wake.start - pairing.startDay > almanac.common.seasonBefore!.value) return null
  const dist = conditionUnwritten(wake, today, almanac.common.unwrittenWarmUp!.value)
  return {
    dist,
    reasons: [
      {
        rule: `No winter is planned or written, so it is taken to be woken when such species usually are, ${south ? 'south' : 'north'} of the equator`,
        inputs: [
          factInput('Earliest', 'common.wakeEarliest.value', wakeEarliest!),
          factInput('Likely', 'common.wakeLikely.value', wakeLikely!),
          factInput('Latest', 'common.wakeLatest.value', wakeLatest!),
          ...(settings.latitude === null
            ? [computedInput('Latitude', 'not set: taken as north')]
            : [settingInput('Latitude', `${settings.latitude}°`, 'latitude')]),
        ],
        change: 'A winter planned for it, its cooling and warm-up written, or the latitude in Settings',
      },
    ],
  }
}

/** The next waking after a day, by days of the year. */
function nextWaking(days: { earliest: number; likely: number; latest: number }, after: Day, south: boolean): DayDist {
  const year = new Date(after * 86_400_000).getUTCFullYear()
  for (let y = year - 1; ; y++) {
    const from = Date.UTC(y, 0, 0) / 86_400_000 + (south ? 183 : 0)
    if (from + days.latest > after) return shift(pert(days), from)
  }
}

/** When a female's season starts: seen, planned, or by the species' usual weeks of cold. */
export function warmUpOf(
  dam: AnimalState,
  pairing: PairingState,
  species: Species,
  context: SeasonContext,
): AssumedStart {
  if (inCold(dam)) return wakingOf(dam, species, context)
  const { today } = context
  const ahead = wakingAhead(dam, pairing, species, context)
  if (ahead) return ahead
  const start = dam.warmed?.day ?? pairing.startDay
  return {
    dist: certain(start),
    reasons: [
      {
        rule: dam.warmed ? 'Warmed up' : 'Awake since the pair was set',
        inputs: dam.warmed
          ? [entryInput('Warmed up', formatDay(start, today), dam.warmed)]
          : [computedInput('Pair set', formatDay(start, today))],
      },
    ],
  }
}

/**
 * When both of a pair are ready after the cold; seen, when every condition of both was seen. Null when none was in it.
 */
export function readyOf(
  dam: AnimalState,
  sire: AnimalState | null,
  context: SeasonContext,
): (AssumedStart & { since: Observed | null }) | null {
  const both = [dam, sire]
    .filter(a => a !== null)
    .map(animal => ({ animal, readiness: readinessOf(animal, context) }))
    .filter(x => x.readiness !== null)
  if (!both.some(x => x.animal === dam)) return null
  const reasons = both.flatMap(x => x.readiness!.reasons.map(r => ({ ...r, rule: `${x.animal.tag}: ${r.rule}` })))
  const seen = both.map(x => x.readiness!.since)
  const since = seen.every(s => s !== null) ? seen.reduce((a, s) => (s.day > a.day ? s : a)) : null
  return { dist: lastOf(both.map(x => x.readiness!.dist)), reasons, since }
}
