import { feederOf, type Almanac } from '../almanac'
import type { Day } from '../chance'
import { computedInput, factInput, type Judgement } from '../judgement'
import type { Meal } from '../subjects'

export interface MenuBalance {
  /** Calcium to phosphorus by weight, as fed and as dusted; null where of nothing eaten it is known. */
  plain: number | null
  dusted: number | null
  /** Share of what was eaten, by weight, whose minerals are known. */
  known: number
  kinds: number
  meals: number
  dustedMeals: number
}

const WITH_CALCIUM = ['calcium', 'calciumD3', 'allInOne', 'allInOneNoD3']

/**
 * Calcium to phosphorus of what an animal ate lately: sums over prey of its weight times what a kilogram of it holds
 * (insects by Finke 2002, Zoo Biol. 21:269–285), without and with the powder that was written.
 * @returns null where nothing was eaten in that time
 */
export function menuBalance(almanac: Almanac, meals: readonly Meal[], today: Day): Judgement<MenuBalance> | null {
  const { menuDays, dustCalcium, mineralsWanted, menuKinds } = almanac.common
  const eaten = meals.filter(m => m.taken > 0 && m.day > today - menuDays!.value && m.day <= today)
  if (!eaten.length) return null
  let [all, known, calcium, phosphorus, dust] = [0, 0, 0, 0, 0]
  for (const { prey, taken, dusted } of eaten) {
    const { massG, minerals } = feederOf(almanac, prey)
    const g = taken * massG.likely
    all += g
    if (!minerals) continue
    known += g
    calcium += g * minerals.calcium.value
    phosphorus += g * minerals.phosphorus.value
    if (dusted && WITH_CALCIUM.includes(dusted)) dust += g * dustCalcium!.value
  }
  const times = new Set(eaten.map(m => m.at))
  const dustedTimes = new Set(eaten.filter(m => m.dusted && m.dusted !== 'none').map(m => m.at))
  const value: MenuBalance = {
    plain: phosphorus ? calcium / phosphorus : null,
    dusted: phosphorus ? (calcium + dust) / phosphorus : null,
    known: all ? known / all : 0,
    kinds: new Set(eaten.map(m => m.prey)).size,
    meals: times.size,
    dustedMeals: dustedTimes.size,
  }
  const prey = [...new Set(eaten.map(m => m.prey))].map(id => feederOf(almanac, id))
  return {
    value,
    reasons: [
      {
        rule: `Of what it ate in ${menuDays!.value} days: grams of each times its minerals, calcium over phosphorus; powder added where it was written`,
        inputs: [
          ...prey.flatMap(f =>
            f.minerals
              ? [
                  factInput(`Calcium, ${f.many}`, `feeders.${f.id}.minerals.calcium`, f.minerals.calcium),
                  factInput(`Phosphorus, ${f.many}`, `feeders.${f.id}.minerals.phosphorus`, f.minerals.phosphorus),
                ]
              : [computedInput(f.many, 'minerals not known')],
          ),
          factInput('Powder adds', 'common.dustCalcium.value', dustCalcium!),
          factInput('Wanted at least', 'common.mineralsWanted.value', mineralsWanted!),
          factInput('Kinds wanted', 'common.menuKinds.value', menuKinds!),
        ],
        change: 'Other prey, or a meal of which it is written what it was dusted with',
      },
    ],
  }
}
