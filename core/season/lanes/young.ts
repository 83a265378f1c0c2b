import type { Species } from '../../almanac'
import { variance, type DayDist } from '../../chance'
import { incubationTime } from '../../incubation'
import type { Reason } from '../../judgement'
import type { MouthSource, YoungCount } from '../../nursery'
import type { ComputedClock } from '../../pairing'
import type { SeasonContext } from '../context'
import { clutchSizeOf, hatchPace, sharesOf, type Outcome } from '../eggs'

/** Time from laying to hatching at a temperature, or at the usual one; null for what is not incubated. */
export function incubationOf(species: Species, tempC: number | null, context: SeasonContext): ComputedClock | null {
  if (!species.incubation) return null
  const { settings, almanac } = context
  const atC = (tempC ?? species.incubation.usualTempC.value) + settings.incubationShiftC
  const pace = hatchPace(species.id, context)
  return {
    ...incubationTime(species.id, species.incubation, atC, almanac, { pace, tempUnit: settings.tempUnit }),
    comes: almanac.common.hatchComes!,
  }
}

/** Young of a clutch or litter that is not there yet, by what came of the female's clutches before. */
export function expectedYoung(
  species: Species,
  before: Outcome,
  context: Pick<SeasonContext, 'almanac'>,
): { count: YoungCount; reason: Reason } {
  const { fertility, hatch, larval, reasons } = sharesOf(species, before, context)
  const { size, inputs } = clutchSizeOf(species, before, context)
  const count: YoungCount = { kind: 'eggs', eggs: size, each: fertility * hatch * larval }
  return {
    count,
    reason: {
      rule: 'Clutch size of the species times what comes through',
      inputs: [...inputs, ...reasons(false)],
      change: 'Recording the laying puts the true number in',
    },
  }
}

/** A clutch follows on the one before: as its laying day is that day and a clock, so far the two are late together. */
export function followsOn(
  source: MouthSource | undefined,
  laid: DayDist | undefined,
  opens: DayDist,
): Pick<MouthSource, 'after'> {
  if (!source || !laid) return {}
  const both = Math.sqrt(variance(source.opens) * variance(opens))
  return { after: { id: source.id, correlation: both > 0 ? Math.min(0.99, variance(laid) / both) : 0 } }
}
