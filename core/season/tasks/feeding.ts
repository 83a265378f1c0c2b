import { feederOf, speciesOf, type Almanac } from '../../almanac'
import type { Gravid, Portion, RefusalCourse } from '../../feeding'
import { entryInput, type Judgement } from '../../judgement'
import { MANNER_WORDS, POWDER_WORDS, PREY_STATE_WORDS, livingAnimals, type AnimalState } from '../../subjects'
import { formatDay, lowerFirst } from '../../units'
import type { SeasonContext } from '../context'
import type { Task } from '../contracts'
import { hasUvb, nextOfferOf, refusalOf, type NextOfferSaid } from '../eating'
import { subjectAs } from '../guard'
import { mealNow, thereKey } from '../mealNow'
import { remembering } from '../remember'
import { gravidIn, mealWinterOf, winterDeps } from '../winter'
import { due, tasksOfEach, type TaskContext, type TaskMaker } from './taskMaker'

export function tellPortion(almanac: Almanac, { prey, count }: Portion): string {
  const feeder = feederOf(almanac, prey)
  return `${count} ${count === 1 ? feeder.one : feeder.many}`
}

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
      id: `left:${animal.id}`,
      kind: 'left',
      alone: true,
      subject: { type: 'animal', id: animal.id },
      tag: animal.tag,
      placeId: animal.placeId,
      due: day + 1,
      what: `Look whether ${left.map(l => tellPortion(almanac, { prey: l.prey, count: l.offered })).join(' and ')} left in ${left.length === 1 && left[0]!.offered === 1 ? 'is' : 'are'} gone`,
      actions: [
        { label: 'Gone', kind: 'fed', ...meal(true), tone: 'main' },
        { label: 'Still there', kind: 'fed', ...meal(false) },
      ],
      caution: 'What is still there is thrown away, and not given to another. Wash hands.',
      reasons: [
        {
          rule: 'Prey that was left in overnight is looked for next morning: what lies longer spoils, and a refusal that nobody saw is one',
          inputs: left.map(l => entryInput('Left in', formatDay(l.day, today), l)),
          change: 'Gone, or still there',
        },
      ],
    },
  ]
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
  const [main, ...others] = meal.value.portions
  const refused = animal.refusals >= almanac.common.refusesFrom!.value
  const { state, manner } = offer.said
  // what is usual and needs no word is not said
  const how = [state && PREY_STATE_WORDS[state], manner && manner !== 'left' && MANNER_WORDS[manner]].filter(Boolean)
  const lastMeal =
    winter.fastFrom !== undefined && today <= winter.fastFrom && meal.value.due + meal.value.everyDays > winter.fastFrom
  const restart = winter.firstMealDay !== undefined && (!animal.lastTaken || animal.lastTaken.day < animal.warmed!.day)
  const why =
    !animal.meals.length && !restart
      ? 'no meal written yet'
      : refused
        ? [`refused ${animal.refusals} in a row`, offer.tried && lowerFirst(offer.tried.of.how)]
            .filter(Boolean)
            .join('; ')
        : restart
          ? 'first meal after the cold, smaller than usual'
          : lastMeal
            ? `last meal before the ${species.winter === 'dormancy' ? 'rest' : 'cold'}`
            : (meal.value.note ?? undefined)
  const { dusted } = offer.said
  const detail = [why, dusted && `dusted with ${POWDER_WORDS[dusted]}`].filter(Boolean)
  return [
    {
      id: `feed:${animal.id}`,
      kind: 'feed',
      ...((refused || mate !== null || gravid) && { alone: true as const }),
      subject: { type: 'animal', id: animal.id },
      tag: animal.tag,
      placeId: animal.placeId,
      due: dueOn,
      everyDays: meal.value.everyDays,
      what: `Feed ${[meal.value.portions.map(p => tellPortion(almanac, p)).join(' and '), ...how].join(', ')}`,
      detail: detail.length ? detail.join('; ') : undefined,
      actions: [
        {
          label: 'Took',
          kind: 'fed',
          data: { prey: main!.prey, offered: main!.count, taken: main!.count, ...offer.said },
          also: others.map(p => ({ prey: p.prey, offered: p.count, taken: p.count, ...offer.said })),
          tone: 'main',
        },
        {
          label: 'Refused',
          kind: 'fed',
          data: { prey: main!.prey, offered: main!.count, taken: 0, ...offer.said },
          also: others.map(p => ({ prey: p.prey, offered: p.count, taken: 0, ...offer.said })),
        },
        ...(species.eats === 'rodents' && state !== 'live' && (!manner || manner === 'left' || manner === 'overnight')
          ? [
              {
                label: 'Left in',
                kind: 'leftIn',
                data: leftData(main!, offer.said),
                also: others.map(p => leftData(p, offer.said)),
              },
            ]
          : []),
        // who takes what is left in, is not watched while it eats
        ...(state && manner !== 'left'
          ? [
              {
                label: 'Struck',
                kind: 'fed',
                data: { prey: main!.prey, offered: main!.count, taken: 0, ...offer.said, outcome: 'struck' },
              },
            ]
          : []),
      ],
      caution:
        mate !== null
          ? `Together with ${mate}: apart first, never fed side by side.`
          : refused && species.eats === 'rodents'
            ? 'Leave it alone between tries; never force. Falling weight with refusals is for a reptile vet.'
            : state === 'live' && species.eats === 'rodents'
              ? 'Live prey only where the law allows it, and never left alone with the snake: it bites.'
              : gravid
                ? 'Gravid: small meals, never a large one in the last month.'
                : undefined,
      reasons: [...meal.reasons, ...offer.reasons],
    },
  ]
}
