import { speciesOf, type Species } from '../../almanac'
import { formatTempRange } from '../../channels'
import { cumulative, summarise } from '../../chance'
import { computedInput, entryInput, factInput, spreadInput } from '../../judgement'
import { eggIncubation, eggsLeft, pippedNow, type ClutchState } from '../../subjects'
import { formatDistance, formatQuantity, formatRange } from '../../units'
import type { Task, TaskAction } from '../contracts'
import { boxBalance, eggPhase, eggsToCome, phaseInput } from '../eggs'
import { subjectAs } from '../guard'
import { laneById } from '../indexes'
import { due, tasksOfEach, type TaskContext, type TaskMaker } from './taskMaker'

interface OfClutch {
  clutch: ClutchState
  species: Species
  eggs: number
  context: TaskContext
}

type Sort = (of: OfClutch) => Task | null

const LEAVE = 'Leave them in the box till out and the yolk is in; never pull, and never cut a shell.'

const taskOf = (
  { clutch }: OfClutch,
  id: string,
  kind: string,
  rest: Omit<Task, 'id' | 'kind' | 'subject' | 'tag' | 'placeId'>,
): Task => ({
  id: `${id}:${clutch.id}`,
  kind,
  subject: { type: 'clutch', id: clutch.id },
  tag: clutch.tag,
  placeId: clutch.placeId,
  ...rest,
})

const hatchedAction = ({ clutch, eggs }: OfClutch, likely = clutch.good || eggs): TaskAction => ({
  label: 'Hatched',
  kind: 'hatched',
  data: {},
  ask: { field: 'count', label: 'How many hatched', likely: Math.max(1, Math.min(likely, eggs)) },
  tone: 'main',
})
const pippedAction = ({ eggs }: OfClutch): TaskAction => ({
  label: 'Pipped',
  kind: 'pipped',
  data: {},
  ask: { field: 'count', label: 'How many are pipped', likely: Math.min(1, eggs) },
})
const notYet: TaskAction = { label: 'Not yet', kind: 'eggsChecked', data: {} }

/** The next phase of the eggs is due: they are moved, or made damp, by the keeper. */
const phaseTask: Sort = of => {
  const { clutch, species, context } = of
  const { today, almanac } = context
  const standing = eggPhase(clutch, context)
  const { phase, index, since } = standing ?? {}
  if (!standing || !phase || index === undefined || since === undefined) return null
  const next = eggIncubation(clutch, almanac)!.phases![index + 1]
  const dueOn = since + phase.days.likely
  if (!due(dueOn, today)) return null
  const { tempUnit } = context.settings
  const usual = species.incubation!.usualTempC
  const to = next
    ? `${formatTempRange(next.lowC.value, next.highC.value, tempUnit)}, ${next.name.toLowerCase()}`
    : `${formatQuantity(usual.value, tempUnit)}, to develop`
  return taskOf(of, 'phase', 'eggs', {
    due: dueOn,
    what: `Move to ${to}: ${phase.name.toLowerCase()} is over`,
    detail: `in it ${formatDistance(since, today)}${today > since + phase.days.latest ? `; ${phase.days.latest} days are usually the most` : ''}`,
    actions: [{ label: 'Moved', kind: 'phaseBegan', data: { index: index + 1 }, tone: 'main' }],
    ...(phase.how && { caution: phase.how }),
    reasons: [
      {
        rule: `Eggs ${clutch.programme ? 'in this programme' : 'of this species'} pass phases before they develop; each is moved on its likely day`,
        inputs: [
          phaseInput(clutch, phase, index),
          computedInput('Days in it', `${today - since}`),
          factInput(
            'Then at',
            `species.${species.id}.incubation.usualTempC.value`,
            almanac.species[species.id]!.incubation!.usualTempC,
          ),
        ],
        change: 'Writing that the next phase began; other days set in the Almanac',
      },
    ],
  })
}

/** Open shells: a look a day, and no help. */
const pippedTask: Sort = of => {
  const { clutch, species, eggs, context } = of
  const { today, almanac } = context
  const pipped = pippedNow(clutch)
  if (!pipped || clutch.lastCheck?.day === today) return null
  const usual = species.incubation?.pipToOut
  const [wait, ask] = [almanac.common.pipWait!, almanac.common.pipAsk!]
  const latest = usual?.latest ?? wait.value
  const days = today - pipped.since
  const long = days > latest
  const veryLong = days > latest + ask.value
  return taskOf(of, 'pipped', 'hatch', {
    due: today,
    what: `${pipped.count} pipped ${days ? `${days} ${days === 1 ? 'day' : 'days'} ago` : 'today'}: ${veryLong ? 'ask the vet, or someone trained' : long ? 'look, do not pull' : 'leave'}`,
    detail: `out ${usual ? `${usual.earliest}–${usual.latest}` : `about ${wait.value}`} days after the pip${eggs > pipped.count ? `; ${eggs - pipped.count} whole` : ''}`,
    actions: [
      { ...hatchedAction(of, pipped.count), label: 'Out' },
      ...(eggs > pipped.count ? [{ ...pippedAction(of), label: 'More pipped' }] : []),
      notYet,
      { label: 'Lost some', kind: 'eggsLost', data: {}, ask: { field: 'count', label: 'Eggs lost', likely: 1 } },
    ],
    caution: veryLong
      ? 'Longer than they take: someone who has done it, or the vet, decides. Opening a shell too early kills.'
      : LEAVE,
    reasons: [
      {
        rule: 'From pip to out the yolk is taken in; how long that takes is of the species',
        inputs: [
          computedInput('Pipped', `${pipped.count}, first ${formatDistance(pipped.since, today)}`),
          usual
            ? spreadInput('Pip to out', `species.${species.id}.incubation.pipToOut`, usual)
            : factInput('Pip to out, where the species does not say', 'common.pipWait.value', wait),
          factInput('Asked for help after so much longer', 'common.pipAsk.value', ask),
        ],
        change: 'Writing who is out',
      },
    ],
  })
}

/** Whole eggs beside hatched mates: ever less likely, and never opened while they may live. */
const behindTask: Sort = of => {
  const { clutch, eggs, context } = of
  const { today, almanac } = context
  const last = clutch.hatched.at(-1)
  const behind = almanac.common.eggsBehind!
  if (!last || clutch.lastCheck?.day === today || today - last.day < behind.value) return null
  const come = eggsToCome(clutch, context)
  const hardly = almanac.common.hatchHardlyAhead!
  if (!come || come.each < hardly.value) return closeTask(of, come?.each ?? 0, come?.reasons ?? [])
  return taskOf(of, 'behind', 'hatch', {
    due: today,
    what: `${eggs} ${eggs === 1 ? 'egg is' : 'eggs are'} behind the mates by ${today - last.day} days: look, do not pull`,
    detail: `${Math.round(come.each * 100)} % each that it still comes`,
    actions: [
      hatchedAction(of, 1),
      pippedAction(of),
      notYet,
      { label: 'Dead', kind: 'eggsLost', data: {}, ask: { field: 'count', label: 'Eggs that are dead', likely: eggs } },
    ],
    caution: LEAVE,
    reasons: [
      {
        rule: 'Whole so long after the last of its mates came out',
        inputs: [
          computedInput('Last hatch', formatDistance(last.day, today)),
          factInput('Told from', 'common.eggsBehind.value', behind),
        ],
      },
      ...come.reasons,
    ],
  })
}

/** Nothing more is to be expected: a last look, and the clutch is closed. */
function closeTask(of: OfClutch, ahead: number, reasons: Task['reasons']): Task {
  const { eggs, context } = of
  const hardly = context.almanac.common.hatchHardlyAhead!
  return taskOf(of, 'close', 'eggs', {
    due: context.today,
    what: `Candle a last time, and close the clutch: no hatch is likely of its ${eggs} eggs`,
    detail: `${Math.round(ahead * 100)} % that one still comes`,
    actions: [
      { label: 'Close', kind: 'clutchEnded', data: {}, tone: 'main' },
      { ...hatchedAction(of), tone: 'plain' },
      notYet,
    ],
    caution: 'Open a few that are surely dead to see how far they came; gloves, and wash hands after.',
    reasons: [
      {
        rule: 'What is left of the forecast hatched unseen, or does not hatch any more',
        inputs: [
          computedInput('Still to come', `${Math.round(ahead * 100)} %`),
          factInput('Waited for from', 'common.hatchHardlyAhead.value', hardly),
        ],
        change: 'A hatch, or a look that found eggs alive',
      },
      ...reasons,
    ],
  })
}

/** From the early end of the forecast on: a look a day for the first pip. */
const hatchTask: Sort = of => {
  const { clutch, species, eggs, context } = of
  const { today, almanac, lanes } = context
  const hatch = laneById(lanes, `clutch:${clutch.id}`)?.events.find(e => e.event === 'hatched')
  if (!hatch || hatch.observed) return null
  const ahead = 1 - hatch.dist.never - cumulative(hatch.dist, today - 1)
  if (ahead < almanac.common.hatchHardlyAhead!.value) return closeTask(of, ahead, hatch.reasons)
  const when = summarise(hatch.dist)
  if (!when || when.low > today + almanac.common.lookAhead!.value || clutch.lastCheck?.day === today) return null
  return taskOf(of, 'hatch', 'hatch', {
    due: today,
    what: `Look for pips, ${eggs} ${species.name} eggs`,
    detail: `hatch ${formatRange(when)}`,
    actions: [hatchedAction(of), pippedAction(of), notYet],
    caution: LEAVE,
    reasons: hatch.reasons,
  })
}

const candleTask: Sort = of => {
  const { clutch, eggs, context } = of
  const { today, almanac } = context
  const candled = almanac.common.eggsCandledAt!
  if (clutch.lastCandled || today - clutch.startDay < candled.value) return null
  return taskOf(of, 'candle', 'candle', {
    due: clutch.startDay + candled.value,
    what: `Candle ${eggs} eggs`,
    detail: `laid ${formatDistance(clutch.startDay, today)}`,
    actions: [
      {
        label: 'Good eggs',
        kind: 'candled',
        data: {},
        ask: { field: 'good', label: 'Good eggs', likely: eggs },
        tone: 'main',
      },
    ],
    caution: 'Do not turn the eggs. Isolate a doubtful firm egg, do not throw it out yet.',
    reasons: [
      {
        rule: 'Candled once for vessels',
        inputs: [
          computedInput('Days since laying', `${today - clutch.startDay}`),
          factInput('Candled at', 'common.eggsCandledAt.value', candled),
        ],
        change: 'What is good replaces the species’ fertility in the forecast',
      },
    ],
  })
}

/** The box is opened for air; what it lacks of its water is given back then. */
const airTask: Sort = of => {
  const { clutch, context } = of
  const { today, almanac, lanes } = context
  const opened = almanac.common.eggsOpenEvery!
  const last = clutch.lastCheck?.day ?? clutch.startDay
  if (!due(last + opened.value, today)) return null
  const hatch = laneById(lanes, `clutch:${clutch.id}`)?.events.find(e => e.event === 'hatched' && !e.observed)
  const when = hatch ? summarise(hatch.dist) : null
  const water = boxBalance(clutch, context)
  return taskOf(of, 'eggs', 'eggs', {
    due: last + opened.value,
    what: `Open the box, look at the eggs${water?.give ? `; give ${Math.round(water.give)} g of water` : ''}`,
    detail: when ? `hatch ${formatRange(when)}` : undefined,
    actions: [
      { label: 'All well', kind: 'eggsChecked', data: {}, tone: 'main' },
      { label: 'Lost some', kind: 'eggsLost', data: {}, ask: { field: 'count', label: 'Eggs lost', likely: 1 } },
      ...(water?.give
        ? [
            {
              label: 'Water given',
              kind: 'boxWatered',
              data: {},
              ask: { field: 'waterG', label: 'Water', unit: 'mass' as const, likely: Math.round(water.give) },
            },
          ]
        : []),
    ],
    reasons: [
      {
        rule: 'Opened for air, so often',
        inputs: [
          factInput('Opened every', 'common.eggsOpenEvery.value', opened),
          ...(clutch.lastCheck ? [entryInput('Last look', formatDistance(last, today), clutch.lastCheck)] : []),
        ],
      },
      ...(water?.give ? water.reasons : []),
    ],
  })
}

/** So many incubators are offered; more have the page of the clutch. */
const OFFERED = 4

/** Nothing is said of where the eggs lie: their date goes by what is usual. */
const whereTask: Sort = of => {
  const { clutch, species, context } = of
  const { house, almanac, today } = context
  const asked = almanac.common.whereAsked!
  // who has not said it by then does not want to
  if (clutch.placeId !== null || clutch.tempC !== null || today - clutch.startDay > asked.value) return null
  const incubators = Object.values(house.places)
    .filter(p => p.kind === 'incubator')
    .sort((a, b) => (a.name < b.name ? -1 : 1))
  if (!incubators.length || !species.incubation) return null
  return taskOf(of, 'where', 'eggs', {
    due: clutch.startDay,
    what: 'Say where the eggs lie',
    detail: `counted at ${formatQuantity(species.incubation.usualTempC.value, context.settings.tempUnit)} until then`,
    actions: incubators.slice(0, OFFERED).map((p, i): TaskAction => ({
      label: p.name,
      kind: 'clutchMoved',
      data: { placeId: p.id },
      tone: i ? 'plain' : 'main',
    })),
    reasons: [
      {
        rule: 'The day of hatching goes by the warmth of the eggs, and nothing is said of theirs',
        inputs: [
          factInput('Asked for', 'common.whereAsked.value', asked),
          factInput(
            'Usual temperature',
            `species.${species.id}.incubation.usualTempC.value`,
            species.incubation.usualTempC,
          ),
        ],
        change: 'Saying where they lie, or at what temperature',
      },
    ],
  })
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
