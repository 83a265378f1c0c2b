import { z } from 'zod'
import type { Almanac, EggPhase, Incubation } from '../../almanac'
import { defineKind } from '../../log'

const days = (what: string) =>
  z
    .number({ error: `${what} must be a number of days` })
    .int('Whole days only')
    .min(0, 'Days cannot be negative')
    .max(400, 'Over 400 days is no phase of eggs')
const degrees = z
  .number({ error: 'A temperature must be a number of °C' })
  .min(2, 'Eggs below 2 °C freeze')
  .max(40, 'Eggs above 40 °C die: check the unit')
const name = z.string().trim().min(1, 'Give it a name').max(60, 'At most 60 letters')

const OwnPhase = z
  .strictObject({
    name,
    earliest: days('The fewest'),
    likely: days('The likely number'),
    latest: days('The most'),
    lowC: degrees,
    highC: degrees,
  })
  .refine(p => p.earliest <= p.likely && p.likely <= p.latest && p.latest > 0, {
    path: ['likely'],
    message: 'The fewest days come first, then the likely number, then the most',
  })
  .refine(p => p.lowC < p.highC, { path: ['highC'], message: 'The warmer end is above the cooler one' })

/** A programme of the keeper's own: what eggs pass before they develop in the warm. */
export const EggProgramme = z.strictObject({ name, phases: z.array(OwnPhase).max(4, 'At most four phases') })
export type EggProgramme = z.output<typeof EggProgramme>

const own = (value: number, unit: string) => ({ value, unit, mark: 'own' as const })

/** A phase of the keeper's own as those of a species are. */
export const phaseOfProgramme = (p: EggProgramme['phases'][number]): EggPhase => ({
  name: p.name,
  days: { earliest: p.earliest, likely: p.likely, latest: p.latest, unit: 'days', mark: 'own' },
  lowC: own(p.lowC, '°C'),
  highC: own(p.highC, '°C'),
  how: '',
})

/**
 * How the eggs of a clutch are kept: as its species, but in the programme that was set for it. Undefined for species
 * whose eggs are not incubated.
 */
export function eggIncubation(
  { speciesId, programme }: { speciesId: string; programme: EggProgramme | null },
  almanac: Pick<Almanac, 'species'>,
): Incubation | undefined {
  const incubation = almanac.species[speciesId]?.incubation
  if (!incubation || !programme) return incubation
  const { phases: _, ...rest } = incubation
  return programme.phases.length ? { ...rest, phases: programme.phases.map(phaseOfProgramme) } : rest
}

export const programmeKinds = [
  defineKind({
    kind: 'programmeSet',
    subject: 'clutch',
    verb: 'Set programme',
    /** Null: as the species again. */
    data: z.strictObject({ programme: EggProgramme.nullable() }),
    apply(state, { programme }) {
      state.programme = programme
    },
    check(state, { programme }, _, { almanac }) {
      if (state.kind !== 'eggs') return { path: 'subject.id', message: `${state.tag} is no clutch of eggs in a box` }
      const incubation = almanac.species[state.speciesId]?.incubation
      if (!incubation)
        return {
          path: 'subject.id',
          message: `How long eggs of the species of ${state.tag} take is not in the Almanac`,
        }
      if (state.hatched.length) return { path: 'subject.id', message: `Of ${state.tag} some are out already` }
      const phases = programme ? programme.phases.length : (incubation.phases?.length ?? 0)
      const begun = state.phases.at(-1)?.index ?? 0
      if (begun > phases)
        return { path: 'data.programme.phases', message: `Phase ${begun + 1} has begun: take that back, or name more` }
      const kills = incubation.lethalAboveC.value
      const hot = programme ? programme.phases.findIndex(p => p.highC > kills) : -1
      return hot < 0
        ? null
        : { path: `data.programme.phases.${hot}.highC`, message: `Eggs of this species die above ${kills} °C` }
    },
    wording: d => (d.programme ? `Programme set: ${d.programme.name}` : 'Programme as the species'),
  }),
]
