import { speciesOf, type Fact } from '../../almanac'
import { certain, convolve, fromWeights, shift, summarise, type DayDist } from '../../chance'
import { incubationTime, phaseStanding, type PhaseStanding } from '../../incubation'
import { computedInput, spreadInput, type Reason } from '../../judgement'
import type { ComputedClock } from '../../pairing'
import type { ClutchState } from '../../subjects'
import { formatDay, formatRange } from '../../units'
import type { SeasonContext } from '../context'
import { eggTempC, eggWarmth, warmthReason } from '../warmth'

/** Where the eggs of a clutch stand in the phases of their species; null where these have none. */
export function eggPhase(
  clutch: ClutchState,
  { almanac, today }: Pick<SeasonContext, 'almanac' | 'today'>,
): PhaseStanding | null {
  const incubation = speciesOf(almanac, clutch.speciesId).incubation
  return clutch.kind === 'eggs' && incubation?.phases
    ? phaseStanding(incubation, clutch.startDay, clutch.phases, today)
    : null
}

/** So many days either way, each as likely. */
const give = (days: number): DayDist => fromWeights(-days, new Array<number>(2 * days + 1).fill(1))

function phaseReason(
  { phase, since, ends, index }: PhaseStanding,
  clutch: ClutchState,
  { almanac, today }: SeasonContext,
): Reason {
  const phases = speciesOf(almanac, clutch.speciesId).incubation!.phases!
  const path = `species.${clutch.speciesId}.incubation.phases`
  return {
    rule: phase
      ? `The eggs are in a phase before development: ${phase.name}. The table counts from its end`
      : 'Development began with the last phase, and the table counts from there',
    inputs: [
      ...phases.map((p, i) => spreadInput(p.name, `${path}.${i}.days`, p.days)),
      computedInput(phase ? 'In it since' : 'Develops since', formatDay(since, today)),
      ...(ends ? [computedInput('Ends', formatRange(summarise(ends)!))] : []),
    ],
    change: index < phases.length ? 'Writing that the next phase began' : 'The day on which the last phase began',
  }
}

/**
 * Laying to hatching of one clutch: through the phases of its species, at the warmth that its eggs have had and have,
 * from a day of laying that may be known to some days only. Null for what is not incubated.
 */
export function eggClock(clutch: ClutchState, context: SeasonContext): ComputedClock | null {
  const { almanac, settings } = context
  const species = speciesOf(almanac, clutch.speciesId)
  const { incubation } = species
  if (clutch.kind !== 'eggs' || !incubation) return null
  const comes: Fact = almanac.common.hatchComes!
  const phase = eggPhase(clutch, context)
  const warmth = eggWarmth(clutch, context)
  const usualC = incubation.usualTempC.value
  // what eggs in a pause lie at says nothing of the warmth that they will develop in
  const tempC = phase?.phase ? usualC : (eggTempC(clutch, context) ?? usualC)
  const { dist, reason, caution } = incubationTime(species.id, incubation, tempC + settings.incubationShiftC)
  const before = phase ? shift(phase.develops, -clutch.startDay) : certain(0)
  const whole = convolve(convolve(before, dist), clutch.startGive ? give(clutch.startGive) : certain(0))
  const more: Reason[] = [
    ...(phase ? [phaseReason(phase, clutch, context)] : []),
    ...(warmth && !phase?.phase ? [warmthReason(warmth, context)] : []),
    ...(clutch.startGive
      ? [
          {
            rule: 'The day of laying is not known to the day',
            inputs: [computedInput('Give or take', `${clutch.startGive} days`)],
          },
        ]
      : []),
  ]
  return { dist: whole, reason, caution, comes, ...(more.length && { more }) }
}
