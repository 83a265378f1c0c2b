import { speciesOf } from '../../almanac'
import type { Day } from '../../chance'
import type { Gravid, MealWinter, NextMeal, Portion, RefusalCourse } from '../../feeding'
import type { Judgement } from '../../judgement'
import { livingAnimals, type AnimalState } from '../../subjects'
import type { SeasonContext } from '../context'
import type { Task, TaskAction } from '../contracts'
import { hasUvb, nextOfferOf, refusalOf, type NextOfferSaid } from '../eating'
import { subjectAs } from '../guard'
import { mealNow, thereKey } from '../mealNow'
import { remembering } from '../remember'
import { gravidIn, mealWinterOf, winterDeps } from '../winter'
import { about } from './about'
import { LABELS, tellLeft, tellMeal, type MealOccasion } from './feedingWording'
import { due, tasksOfEach, type TaskContext, type TaskMaker } from './taskMaker'

/** Animals whose interval since the last offer has run out. */
export const feedTasks: TaskMaker = context => {
  const gravid = gravidIn(context.lanes, context)
  const mates = matesTogether(context)
  return tasksOfEach(context, livingAnimals(context.house), subjectAs('animal'), animal => {
    const isGravid = gravid.get(animal.id) ?? false
    const mate = mates.get(animal.id) ?? null
    const refusal = refusalOf(animal, isGravid, context)
    return feeds(
      context,
      animal,
      [
        ...[isGravid, mate, refusal?.value.level, hasUvb(animal.placeId, context)],
        ...[thereKey(speciesOf(context.almanac, animal.speciesId), context), ...winterDeps(animal, context)],
      ],
      () => feedTask(animal, isGravid, mate, refusal, context),
    )
  })
}

/** Tags of those an animal is together with in a visit. */
function matesTogether({ house }: SeasonContext): Map<string, string> {
  const mates = new Map<string, string>()
  for (const p of Object.values(house.pairings)) {
    const [dam, sire] = [house.animals[p.damId], p.sireId ? house.animals[p.sireId] : undefined]
    if (!p.together || !dam || !sire) continue
    mates.set(dam.id, sire.tag).set(sire.id, dam.tag)
  }
  return mates
}

const leftData = ({ prey, count }: Portion, { state, dusted }: NextOfferSaid['said']) => ({
  prey,
  offered: count,
  ...(state && { state }),
  ...(dusted && { dusted }),
})

const feeds = remembering<AnimalState, Task[]>()

/** The morning after: what became of the prey that was left in. */
function leftTask(
  animal: AnimalState,
  left: NonNullable<AnimalState['leftIn']>,
  { almanac, today }: SeasonContext,
): Task[] {
  const day = left[0]!.day
  if (!due(day + 1, today)) return []
  const meal = (taken: boolean) => {
    const [main, ...others] = left.map(({ prey, offered, state, dusted }) => ({
      prey,
      offered,
      taken: taken ? offered : 0,
      manner: 'left',
      ...(state && { state }),
      ...(dusted && { dusted }),
      ...(taken && { outcome: 'overnight' }),
    }))
    return { data: main!, also: others }
  }
  return [
    {
      ...about(animal),
      id: `left:${animal.id}`,
      kind: 'left',
      alone: true,
      due: day + 1,
      actions: [
        { label: LABELS.gone, kind: 'fed', ...meal(true), tone: 'main' },
        { label: LABELS.stillThere, kind: 'fed', ...meal(false) },
      ],
      ...tellLeft(left, almanac, today),
    },
  ]
}

/** What can come of an offer; who takes what is left in, is not watched while it eats. */
function offerActions(portions: readonly Portion[], said: NextOfferSaid['said'], rodents: boolean): TaskAction[] {
  const [main, ...others] = portions
  const offered = ({ prey, count }: Portion, taken: number) => ({ prey, offered: count, taken, ...said })
  const { state, manner } = said
  const all = (taken: (p: Portion) => number) => ({
    kind: 'fed',
    data: offered(main!, taken(main!)),
    also: others.map(p => offered(p, taken(p))),
  })
  const isLeft = !manner || manner === 'left' || manner === 'overnight'
  return [
    { label: LABELS.took, ...all(p => p.count), tone: 'main' },
    { label: LABELS.refused, ...all(() => 0) },
    ...(rodents && state !== 'live' && isLeft
      ? [
          {
            label: LABELS.leftIn,
            kind: 'leftIn',
            data: leftData(main!, said),
            also: others.map(p => leftData(p, said)),
          },
        ]
      : []),
    ...(state && manner !== 'left'
      ? [{ label: LABELS.struck, kind: 'fed', data: { ...offered(main!, 0), outcome: 'struck' } }]
      : []),
  ]
}

/** What is particular about its meal. */
function occasionOf(
  animal: AnimalState,
  { due: mealDue, everyDays }: NextMeal,
  winter: MealWinter,
  isRefusing: boolean,
  today: Day,
): MealOccasion {
  const { fastFrom, firstMealDay } = winter
  const restart = firstMealDay !== undefined && (!animal.lastTaken || animal.lastTaken.day < animal.warmed!.day)
  if (!animal.meals.length && !restart) return 'first'
  if (isRefusing) return 'refused'
  if (restart) return 'afterCold'
  return fastFrom !== undefined && today <= fastFrom && mealDue + everyDays > fastFrom ? 'beforeCold' : 'usual'
}

function feedTask(
  animal: AnimalState,
  gravid: Gravid,
  mate: string | null,
  refusal: Judgement<RefusalCourse> | null,
  context: TaskContext,
): Task[] {
  const { almanac, today } = context
  if (animal.leftIn) return leftTask(animal, animal.leftIn, context)
  const species = speciesOf(almanac, animal.speciesId)
  const winter = mealWinterOf(animal, context)
  const meal = mealNow(animal, context, { gravid, winter })
  if (!meal) return []
  const offer = nextOfferOf(animal, refusal, context)
  const dueOn = Math.max(meal.value.due, offer.tried?.day ?? 0)
  if (!due(dueOn, today)) return []
  const { refusals } = animal
  const isRefusing = refusals >= almanac.common.refusesFrom!.value
  const occasion = occasionOf(animal, meal.value, winter, isRefusing, today)
  return [
    {
      ...about(animal),
      id: `feed:${animal.id}`,
      kind: 'feed',
      ...((isRefusing || mate !== null || gravid) && { alone: true as const }),
      due: dueOn,
      everyDays: meal.value.everyDays,
      actions: offerActions(meal.value.portions, offer.said, species.eats === 'rodents'),
      ...tellMeal({ species, meal, offer, occasion, refusals, isRefusing, mate, gravid }, almanac),
    },
  ]
}
