import type { Species } from '../../almanac'
import { variance, type DayDist } from '../../chance'
import { incubationTime } from '../../incubation'
import { factInput, spreadInput, type Reason } from '../../judgement'
import type { MouthSource, YoungCount } from '../../nursery'
import type { ComputedClock } from '../../pairing'
import type { SeasonContext } from '../context'

/** Time from laying to hatching at a temperature, or at the usual one; null for what is not incubated. */
export function incubationOf(
  species: Species,
  tempC: number | null,
  { settings, almanac }: Pick<SeasonContext, 'settings' | 'almanac'>,
): ComputedClock | null {
  if (!species.incubation) return null
  const atC = (tempC ?? species.incubation.usualTempC.value) + settings.incubationShiftC
  return { ...incubationTime(species.id, species.incubation, atC), comes: almanac.common.hatchComes! }
}

/** Share of eggs that come through to a young that eats, and what it is made of. */
export function throughRate(species: Species, candled: boolean): { each: number; reasons: Reason['inputs'] } {
  const path = `species.${species.id}`
  const parts = [
    ...(candled ? [] : [{ fact: species.fertility, label: 'Good eggs', key: 'fertility' }]),
    { fact: species.hatchRate, label: 'Hatch of good eggs', key: 'hatchRate' },
    ...(species.larvalSurvival
      ? [{ fact: species.larvalSurvival, label: 'Tadpoles that turn', key: 'larvalSurvival' }]
      : []),
  ]
  return {
    each: parts.reduce((p, x) => p * x.fact.value, 1),
    reasons: parts.map(x => factInput(x.label, `${path}.${x.key}.value`, x.fact)),
  }
}

/** Young of a clutch or litter that is not there yet. */
export function expectedYoung(species: Species): { count: YoungCount; reason: Reason } {
  const through = throughRate(species, false)
  const count: YoungCount = { kind: 'eggs', eggs: species.clutchSize, each: through.each }
  return {
    count,
    reason: {
      rule: 'Clutch size of the species times what comes through',
      inputs: [spreadInput('Clutch size', `species.${species.id}.clutchSize`, species.clutchSize), ...through.reasons],
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
