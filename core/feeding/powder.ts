import { schoolChoice, type Almanac, type Species } from '../almanac'
import { computedInput, factInput, type Judgement } from '../judgement'
import type { Meal, Powder } from '../subjects'
import type { FeedingSettings } from './mealFindings'

const holds: Readonly<Record<Powder, { calcium?: true; vitamins?: true; d3?: true }>> = {
  calcium: { calcium: true },
  calciumD3: { calcium: true, d3: true },
  vitamins: { vitamins: true },
  allInOne: { calcium: true, vitamins: true, d3: true },
  allInOneNoD3: { calcium: true, vitamins: true },
  none: {},
}

/** Meals since one was dusted with something, those offered together as one; none known: never. */
function mealsSince(meals: readonly Meal[], of: 'calcium' | 'vitamins' | 'd3'): number {
  const times = [...new Set(meals.map(m => m.at))]
  const last = meals.findLast(m => m.dusted && holds[m.dusted][of])
  return last ? times.length - 1 - times.indexOf(last.at) : Number.POSITIVE_INFINITY
}

/**
 * What the next meal is dusted with. Exactly one source of vitamin D3 at a time, unless the house's school is to give it
 * indoors all the same.
 * @param uvb a lamp at its place gives UVB
 * @returns null for who is not dusted; `none` where this meal is left plain
 */
export function powderFor(
  almanac: Almanac,
  settings: Pick<FeedingSettings, 'schools'>,
  species: Species,
  meals: readonly Meal[],
  uvb: boolean,
): Judgement<Powder> | null {
  const { supplements } = species
  if (!supplements) return null
  const way = schoolChoice(almanac, settings.schools, 'powder', species.id)
  const d3 = schoolChoice(almanac, settings.schools, 'vitaminD3', species.id)
  const givesD3 = !uvb || d3.fact!.value > 0
  const path = `species.${species.id}.supplements`
  const { calciumEvery, vitaminsEvery, d3Every } = supplements
  const since = {
    calcium: mealsSince(meals, 'calcium'),
    vitamins: mealsSince(meals, 'vitamins'),
    d3: mealsSince(meals, 'd3'),
  }
  const told = (n: number) => (Number.isFinite(n) ? `${n} meals` : 'not written')
  const reasons = [
    {
      rule: `${way.name}; vitamin D3: ${uvb ? `a lamp gives UVB here, ${d3.name.toLowerCase()}` : 'no lamp gives UVB here, so the powder has it'}`,
      inputs: [
        computedInput('Since calcium', told(since.calcium)),
        computedInput('Since vitamins', told(since.vitamins)),
        computedInput('Since D3', told(since.d3)),
        factInput('Calcium every', `${path}.calciumEvery`, calciumEvery),
        factInput('Vitamins every', `${path}.vitaminsEvery`, vitaminsEvery),
        factInput('D3 every', `${path}.d3Every`, d3Every),
      ],
      change: 'What the meal is dusted with, where it is written; a lamp that is hung or taken down',
    },
  ]
  const d3Due = givesD3 && since.d3 + 1 >= d3Every.value
  // how far each is over its time: what is longest over goes first, calcium where both are alike
  const over = {
    calcium: (since.calcium + 1) / calciumEvery.value,
    vitamins: (since.vitamins + 1) / vitaminsEvery.value,
  }
  const value: Powder =
    way.fact!.value > 0
      ? d3Due
        ? 'allInOne'
        : 'allInOneNoD3'
      : over.calcium >= 1 && (over.calcium >= over.vitamins || over.vitamins < 1)
        ? d3Due
          ? 'calciumD3'
          : 'calcium'
        : over.vitamins >= 1
          ? 'vitamins'
          : 'none'
  return { value, reasons }
}
