import type { Species, SpeciesPart } from '#core/almanac'

export interface UnknownPart {
  title: string
  parts: readonly SpeciesPart[]
  /** A forecast or a judgement lacks it; of the others many species have none. */
  matters: boolean
}

/** What could be known of a species and is not, by the forms that ask for it. */
export function unknownParts(s: Species): UnknownPart[] {
  const all: (UnknownPart & { so: boolean })[] = [
    { title: 'Incubation', parts: ['incubation'], so: !s.incubation && s.mode === 'egg', matters: true },
    { title: 'Clocks', parts: ['clocks'], so: !Object.keys(s.clocks).length, matters: true },
    { title: 'Sexes', parts: ['sexing'], so: !s.sexing, matters: true },
    { title: 'Pairing', parts: ['mating'], so: !s.mating, matters: true },
    { title: 'With whom it lives', parts: ['company'], so: !s.company, matters: false },
    { title: 'The home it needs', parts: ['home'], so: !s.home, matters: false },
    { title: 'Care that comes round', parts: ['rounds'], so: !s.rounds, matters: false },
    { title: 'Its place', parts: ['climate'], so: !s.climate, matters: false },
    { title: 'Powders', parts: ['supplements'], so: !s.supplements && s.eats === 'insects', matters: false },
    { title: 'Winter', parts: ['winter', 'cold'], so: !s.cold, matters: false },
    { title: 'Next clutch', parts: ['nextClutch'], so: !s.nextClutch, matters: false },
    {
      title: 'Sex by temperature',
      parts: ['sexByTemperature'],
      so: !s.sexByTemperature && s.mode === 'egg',
      matters: false,
    },
    { title: 'Mass for its length', parts: ['shellMass'], so: !s.shellMass && s.group === 'tortoise', matters: false },
  ]
  return all.flatMap(({ so, ...part }) => (so ? [part] : []))
}
