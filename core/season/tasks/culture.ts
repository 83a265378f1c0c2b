import { feederOf, type Feeder } from '../../almanac'
import { summarise } from '../../chance'
import type { CultureState } from '../../subjects'
import { cultureStage, cultureWay, cultureWayHere, flushesOf, producingFrom, type CultureSupply } from '../../supply'
import type { SeasonContext } from '../context'
import type { Task } from '../contracts'
import { subjectAs } from '../guard'
import { cultureTempC } from '../warmth'
import { about } from './about'
import { LABELS, tellHarvest, tellLook, tellSpent, tellTooOld } from './cultureWording'
import { due, tasksOfEach, type TaskMaker } from './taskMaker'

interface OfCulture {
  culture: CultureState
  feeder: Feeder
  /** How it yields, by the almanac, and by what is counted apart here. */
  supply: CultureSupply
  here: CultureSupply
  stage: ReturnType<typeof cultureStage>
  context: SeasonContext
}

type Sort = (of: OfCulture) => Task | null

const base = (sort: string, { culture }: OfCulture) => ({
  ...about(culture, 'culture'),
  id: `${sort}:${culture.id}`,
  kind: sort,
})

/** An old culture breeds mites for the others. */
const tooOldTask: Sort = of => {
  const { culture, supply, stage, context } = of
  const out = supply.kind === 'batch' ? supply.outAfterDays : undefined
  if (!out || (stage !== 'growing' && stage !== 'producing') || context.today - culture.startDay < out.value)
    return null
  return {
    ...base('retire', of),
    due: culture.startDay + Math.round(out.value),
    actions: [{ label: LABELS.retired, kind: 'cultureFinished', data: {}, tone: 'main' }],
    ...tellTooOld(of, out, context.today),
  }
}

const lookTask: Sort = of => {
  const { culture, here, stage, context } = of
  const { house, almanac, today } = context
  if (stage !== 'growing') return null
  const tempC = cultureTempC(culture, { house, almanac })
  const when = summarise(producingFrom(culture, here, tempC, today, almanac.common.unwrittenProducing!.value))
  if (culture.lastLook?.day === today || (when && when.low > today)) return null
  return {
    ...base('look', of),
    due: today,
    actions: [
      { label: LABELS.producing, kind: 'producing', data: {}, tone: 'main' },
      { label: LABELS.notYet, kind: 'cultureLooked', data: {} },
      { label: LABELS.failed, kind: 'cultureFailed', data: {} },
    ],
    ...tellLook(of, when, today),
  }
}

const spentTask: Sort = of =>
  of.stage === 'spent'
    ? {
        ...base('retire', of),
        due: of.context.today,
        actions: [{ label: LABELS.retired, kind: 'cultureFinished', data: {}, tone: 'main' }],
        ...tellSpent(of, of.context.today),
      }
    : null

/** Whether a culture yields on a day of its age, days since it first did. */
const yieldsAt = (supply: Extract<CultureSupply, { kind: 'batch' }>, age: number): boolean =>
  flushesOf(supply).some(f => age >= f.from && age < f.from + f.span)

const harvestTask: Sort = of => {
  const { culture, supply, stage, context } = of
  const { almanac, today } = context
  if (stage !== 'producing' || supply.kind !== 'batch') return null
  const every = almanac.common.harvestEvery!
  const since = culture.producing!.day
  const last = culture.lastHarvest?.day ?? since - every.value
  if (!due(last + every.value, today) || !yieldsAt(supply, today - since)) return null
  return {
    ...base('harvest', of),
    due: last + every.value,
    actions: [
      { label: LABELS.harvested, kind: 'harvested', data: { count: 0 }, tone: 'main' },
      { label: LABELS.failed, kind: 'cultureFailed', data: {} },
    ],
    ...tellHarvest(of, every, today),
  }
}

/** One of these a day, the most pressing first. */
const ONE_OF: readonly Sort[] = [tooOldTask, lookTask, spentTask, harvestTask]

/** What is due with the cultures: looked at, harvested, taken out. */
export const cultureTasks: TaskMaker = context =>
  tasksOfEach(context, Object.values(context.house.cultures), subjectAs('culture'), (culture): Task[] => {
    const { house, almanac, today } = context
    const feeder = feederOf(almanac, culture.feederId)
    const supply = cultureWay(feeder, culture)
    const here = cultureWayHere(feeder, culture, house)
    if (!supply || !here) return []
    const of = { culture, feeder, supply, here, stage: cultureStage(culture, supply, today), context }
    let first: Task | null = null
    for (const sort of ONE_OF) if ((first ??= sort(of))) break
    return first ? [first] : []
  })
