import { cumulative, summarise } from '../../chance'
import { speciesOf } from '../../almanac'
import { eggIncubation, eggsLeft, pippedNow } from '../../subjects'
import type { Task, TaskAction } from '../contracts'
import { boxBalance, eggPhase, eggsToCome } from '../eggs'
import { subjectAs } from '../guard'
import { laneById } from '../indexes'
import { about } from './about'
import { due, tasksOfEach, type TaskContext, type TaskMaker } from './taskMaker'
import {
  LABELS,
  tellAir,
  tellBehind,
  tellCandle,
  tellClose,
  tellHatch,
  tellPhase,
  tellPipped,
  tellWhere,
  type EggsOfClutch,
} from './eggsWording'
import type { Told } from './told'

interface OfClutch extends EggsOfClutch {
  context: TaskContext
}

type Sort = (of: OfClutch) => Task | null

const taskOf = (
  { clutch }: OfClutch,
  [id, kind]: [id: string, kind: string],
  rest: Pick<Task, 'due' | 'actions'>,
  told: Told,
): Task => ({
  ...about(clutch, 'clutch'),
  id: `${id}:${clutch.id}`,
  kind,
  ...rest,
  ...told,
})

const hatchedAction = ({ clutch, eggs }: OfClutch, likely = clutch.good || eggs): TaskAction => ({
  label: LABELS.hatched,
  kind: 'hatched',
  data: {},
  ask: { field: 'count', label: LABELS.howManyHatched, likely: Math.max(1, Math.min(likely, eggs)) },
  tone: 'main',
})
const pippedAction = ({ eggs }: OfClutch): TaskAction => ({
  label: LABELS.pipped,
  kind: 'pipped',
  data: {},
  ask: { field: 'count', label: LABELS.howManyPipped, likely: Math.min(1, eggs) },
})
const notYet: TaskAction = { label: LABELS.notYet, kind: 'eggsChecked', data: {} }
const lostSome: TaskAction = {
  label: LABELS.lostSome,
  kind: 'eggsLost',
  data: {},
  ask: { field: 'count', label: LABELS.eggsLost, likely: 1 },
}

/** The next phase of the eggs is due: they are moved, or made damp, by the keeper. */
const phaseTask: Sort = of => {
  const { clutch, context } = of
  const { today, almanac, settings } = context
  const { phase, index, since } = eggPhase(clutch, context) ?? {}
  if (!phase || index === undefined || since === undefined) return null
  const dueOn = since + phase.days.likely
  if (!due(dueOn, today)) return null
  const next = eggIncubation(clutch, almanac)!.phases![index + 1] ?? null
  return taskOf(
    of,
    ['phase', 'eggs'],
    {
      due: dueOn,
      actions: [{ label: LABELS.moved, kind: 'phaseBegan', data: { index: index + 1 }, tone: 'main' }],
    },
    tellPhase(of, { phase, index, since, next }, { almanac, today, tempUnit: settings.tempUnit }),
  )
}

/** Open shells: a look a day, and no help. */
const pippedTask: Sort = of => {
  const { clutch, species, eggs, context } = of
  const { today, almanac } = context
  const pipped = pippedNow(clutch)
  if (!pipped || clutch.lastCheck?.day === today) return null
  const { pipWait, pipAsk } = almanac.common
  const latest = species.incubation?.pipToOut?.latest ?? pipWait!.value
  const days = today - pipped.since
  const wait = days > latest + pipAsk!.value ? 'askHelp' : days > latest ? 'look' : 'leave'
  const isMore = eggs > pipped.count
  return taskOf(
    of,
    ['pipped', 'hatch'],
    {
      due: today,
      actions: [
        { ...hatchedAction(of, pipped.count), label: LABELS.out },
        ...(isMore ? [{ ...pippedAction(of), label: LABELS.morePipped }] : []),
        notYet,
        lostSome,
      ],
    },
    tellPipped(of, { ...pipped, wait }, almanac, today),
  )
}

/** Whole eggs beside hatched mates: ever less likely, and never opened while they may live. */
const behindTask: Sort = of => {
  const { clutch, eggs, context } = of
  const { today, almanac } = context
  const last = clutch.hatched.at(-1)
  const { eggsBehind, hatchHardlyAhead } = almanac.common
  if (!last || clutch.lastCheck?.day === today || today - last.day < eggsBehind!.value) return null
  const come = eggsToCome(clutch, context)
  if (!come || come.each < hatchHardlyAhead!.value) return closeTask(of, come?.each ?? 0, come?.reasons ?? [])
  const dead = { field: 'count', label: LABELS.eggsDead, likely: eggs }
  return taskOf(
    of,
    ['behind', 'hatch'],
    {
      due: today,
      actions: [
        hatchedAction(of, 1),
        pippedAction(of),
        notYet,
        { label: LABELS.dead, kind: 'eggsLost', data: {}, ask: dead },
      ],
    },
    tellBehind(of, { last: last.day, come }, almanac, today),
  )
}

/** Nothing more is to be expected: a last look, and the clutch is closed. */
function closeTask(of: OfClutch, ahead: number, reasons: Task['reasons']): Task {
  const { today, almanac } = of.context
  return taskOf(
    of,
    ['close', 'eggs'],
    {
      due: today,
      actions: [
        { label: LABELS.close, kind: 'clutchEnded', data: {}, tone: 'main' },
        { ...hatchedAction(of), tone: 'plain' },
        notYet,
      ],
    },
    tellClose(of, ahead, reasons, almanac),
  )
}

/** From the early end of the forecast on: a look a day for the first pip. */
const hatchTask: Sort = of => {
  const { clutch, context } = of
  const { today, almanac, lanes } = context
  const hatch = laneById(lanes, `clutch:${clutch.id}`)?.events.find(e => e.event === 'hatched')
  if (!hatch || hatch.observed) return null
  const ahead = 1 - hatch.dist.never - cumulative(hatch.dist, today - 1)
  if (ahead < almanac.common.hatchHardlyAhead!.value) return closeTask(of, ahead, hatch.reasons)
  const when = summarise(hatch.dist)
  if (!when || when.low > today + almanac.common.lookAhead!.value || clutch.lastCheck?.day === today) return null
  return taskOf(
    of,
    ['hatch', 'hatch'],
    { due: today, actions: [hatchedAction(of), pippedAction(of), notYet] },
    tellHatch(of, when, hatch.reasons),
  )
}

const candleTask: Sort = of => {
  const { clutch, eggs, context } = of
  const { today, almanac } = context
  const candled = almanac.common.eggsCandledAt!
  if (clutch.lastCandled || today - clutch.startDay < candled.value) return null
  const ask = { field: 'good', label: LABELS.goodEggs, likely: eggs }
  return taskOf(
    of,
    ['candle', 'candle'],
    {
      due: clutch.startDay + candled.value,
      actions: [{ label: LABELS.goodEggs, kind: 'candled', data: {}, ask, tone: 'main' }],
    },
    tellCandle(of, candled, today),
  )
}

/** The box is opened for air; what it lacks of its water is given back then. */
const airTask: Sort = of => {
  const { clutch, context } = of
  const { today, almanac, lanes } = context
  const opened = almanac.common.eggsOpenEvery!
  const last = clutch.lastCheck?.day ?? clutch.startDay
  if (!due(last + opened.value, today)) return null
  const hatch = laneById(lanes, `clutch:${clutch.id}`)?.events.find(e => e.event === 'hatched' && !e.observed)
  const balance = boxBalance(clutch, context)
  const water = balance?.give ? { give: balance.give, reasons: balance.reasons } : null
  return taskOf(
    of,
    ['eggs', 'eggs'],
    {
      due: last + opened.value,
      actions: [
        { label: LABELS.allWell, kind: 'eggsChecked', data: {}, tone: 'main' },
        lostSome,
        ...(water
          ? [
              {
                label: LABELS.waterGiven,
                kind: 'boxWatered',
                data: {},
                ask: { field: 'waterG', label: LABELS.water, unit: 'mass' as const, likely: Math.round(water.give) },
              },
            ]
          : []),
      ],
    },
    tellAir(of, { opened, last, hatch: hatch ? summarise(hatch.dist) : null, water }, today),
  )
}

/** So many incubators are offered; more have the page of the clutch. */
const OFFERED = 4

/** Nothing is said of where the eggs lie: their date goes by what is usual. */
const whereTask: Sort = of => {
  const { clutch, species, context } = of
  const { house, almanac, settings, today } = context
  const asked = almanac.common.whereAsked!
  // who has not said it by then does not want to
  if (clutch.placeId !== null || clutch.tempC !== null || today - clutch.startDay > asked.value) return null
  const incubators = Object.values(house.places)
    .filter(p => p.kind === 'incubator')
    .sort((a, b) => (a.name < b.name ? -1 : 1))
  const usual = species.incubation?.usualTempC
  if (!incubators.length || !usual) return null
  return taskOf(
    of,
    ['where', 'eggs'],
    {
      due: clutch.startDay,
      actions: incubators.slice(0, OFFERED).map((p, i): TaskAction => ({
        label: p.name,
        kind: 'clutchMoved',
        data: { placeId: p.id },
        tone: i ? 'plain' : 'main',
      })),
    },
    tellWhere(of, { asked, usual }, settings.tempUnit),
  )
}

/** One of these a day for a clutch, the most pressing first; what is asked of its place and phase stands beside them. */
const ONE_OF: readonly Sort[] = [pippedTask, behindTask, hatchTask, candleTask, airTask]

/** What is due with eggs in a box. */
export const eggTasks: TaskMaker = context =>
  tasksOfEach(context, Object.values(context.house.clutches), subjectAs('clutch'), (clutch): Task[] => {
    const eggs = clutch.kind === 'eggs' && !clutch.ended ? eggsLeft(clutch) : 0
    if (!eggs) return []
    const of = { clutch, species: speciesOf(context.almanac, clutch.speciesId), eggs, context }
    const beside = [phaseTask(of), whereTask(of)]
    let first: Task | null = null
    for (const sort of ONE_OF) if ((first ??= sort(of))) break
    return [...beside, first].filter(t => t !== null)
  })
