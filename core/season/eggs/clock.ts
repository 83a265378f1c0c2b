import { speciesOf, type EggPhase, type Fact } from '../../almanac'
import {
  certain,
  conditionFrom,
  convolve,
  fromWeights,
  pert,
  shift,
  summarise,
  withLateTail,
  type DayDist,
} from '../../chance'
import { incubationTime, phaseStanding, type PhaseStanding } from '../../incubation'
import { computedInput, factInput, spreadInput, type Input, type Reason } from '../../judgement'
import type { ComputedClock } from '../../pairing'
import { eggIncubation, pippedNow, type ClutchState } from '../../subjects'
import { formatDay, formatRange } from '../../units'
import type { SeasonContext } from '../context'
import { eggTempC, eggWarmth, warmthReason } from '../warmth'
import { hatchPace } from './pace'

/** Where the eggs of a clutch stand in the phases of their species, or of their programme; null where there are none. */
export function eggPhase(
  clutch: ClutchState,
  { almanac, today }: Pick<SeasonContext, 'almanac' | 'today'>,
): PhaseStanding | null {
  const incubation = eggIncubation(clutch, almanac)
  return clutch.kind === 'eggs' && incubation?.phases
    ? phaseStanding(incubation, clutch.startDay, clutch.phases, today)
    : null
}

/** So many days either way, each as likely. */
const give = (days: number): DayDist => fromWeights(-days, new Array<number>(2 * days + 1).fill(1))

/** Days of a phase: a number of the species, or of the programme that the keeper set. */
export const phaseInput = ({ speciesId, programme }: ClutchState, { name, days }: EggPhase, index: number): Input =>
  programme
    ? computedInput(`${name}, ${programme.name}`, `${days.earliest}, ${days.likely}, ${days.latest} days`)
    : spreadInput(name, `species.${speciesId}.incubation.phases.${index}.days`, days)

function phaseReason(
  { phase, since, ends, index }: PhaseStanding,
  clutch: ClutchState,
  { almanac, today }: SeasonContext,
): Reason {
  const phases = eggIncubation(clutch, almanac)!.phases!
  return {
    rule: phase
      ? `The eggs are in a phase before development: ${phase.name}. The table counts from its end`
      : 'Development began with the last phase, and the table counts from there',
    inputs: [
      ...phases.map((p, i) => phaseInput(clutch, p, i)),
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
  const atC = tempC + settings.incubationShiftC
  const { dist, reason, caution } = incubationTime(species.id, incubation, atC, almanac, {
    pace: hatchPace(species.id, context),
    tempUnit: settings.tempUnit,
  })
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

/**
 * When the first of a clutch comes out whose shells are open already: so long after the pip as its species takes. It
 * rules over the clock of the clutch. Null while none is pipped, or where one is out.
 */
export function hatchByPip(
  clutch: ClutchState,
  { almanac, today }: Pick<SeasonContext, 'almanac' | 'today'>,
): { dist: DayDist; reasons: Reason[]; measured: true } | null {
  const pipped = clutch.hatched.length ? null : pippedNow(clutch)
  const species = speciesOf(almanac, clutch.speciesId)
  if (!pipped) return null
  const usual = species.incubation?.pipToOut
  const { pipWait: wait, pipAsk: ask, pipLate: late } = almanac.common as Record<string, Fact>
  const clock = usual ?? { earliest: 0, likely: Math.min(1, wait!.value), latest: wait!.value }
  // longer than usual happens, ever less often: not before somebody looked again
  const whole = shift(withLateTail(pert(clock), late!.value, ask!.value), pipped.since)
  const ahead = conditionFrom(whole, Math.max(today, (clutch.lastCheck?.day ?? pipped.since) + 1))
  return {
    dist: ahead.p.length ? ahead : certain(today),
    measured: true,
    reasons: [
      {
        rule: 'Shells are open: out so long after the pip as the species takes',
        inputs: [
          computedInput('Pipped', `${pipped.count}, first ${formatDay(pipped.since, today)}`),
          usual
            ? spreadInput('Pip to out', `species.${species.id}.incubation.pipToOut`, usual)
            : factInput('Pip to out, where the species does not say', 'common.pipWait.value', wait!),
          factInput('Take longer', 'common.pipLate.value', late!),
        ],
        change: 'Writing who is out',
      },
    ],
  }
}
