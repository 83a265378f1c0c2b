import { speciesOf } from '../../almanac'
import type { Day } from '../../chance'
import { leastOwn, type Portion } from '../../feeding'
import { livingAnimals, youngInGroup, type AnimalState, type ClutchState, type GroupState } from '../../subjects'
import type { PreyOutlook, Task, TaskAction } from '../contracts'
import { standInsFor } from '../plans'
import { remembering } from '../remember'
import { LABELS, sharedReason, tellPortions, tellShared } from './sharedOutWording'
import type { TaskContext } from './taskMaker'

/** A meal that is due, and how much of each prey it wants. */
interface Claim {
  task: Task
  speciesId: string
  /** Mouths that share it. */
  mouths: number
  wants: readonly Portion[]
  /** The day on which its next meal would be due: so long it can wait for this one. */
  until: Day
  /** Who refuses is offered what it knows. */
  takesOthers: boolean
}

const MEAL_KINDS = ['fed', 'groupOffered', 'groupFed']

const dataOf = ({ data, also = [] }: TaskAction) => [data, ...also]

const claims = remembering<Task, Claim | null>()

/** The claim of a task, if it is a meal. */
function claimOf(task: Task, context: TaskContext): Claim | null {
  if (task.kind !== 'feed') return null
  const { house, today } = context
  const { id, type } = task.subject
  const of = type === 'animal' ? house.animals[id] : type === 'group' ? house.groups[id] : house.clutches[id]
  return of ? claims(context, task, [of, today], () => claimBy(task, of, today)) : null
}

function claimBy(task: Task, of: AnimalState | GroupState | ClutchState, today: Day): Claim | null {
  const [meal] = task.actions
  if (!meal || !MEAL_KINDS.includes(meal.kind) || task.everyDays === undefined) return null
  // what is fed alive is a stock of its own
  if (meal.data.state === 'live') return null
  const mouths = 'hatched' in of ? youngInGroup(of) : 1
  const wants = dataOf(meal).map((d): Portion => {
    const count = Number(d.offered ?? d.count ?? Number(d.each) * mouths)
    return { prey: String(d.prey), count: Math.round(count) }
  })
  return {
    task,
    speciesId: of.speciesId,
    mouths,
    wants,
    until: Math.floor(Math.max(task.due, today) + task.everyDays),
    takesOthers: !('refusals' in of && of.refusals),
  }
}

/** What was given today of each prey. */
function givenToday({ house, today }: TaskContext): Map<string, number> {
  const given = new Map<string, number>()
  const add = (prey: string, count: number) => given.set(prey, (given.get(prey) ?? 0) + count)
  for (const { meals } of livingAnimals(house))
    for (let i = meals.length - 1; i >= 0 && meals[i]!.day === today; i--) add(meals[i]!.prey, meals[i]!.offered)
  for (const { meals } of [...Object.values(house.groups), ...Object.values(house.clutches)])
    for (const { day, prey, count } of meals) if (day === today) add(prey, count)
  return given
}

/**
 * What is there of a prey for the meals of today: in stock, and what is harvested. Of what has no stock that is counted,
 * what was given today is taken off the harvest.
 */
function thereToday(
  { prey, stock, running }: PreyOutlook,
  given: ReadonlyMap<string, number>,
  { house }: TaskContext,
): { sure: number; harvest: number } {
  const taken = Object.hasOwn(house.stocks, prey) ? 0 : (given.get(prey) ?? 0)
  return { sure: stock, harvest: Math.max(0, (running[0] ?? 0) - taken) }
}

/**
 * What one gets of what it wants: the prey itself as far as there is any, else what may stand for it and is left over.
 * It is taken off both, for those who come after.
 */
function given(
  { wants, speciesId, takesOthers }: Claim,
  left: Map<string, number>,
  beyond: Map<string, number>,
  { almanac }: TaskContext,
): { portions: Portion[]; missing: Portion[] } {
  const portions = new Map<string, number>()
  const missing: Portion[] = []
  const give = (prey: string, count: number) => portions.set(prey, (portions.get(prey) ?? 0) + count)
  const species = speciesOf(almanac, speciesId)
  const never = species.never ?? []
  for (const { prey, count } of wants) {
    const there = left.get(prey)
    const own = there === undefined ? count : Math.min(count, Math.max(0, Math.floor(there)))
    if (own > 0) give(prey, own)
    if (there !== undefined) left.set(prey, there - own)
    let open = count - own
    if (open <= 0) continue
    if (!takesOthers) {
      missing.push({ prey, count: open })
      continue
    }
    let mayBeOthers = (1 - leastOwn(species, prey)) * count
    for (const { prey: other, mostShare, pieces } of standInsFor(prey, { never }, almanac)) {
      const over = Math.floor(beyond.get(other) ?? 0)
      const most = Math.min(open, mostShare * count, mayBeOthers, over / pieces)
      const number = Math.min(over, Math.round(most * pieces))
      if (number < 1) continue
      give(other, number)
      beyond.set(other, over - number)
      open -= Math.min(open, most)
      mayBeOthers -= most
      if (open < 0.5) break
    }
    if (open >= 0.5) missing.push({ prey, count: Math.round(open) })
  }
  return { portions: [...portions].map(([prey, count]) => ({ prey, count })), missing }
}

/**
 * The same meal of other portions, beside the usual one: what is really there, the keeper sees.
 * @param told these portions in words
 */
function instead(action: TaskAction, portions: readonly Portion[], told: string, mouths: number): TaskAction {
  const { offered, taken, count: all, each, prey: _, ...said } = action.data
  const made = portions.map(({ prey, count }) => ({
    ...said,
    prey,
    ...(offered !== undefined && { offered: count }),
    ...(taken !== undefined && { taken: count }),
    ...(all !== undefined && { count }),
    ...(each !== undefined && { each: count / mouths }),
  }))
  const [data, ...also] = made
  return { label: LABELS.instead, instead: told, kind: action.kind, data: data!, ...(also.length && { also }) }
}

const isAsWanted = (portions: readonly Portion[], wants: readonly Portion[]): boolean =>
  portions.length === wants.length &&
  portions.every(({ prey, count }, i) => prey === wants[i]!.prey && count === wants[i]!.count)

/** Whether anything is known of what is there: a house that writes no stock is not told that it has none. */
const isKnown = ({ prey, running }: PreyOutlook, { house }: TaskContext): boolean =>
  Object.hasOwn(house.stocks, prey) || (running[0] ?? 0) > 0

/**
 * Meals of a day for which there is not enough of a prey: those first that can wait least, the others get what may stand
 * for it and is left over, or wait. It is told beside the usual meal, with an answer of its own; where there is enough
 * for all, tasks stay as they are.
 */
export function sharedOut(tasks: readonly Task[], context: TaskContext): Task[] {
  const { almanac, today } = context
  const meals: Claim[] = []
  for (const task of tasks) {
    const claim = claimOf(task, context)
    if (claim) meals.push(claim)
  }
  const wanted = new Map<string, number>()
  for (const { wants } of meals) for (const { prey, count } of wants) wanted.set(prey, (wanted.get(prey) ?? 0) + count)
  const before = givenToday(context)
  /** Of what there is too little, what is there; of the rest what is left over. */
  const [left, beyond] = [new Map<string, number>(), new Map<string, number>()]
  for (const look of context.prey) {
    if (!isKnown(look, context)) continue
    const { sure, harvest } = thereToday(look, before, context)
    const [there, wants] = [sure + harvest, wanted.get(look.prey) ?? 0]
    if (wants > there + almanac.common.harvestSlack!.value * harvest) left.set(look.prey, Math.floor(there))
    else beyond.set(look.prey, there - wants)
  }
  if (!left.size) return [...tasks]
  const there: ReadonlyMap<string, number> = new Map(left)
  const first = meals
    .filter(c => c.wants.some(w => there.has(w.prey)))
    .sort((a, b) => a.until - b.until || a.task.due - b.task.due || (a.task.tag < b.task.tag ? -1 : 1))
  const changed = new Map<string, Task>()
  for (const claim of first) {
    const { task, wants, mouths, until } = claim
    const { portions, missing } = given(claim, left, beyond, context)
    const of = wants.filter(w => there.has(w.prey))
    const short = of.map(w => ({ prey: w.prey, there: there.get(w.prey)!, wanted: wanted.get(w.prey)! }))
    if (isAsWanted(portions, wants)) {
      changed.set(task.id, { ...task, short })
      continue
    }
    const told = tellPortions(portions, almanac)
    const fewer = portions.every(p => wants.some(w => w.prey === p.prey))
    changed.set(task.id, {
      ...task,
      short,
      detail: tellShared({ short, portions, fewer, missing, until }, task.detail, almanac, today),
      actions: portions.length
        ? [task.actions[0]!, instead(task.actions[0]!, portions, told, mouths), ...task.actions.slice(1)]
        : task.actions,
      reasons: [...task.reasons, sharedReason(of, there, wanted, almanac)],
    })
  }
  return tasks.map(task => changed.get(task.id) ?? task)
}
