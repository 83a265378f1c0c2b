import { feederOf, type Feeder } from '../almanac'
import type { Day } from '../chance'
import { mayFound, type CultureState } from '../subjects'
import { boxesFor, foundersFrom, minutesOf } from '../supply'
import { nextWeekday } from '../units'
import type { SeasonContext } from './context'
import type { Task } from './contracts'
import type { FeederPlan } from './plans'
import { startTasks } from './tasks'
import { cultureTempC } from './warmth'

/** Cultures of one feeder to be started, and from what. */
export interface StartLine {
  task: Task
  feeder: Feeder
  count: number
  /** Cultures that give the founders; empty for what is ordered, or needs none. */
  from: string[]
  /** Founders wanted, and how many of them nothing of the house gives. */
  founders: number
  lacking: number
}

/** What all that is started together is made of. */
export interface MixLine {
  what: string
  amount: number
  unit: string
}

/** The worksheet of a culture day. */
export interface CultureDay {
  day: Day
  starts: StartLine[]
  orders: Task[]
  mix: MixLine[]
  /** How each of these is made, said once. */
  how: { feeders: Feeder[]; how: string }[]
  looks: Task[]
  takeOut: Task[]
  deliveries: Task[]
  /** Minutes that the starts take. */
  minutes: number
}

const isStart = (task: Task) => task.actions[0]?.kind === 'cultureStarted' && !task.actions[0].data.bought

/** A failed culture that still stands on its shelf. */
function failedTasks({ house, almanac, today }: SeasonContext): Task[] {
  return Object.values(house.cultures)
    .filter(c => c.failed && !c.finished)
    .map(c => ({
      id: `clear:${c.id}`,
      kind: 'retire',
      subject: { type: 'culture', id: c.id },
      tag: c.tag,
      placeId: c.placeId,
      due: today,
      what: `${feederOf(almanac, c.feederId).name} that failed: out, away from the others`,
      actions: [{ label: 'Taken out', kind: 'cultureFinished', data: {}, tone: 'main' }],
      reasons: [{ rule: 'A failed culture carries mites and mould to the others', inputs: [] }],
    }))
}

type Made = Pick<StartLine, 'feeder' | 'count'>

/**
 * Parts of all recipes together, each times its number.
 * @param boxes in which what is delivered is kept, likewise
 */
export function mixOf(starts: readonly Made[], boxes: readonly Made[] = []): MixLine[] {
  const parts = new Map<string, MixLine>()
  const made = [
    ...starts.map(({ feeder, count }) => ({ of: feeder.recipe?.parts, count })),
    ...boxes.map(({ feeder, count }) => ({ of: feeder.box?.parts, count })),
  ]
  for (const { of = [], count } of made) {
    for (const { what, amount } of of) {
      const key = `${what} ${amount.unit}`
      const line = parts.get(key) ?? { what, unit: amount.unit, amount: 0 }
      parts.set(key, { ...line, amount: line.amount + amount.value * count })
    }
  }
  return [...parts.values()]
}

/** Boxes for what is to be delivered. */
function boxesOf(deliveries: readonly Task[], { feeders }: Pick<SeasonContext['almanac'], 'feeders'>): Made[] {
  return deliveries.flatMap(({ subject, actions }) => {
    const feeder = feeders[subject.id]
    const pieces = Number(actions[0]?.data.count ?? 0)
    return feeder?.box && pieces > 0 ? [{ feeder, count: boxesFor(feeder.box, pieces) }] : []
  })
}

/** How each of these is made, said once for all that are made alike. */
const howOf = (made: readonly { feeder: Feeder; how: string | undefined }[]): CultureDay['how'] =>
  [...new Set(made.flatMap(m => m.how ?? []))].map(how => ({
    feeders: [...new Set(made.filter(m => m.how === how).map(m => m.feeder))],
    how,
  }))

/**
 * From which cultures of the house so many new ones of a feeder are founded on a day: of cups those at their best; a
 * colony gives its founders itself.
 * @returns them, about how many animals they give, and whether they are colonies, which have as many as it takes
 */
export function foundersOn(
  feeder: Feeder,
  day: Day,
  count: number,
  context: Pick<SeasonContext, 'house' | 'almanac' | 'today'>,
): { from: CultureState[]; given: number; own: boolean } {
  const { house, almanac, today } = context
  const cultures = Object.values(house.cultures)
  const wanted = (feeder.recipe?.founders.value ?? 0) * count
  if (feeder.supply.kind !== 'batch') {
    const from = cultures.filter(
      c => c.feederId === feeder.id && c.producing && !c.failed && !c.finished && mayFound(c),
    )
    return { from, given: 0, own: from.length > 0 }
  }
  const found = foundersFrom(feeder, house, c => cultureTempC(c, context), almanac, today, day, wanted)
  return { from: found.map(f => f.culture), given: found.reduce((n, f) => n + f.pieces, 0), own: false }
}

/**
 * What is done on the next culture day, and what should not wait for it: starts with their founders and what they are
 * made of, orders, looks, what is taken out, what arrives.
 * @param tasks those of the season
 */
export function cultureDay(plans: readonly FeederPlan[], tasks: readonly Task[], context: SeasonContext): CultureDay {
  const { almanac, settings, today } = context
  const due = startTasks(plans, almanac, today)
  const starts = due.filter(isStart).map((task): StartLine => {
    const feeder = feederOf(almanac, task.subject.id)
    const count = task.actions[0]!.times ?? 1
    const founders = (feeder.recipe?.founders.value ?? 0) * count
    const { from, given, own } = foundersOn(feeder, task.due, count, context)
    return {
      task,
      feeder,
      count,
      from: from.map(c => c.tag),
      founders,
      lacking: own ? 0 : Math.max(0, Math.round(founders - given)),
    }
  })
  const deliveries = tasks.filter(t => t.kind === 'delivery')
  const boxes = boxesOf(deliveries, almanac)
  return {
    day: nextWeekday(today, settings.cultureWeekday),
    starts,
    minutes: starts.reduce((n, { feeder, count }) => n + count * minutesOf(feeder, almanac), 0),
    orders: due.filter(task => !isStart(task)),
    mix: mixOf(starts, boxes),
    how: howOf([
      ...starts.map(({ feeder }) => ({ feeder, how: feeder.recipe?.how })),
      ...boxes.map(({ feeder }) => ({ feeder, how: feeder.box?.how })),
    ]),
    looks: tasks.filter(t => t.kind === 'look' || t.kind === 'harvest'),
    takeOut: [...failedTasks(context), ...tasks.filter(t => t.kind === 'retire')],
    deliveries,
  }
}
