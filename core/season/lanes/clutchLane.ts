import { speciesOf, type BreedingEvent } from '../../almanac'
import { certain, neverHappens } from '../../chance'
import { computedInput, factInput, type Reason } from '../../judgement'
import type { UnwrittenRates } from '../../learning'
import { expectedCount, type MouthSource } from '../../nursery'
import { forecastChain, type EventForecast } from '../../pairing'
import { eggsLeft, tadpolesLeft, youngInGroup, type ClutchState, type Observed } from '../../subjects'
import type { SeasonContext } from '../context'
import { eggClock, hatchByPip, eggsToCome } from '../eggs'
import type { Stage } from '../contracts'
import type { MadeLane } from './madeLane'

const birthEvent = { eggs: 'laid', litter: 'born', spawn: 'laid' } as const

/** The lane of a clutch with something alive: its hatch, its young, and the mouths among them. */
export function clutchLane(clutch: ClutchState, unwritten: UnwrittenRates, context: SeasonContext): MadeLane | null {
  const { almanac, today } = context
  const species = speciesOf(almanac, clutch.speciesId)
  const eggs = clutch.kind === 'litter' ? 0 : eggsLeft(clutch)
  const tadpoles = tadpolesLeft(clutch)
  const young = youngInGroup(clutch)
  if (clutch.ended || eggs + tadpoles + young === 0) return null
  const id = `clutch:${clutch.id}`
  const laidEvent = birthEvent[clutch.kind]
  const incubation = eggClock(clutch, context)
  const observed: Partial<Record<BreedingEvent, Observed>> = {
    [laidEvent]: { day: clutch.startDay, entryId: clutch.id },
  }
  // a box that was looked into had nothing hatched that was not written
  const notBy = clutch.lastCheck ? { hatched: clutch.lastCheck.day } : {}
  const hatch = clutch.hatched[0]
  if (hatch && clutch.kind !== 'litter') observed.hatched = { day: hatch.day, entryId: hatch.entryId }
  const turned = clutch.metamorphosed[0]
  if (turned) observed.metamorphosed = { day: turned.day, entryId: turned.entryId }
  if (clutch.firstFed && young > 0) observed.firstMeal = clutch.firstFed
  const byPip = clutch.kind === 'eggs' ? hatchByPip(clutch, context) : null
  const given = byPip ? { hatched: byPip } : {}
  const events = forecastChain({
    late: almanac.common.clockLate!,
    species,
    observed,
    given,
    incubation,
    today,
    unwritten: unwritten.of,
    notBy,
  })

  const title = clutch.tag
  const mouths: MouthSource[] = []
  const reasons: Reason[] = []
  const openOf = (list: EventForecast[]) => list.find(e => e.event === 'firstMeal')?.dist
  if (young > 0) {
    // young already out eat from their first meal on; counted as they are
    const opens = openOf(events)
    mouths.push({
      id: `${id}:young`,
      laneId: id,
      label: title,
      speciesId: species.id,
      opens: opens?.p.length ? opens : certain(today),
      count: { kind: 'known', count: young },
    })
    reasons.push({
      rule: 'Hatched or born, less losses, sales and those tagged',
      inputs: [computedInput('Alive in the group', `${young}`)],
    })
  }
  if (tadpoles > 0) {
    const { dist } = turned
      ? { dist: certain(today + almanac.common.tadpolesFollow!.value) }
      : {
          dist:
            openOf(
              forecastChain({
                late: almanac.common.clockLate!,
                species,
                observed: { ...observed, firstMeal: undefined },
                given: {},
                incubation,
                today,
                unwritten: unwritten.of,
              }),
            ) ?? neverHappens(),
        }
    const rate = species.larvalSurvival!
    mouths.push({
      id: `${id}:tadpoles`,
      laneId: id,
      label: `${title}, tadpoles`,
      speciesId: species.id,
      opens: dist,
      count: { kind: 'eggs', eggs: { earliest: tadpoles, likely: tadpoles, latest: tadpoles }, each: rate.value },
    })
    reasons.push({
      rule: 'Tadpoles alive times those that usually turn',
      inputs: [
        computedInput('Tadpoles', `${tadpoles}`),
        factInput('Tadpoles that turn', `species.${species.id}.larvalSurvival.value`, rate),
      ],
    })
  }
  const toCome = eggsToCome(clutch, context)
  if (toCome) {
    const { dist, count, low, high, each } = toCome
    // mates are out: those that follow are counted from them, through the clocks that come after hatching
    const chain = forecastChain({
      late: almanac.common.clockLate!,
      species,
      observed: dist ? {} : { [laidEvent]: observed[laidEvent]! },
      given: dist ? { hatched: { dist, reasons: toCome.reasons } } : given,
      incubation,
      today,
      unwritten: unwritten.of,
      notBy: dist ? {} : notBy,
    })
    const opens = openOf(chain)
    if (opens?.p.length)
      mouths.push({
        id: `${id}:eggs`,
        laneId: id,
        label: title,
        speciesId: species.id,
        opens,
        count: { kind: 'eggs', eggs: { earliest: low, likely: count, latest: high }, each },
      })
    reasons.push(...toCome.reasons)
  }
  const stage: Stage = young > 0 || tadpoles > 0 ? 'hatchling' : 'egg'
  return {
    lane: {
      id,
      kind: clutch.kind,
      subject: { type: 'clutch', id: clutch.id },
      title,
      speciesId: species.id,
      stage,
      placeId: clutch.placeId,
      events,
      later: [],
      young: { value: mouths.reduce((n, m) => n + expectedCount(m.count), 0), reasons },
      ...(incubation?.caution && { caution: incubation.caution }),
    },
    mouths,
  }
}
