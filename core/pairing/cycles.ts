import type { BreedingEvent, Fact, Species } from '../almanac'
import { convolve, conditionUnwritten, withNever, type Day, type DayDist } from '../chance'
import { factInput, spreadInput, type Reason } from '../judgement'
import type { Observed, PairingState } from '../subjects'
import { clockDist } from './chain'

/** What was seen since the latest laying or birth: the signs of the cycle that runs now. */
export function observedInCycle(pairing: PairingState, species: Species): Partial<Record<BreedingEvent, Observed>> {
  const birth: BreedingEvent = species.mode === 'live' ? 'born' : 'laid'
  const lastBirth = pairing.seen[birth]?.at(-1)?.day ?? Number.NEGATIVE_INFINITY
  const inCycle: Partial<Record<BreedingEvent, Observed>> = {}
  for (const [event, list] of Object.entries(pairing.seen) as [BreedingEvent, Observed[]][]) {
    const latest = list.at(-1)
    if (latest && latest.day > lastBirth && event !== birth) inCycle[event] = latest
  }
  return inCycle
}

export interface NextLaying {
  number: number
  dist: DayDist
  reasons: Reason[]
}

/** Days to the next laying of one female, and what they were learnt from. */
export interface OwnInterval {
  days: { earliest: number; likely: number; latest: number }
  inputs: Reason['inputs']
}

/**
 * The layings still to come in this season after one that was seen or is expected, each less sure than the one before.
 * @param after day of the laying before
 * @param number the number of that laying (1 for the first)
 * @param late share of a clock that comes after its latest day
 * @param unwritten chance that a laying happened and was not written
 * @param own what she was seen to take; null, as her species
 */
export function laterLayings(
  species: Species,
  after: DayDist,
  number: number,
  today: Day,
  late: Fact,
  unwritten = 0,
  own: OwnInterval | null = null,
): NextLaying[] {
  const next = species.nextClutch
  if (!next) return []
  const path = `species.${species.id}.nextClutch`
  const clock = clockDist(own ? { ...next.days, ...own.days } : next.days, late)
  const layings: NextLaying[] = []
  let before = after
  for (let n = number + 1; n <= next.perSeason.latest; n++) {
    // the chance is stated for the second clutch; past the usual number each further one is half as likely
    const usual = Math.max(2, next.perSeason.likely)
    const comes = n <= usual ? next.comes.value : next.comes.value / 2
    const dist = conditionUnwritten(withNever(convolve(before, clock), 1 - comes), today, unwritten)
    if (!dist.p.length) break
    layings.push({
      number: n,
      dist,
      reasons: [
        {
          rule: `Clutch ${n} follows clutch ${n - 1}${n > usual ? '; past the usual number, so half as likely' : ''}`,
          inputs: [
            spreadInput('Laying to next laying', `${path}.days`, next.days),
            ...(own?.inputs ?? []),
            factInput('Chance of another', `${path}.comes`, next.comes),
            spreadInput('Clutches a season', `${path}.perSeason`, next.perSeason),
          ],
          change: 'Rest the female at the first sign of exhaustion: end the season on her page',
        },
      ],
    })
    before = dist
  }
  return layings
}
