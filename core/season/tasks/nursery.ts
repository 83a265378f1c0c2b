import { speciesOf, type Species } from '../../almanac'
import { summarise } from '../../chance'
import { ladderStepAt } from '../../feeding'
import { offeredTimes } from '../../settings'
import { TADPOLE_FOOD, tadpolesLeft, youngInGroup, type ClutchState } from '../../subjects'
import type { Task, TaskAction } from '../contracts'
import { subjectAs } from '../guard'
import { laneById } from '../indexes'
import { about } from './about'
import { LABELS, tellTadpoleFood, tellYoungFood } from './nurseryWording'
import { due, tasksOfEach, type TaskContext, type TaskMaker } from './taskMaker'

const lostSome: TaskAction = {
  label: LABELS.lostSome,
  kind: 'youngLost',
  data: {},
  ask: { field: 'count', label: LABELS.lost, likely: 1 },
}

const base = (sort: string, clutch: ClutchState) => ({
  ...about(clutch, 'clutch'),
  id: `${sort}:${clutch.id}`,
  kind: 'feed',
})

function tadpoleFoodTask(clutch: ClutchState, { almanac, today }: TaskContext): Task[] {
  const tadpoles = tadpolesLeft(clutch)
  const every = almanac.common.tadpolesFedEvery!
  const feedOn = clutch.tadpolesFed ? clutch.tadpolesFed.day + every.value : today
  if (tadpoles === 0 || !due(feedOn, today)) return []
  const data = { prey: TADPOLE_FOOD, each: 1 }
  return [
    {
      ...base('tadpoles', clutch),
      due: feedOn,
      actions: [{ label: LABELS.fed, kind: 'groupFed', data, tone: 'main' }, lostSome],
      ...tellTadpoleFood(tadpoles, every),
    },
  ]
}

/** The day from which young of a clutch eat: seen, or the early end of the forecast. */
function opensOn(clutch: ClutchState, { lanes, today }: TaskContext): number {
  if (clutch.firstFed) return clutch.firstFed.day
  const first = laneById(lanes, `clutch:${clutch.id}`)?.events.find(e => e.event === 'firstMeal')
  return (first && summarise(first.dist)?.low) ?? today
}

function youngFoodTask(clutch: ClutchState, species: Species, context: TaskContext): Task[] {
  const { almanac, settings, today } = context
  const young = youngInGroup(clutch)
  if (young <= 0) return []
  const opens = opensOn(clutch, context)
  const { step, index } = ladderStepAt(species.ladder, Math.max(0, today - opens))
  const dueDay = clutch.lastFed ? clutch.lastFed.day + step.everyDays : opens
  if (!due(dueDay, today)) return []
  const times = species.eats === 'insects' ? offeredTimes(settings) : 1
  const [main, ...others] = step.meal.map(m => ({ prey: m.prey, each: m.count * times }))
  return [
    {
      ...base('young', clutch),
      due: dueDay,
      everyDays: step.everyDays,
      actions: [{ label: LABELS.fed, kind: 'groupFed', data: { ...main! }, also: others, tone: 'main' }, lostSome],
      ...tellYoungFood({ young, species, step, index, times, isFirst: !clutch.firstFed }, almanac),
    },
  ]
}

/** Groups of young and tadpoles that are fed together. */
export const nurseryTasks: TaskMaker = context =>
  tasksOfEach(context, Object.values(context.house.clutches), subjectAs('clutch'), (clutch): Task[] => {
    if (clutch.ended || youngInGroup(clutch) + tadpolesLeft(clutch) === 0) return []
    const species = speciesOf(context.almanac, clutch.speciesId)
    return [...tadpoleFoodTask(clutch, context), ...youngFoodTask(clutch, species, context)]
  })
