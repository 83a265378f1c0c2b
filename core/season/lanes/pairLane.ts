import { speciesOf, type BreedingEvent } from '../../almanac'
import { certain, neverHappens, type DayDist } from '../../chance'
import { computedInput } from '../../judgement'
import type { UnwrittenRates } from '../../learning'
import { expectedCount, type MouthSource } from '../../nursery'
import { chainOf, forecastChain, laterLayings, observedInCycle, ovulationFromFollicles } from '../../pairing'
import { inCold, type AnimalState, type Observed, type PairingState } from '../../subjects'
import { formatDay } from '../../units'
import type { SeasonContext } from '../context'
import type { Stage } from '../contracts'
import { isAhead, seenEvent } from './events'
import type { MadeLane } from './madeLane'
import { readyOf, warmUpOf, type AssumedStart } from './start'
import { intervalsOf, outcomeOf, ownInterval } from '../eggs'
import { expectedYoung, followsOn, incubationOf } from './young'

function stageOfPair(dam: AnimalState, observed: Partial<Record<BreedingEvent, Observed>>): Stage {
  if (inCold(dam)) return 'cooling'
  return observed.copulation || observed.ovulation || observed.preLayShed || observed.postOvulationShed
    ? 'gravid'
    : 'pairing'
}

/** The lane of an open pair: the signs seen and expected, its clutches to come, and the mouths they bring. */
export function pairLane(pairing: PairingState, unwritten: UnwrittenRates, context: SeasonContext): MadeLane | null {
  const { house, almanac, today } = context
  const dam = house.animals[pairing.damId]
  if (!dam || dam.status !== 'alive' || pairing.ended) return null
  const species = speciesOf(almanac, pairing.speciesId)
  const sire = pairing.sireId ? house.animals[pairing.sireId] : null
  const id = `pairing:${pairing.id}`
  const birth: BreedingEvent = species.mode === 'live' ? 'born' : 'laid'
  const births = pairing.seen[birth] ?? []
  const observed = observedInCycle(pairing, species)
  if (
    pairing.clutchIds.length === 0 &&
    dam.warmed &&
    species.winter !== 'none' &&
    dam.warmed.day <= (observed.copulation?.day ?? today)
  )
    observed.warmUp = dam.warmed
  const ready = births.length === 0 && !observed.copulation ? readyOf(dam, sire ?? null, context) : null
  if (ready?.since && observed.warmUp) observed.ready = ready.since
  const limit = species.nextClutch?.perSeason.latest ?? 1
  const done = births.length
  const title = `${dam.tag} × ${sire?.tag ?? 'unknown'}`
  const base = {
    id,
    kind: 'pair' as const,
    subject: { type: 'pairing' as const, id: pairing.id },
    title,
    speciesId: species.id,
    placeId: dam.placeId,
  }

  const interval = ownInterval(intervalsOf(dam.id, species, context), species, context)
  const laterThan = (after: DayDist, number: number) =>
    laterLayings(species, after, number, today, almanac.common.clockLate!, unwritten.of(birth), interval)
  const next = done > 0 ? laterThan(certain(births.at(-1)!.day), done)[0] : undefined
  // a season is over once no further clutch is likely; signs seen after the last laying open another cycle all the same
  if (
    done > 0 &&
    !Object.keys(observed).length &&
    (done >= limit || !next || next.dist.never > almanac.common.seasonOver!.value)
  ) {
    return {
      lane: {
        ...base,
        stage: 'pairing',
        events: births.map(b => seenEvent(birth, b, today)),
        later: [],
        young: {
          value: 0,
          reasons: [
            {
              rule: 'No further clutch is likely in this season',
              inputs: [computedInput('Clutches or litters seen', `${done}`)],
              change: 'A lock or a shed recorded now opens another',
            },
          ],
        },
      },
      mouths: [],
    }
  }

  const incubation = incubationOf(species, null, context)
  const given: Partial<Record<BreedingEvent, AssumedStart>> = {}
  if (done === 0)
    given[chainOf(species)[0]!] =
      species.winter === 'none'
        ? {
            dist: certain(pairing.startDay),
            reasons: [
              {
                rule: 'Together since the pair was set',
                inputs: [computedInput('Pair set', formatDay(pairing.startDay, today))],
              },
            ],
          }
        : warmUpOf(dam, pairing, species, context)
  if (ready && !observed.ready) given.ready = ready
  if (done > 0 && !Object.keys(observed).length) {
    given[birth] = { dist: next!.dist, reasons: next!.reasons }
  }
  const growth =
    species.mating && !observed.ovulation
      ? ovulationFromFollicles(
          { ...species, mating: species.mating },
          pairing,
          births.at(-1)?.day ?? pairing.startDay - 1,
          almanac.common,
          today,
        )
      : null
  if (growth) given.ovulation = { ...growth, measured: true }
  const chain = forecastChain({
    late: almanac.common.clockLate!,
    species,
    observed,
    given,
    incubation,
    today,
    unwritten: unwritten.of,
    ...(dam.lastCheck && { notBy: { [birth]: dam.lastCheck.day } }),
  })
  // a start that was only assumed, and is past, is nothing to look at
  const events = [
    ...births.map(b => seenEvent(birth, b, today)),
    ...chain.filter(e => e.observed || !given[e.event] || e.event === birth || isAhead(e, today)),
  ]
  const laying = events.find(e => e.event === birth && !e.observed)
  const later = laying && species.nextClutch ? laterThan(laying.dist, done + 1) : []
  const young = expectedYoung(species, outcomeOf(pairing.damId, context), context)

  const opens = events.find(e => e.event === 'firstMeal' && !e.observed)?.dist ?? neverHappens()
  const mouths: MouthSource[] = opens.p.length
    ? [
        {
          id: `${id}:${done + 1}`,
          laneId: id,
          label: `${title}, ${birth === 'born' ? 'litter' : 'clutch'} ${done + 1}`,
          speciesId: species.id,
          opens,
          count: young.count,
        },
      ]
    : []
  let before = laying?.dist
  for (const l of later) {
    const after = forecastChain({
      late: almanac.common.clockLate!,
      species,
      observed: {},
      given: { [birth]: { dist: l.dist, reasons: l.reasons } },
      incubation,
      today,
      unwritten: unwritten.of,
    })
    const first = after.find(e => e.event === 'firstMeal')?.dist
    if (first?.p.length && first.never < 0.97)
      mouths.push({
        id: `${id}:${l.number}`,
        laneId: id,
        label: `${title}, clutch ${l.number}`,
        speciesId: species.id,
        opens: first,
        count: young.count,
        ...followsOn(mouths.at(-1), before, first),
      })
    before = l.dist
  }
  return {
    lane: {
      ...base,
      stage: stageOfPair(dam, observed),
      events,
      later: later.map(l => ({ event: birth, number: l.number, dist: l.dist, reasons: l.reasons })),
      young: { value: expectedCount(young.count), reasons: [young.reason] },
      ...(incubation?.caution && { caution: incubation.caution }),
    },
    mouths,
  }
}
