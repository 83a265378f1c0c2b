import { feederOf, speciesOf } from '../../almanac'
import { cumulative, summarise } from '../../chance'
import { ladderStepAt } from '../../feeding'
import { almanacRow, computedInput, entryInput, factInput } from '../../judgement'
import { eggsLeft, tadpolesLeft, youngInGroup } from '../../subjects'
import { formatDistance, formatRange } from '../../units'
import { subjectAs } from '../guard'
import { laneById } from '../indexes'
import type { Task } from '../contracts'
import { due, tasksOfEach, type TaskMaker } from './taskMaker'

export const eggTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    Object.values(context.house.clutches),
    subjectAs('clutch'),
    (clutch, { almanac, today, lanes }): Task[] => {
      const eggs = clutch.kind === 'eggs' && !clutch.ended ? eggsLeft(clutch) : 0
      if (!eggs || clutch.hatched.some(h => today - h.day >= almanac.common.lastHatch!.value)) return []
      const species = speciesOf(almanac, clutch.speciesId)
      const subject = { type: 'clutch' as const, id: clutch.id }
      const hatch = laneById(lanes, `clutch:${clutch.id}`)?.events.find(e => e.event === 'hatched')
      const when = hatch && !hatch.observed ? summarise(hatch.dist) : null
      // what is left hatched unseen, or does not hatch any more
      const ahead = hatch && !hatch.observed ? 1 - hatch.dist.never - cumulative(hatch.dist, today - 1) : 1
      const hardly = almanac.common.hatchHardlyAhead!
      if (hatch && ahead < hardly.value) {
        return [
          {
            id: `close:${clutch.id}`,
            kind: 'eggs',
            subject,
            tag: clutch.tag,
            placeId: clutch.placeId,
            due: today,
            what: `Candle a last time, and close the clutch: no hatch is likely of its ${eggs} eggs`,
            detail: `${Math.round(ahead * 100)} % that one still comes`,
            actions: [
              { label: 'Close', kind: 'clutchEnded', data: {}, tone: 'main' },
              {
                label: 'Hatched',
                kind: 'hatched',
                data: {},
                ask: { field: 'count', label: 'How many hatched', likely: clutch.good ?? eggs },
              },
              { label: 'Not yet', kind: 'eggsChecked', data: {} },
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
              ...hatch.reasons,
            ],
          },
        ]
      }
      if (when && when.low <= today + 2) {
        if (clutch.lastCheck?.day === today) return []
        return [
          {
            id: `hatch:${clutch.id}`,
            kind: 'hatch',
            subject,
            tag: clutch.tag,
            placeId: clutch.placeId,
            due: today,
            what: `Look for pips, ${eggs} ${species.name} eggs`,
            detail: `hatch ${formatRange(when)}`,
            actions: [
              {
                label: 'Hatched',
                kind: 'hatched',
                data: {},
                ask: { field: 'count', label: 'How many hatched', likely: clutch.good ?? eggs },
                tone: 'main',
              },
              { label: 'Not yet', kind: 'eggsChecked', data: {} },
            ],
            caution: 'Leave them in the box till out and the yolk is in; never pull.',
            reasons: hatch!.reasons,
          },
        ]
      }
      const candled = almanac.common.eggsCandledAt!
      if (!clutch.lastCandled && today - clutch.startDay >= candled.value) {
        return [
          {
            id: `candle:${clutch.id}`,
            kind: 'candle',
            subject,
            tag: clutch.tag,
            placeId: clutch.placeId,
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
          },
        ]
      }
      const last = clutch.lastCheck?.day ?? clutch.startDay
      const opened = almanac.common.eggsOpenEvery!
      if (!due(last + opened.value, today)) return []
      return [
        {
          id: `eggs:${clutch.id}`,
          kind: 'eggs',
          subject,
          tag: clutch.tag,
          placeId: clutch.placeId,
          due: last + opened.value,
          what: 'Open the box, look at the eggs',
          detail: when ? `hatch ${formatRange(when)}` : undefined,
          actions: [
            { label: 'All well', kind: 'eggsChecked', data: {}, tone: 'main' },
            { label: 'Lost some', kind: 'eggsLost', data: {}, ask: { field: 'count', label: 'Eggs lost', likely: 1 } },
          ],
          reasons: [
            {
              rule: 'Opened for air, so often',
              inputs: [
                factInput('Opened every', 'common.eggsOpenEvery.value', opened),
                ...(clutch.lastCheck ? [entryInput('Last look', formatDistance(last, today), clutch.lastCheck)] : []),
              ],
            },
          ],
        },
      ]
    },
  )

/** Groups of young and tadpoles that are fed together. */
export const nurseryTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    Object.values(context.house.clutches),
    subjectAs('clutch'),
    (clutch, { almanac, settings, today, lanes }): Task[] => {
      const young = youngInGroup(clutch)
      const tadpoles = tadpolesLeft(clutch)
      if (clutch.ended || young + tadpoles === 0) return []
      const species = speciesOf(almanac, clutch.speciesId)
      const subject = { type: 'clutch' as const, id: clutch.id }
      const tasks: Task[] = []
      if (tadpoles > 0 && clutch.lastFed?.day !== today) {
        tasks.push({
          id: `tadpoles:${clutch.id}`,
          kind: 'feed',
          subject,
          tag: clutch.tag,
          placeId: clutch.placeId,
          due: today,
          what: `Feed ${tadpoles} tadpoles flake`,
          actions: [
            { label: 'Fed', kind: 'groupFed', data: { prey: 'flake', each: 1 }, tone: 'main' },
            { label: 'Lost some', kind: 'youngLost', data: {}, ask: { field: 'count', label: 'Lost', likely: 1 } },
          ],
          caution: 'Many are cannibals while small: one per cup to about 20 mm, then together with cover.',
          reasons: [
            { rule: 'Tadpoles are fed daily (common practice)', inputs: [computedInput('Alive', `${tadpoles}`)] },
          ],
        })
      }
      if (young > 0) {
        const first = laneById(lanes, `clutch:${clutch.id}`)?.events.find(e => e.event === 'firstMeal')
        const opens = clutch.firstFed?.day ?? (first ? (summarise(first.dist)?.low ?? today) : today)
        const { step, index } = ladderStepAt(species.ladder, Math.max(0, today - opens))
        const dueDay = clutch.lastFed ? clutch.lastFed.day + step.everyDays : opens
        if (due(dueDay, today)) {
          const scale = species.eats === 'insects' ? settings.appetite : 1
          const [main, ...others] = step.meal
          tasks.push({
            id: `young:${clutch.id}`,
            kind: 'feed',
            subject,
            tag: clutch.tag,
            placeId: clutch.placeId,
            due: dueDay,
            what: `Feed ${young} young ${step.meal.map(m => `${Math.round(young * m.count * scale)} ${feederOf(almanac, m.prey).many}`).join(' and ')}`,
            detail: clutch.firstFed ? undefined : 'first meal',
            actions: [
              {
                label: 'Fed',
                kind: 'groupFed',
                data: { prey: main!.prey, each: main!.count * scale },
                also: others.map(m => ({ prey: m.prey, each: m.count * scale })),
                tone: 'main',
              },
              { label: 'Lost some', kind: 'youngLost', data: {}, ask: { field: 'count', label: 'Lost', likely: 1 } },
            ],
            reasons: [
              {
                rule: `Every ${step.everyDays} days on this step of the ladder, ${young} mouths`,
                inputs: step.meal.map((m, i) => ({
                  label: feederOf(almanac, m.prey).name,
                  value: `${m.count} each`,
                  from: almanacRow(`species.${species.id}.ladder.${index}.meal.${i}.count`, step),
                })),
              },
            ],
          })
        }
      }
      return tasks
    },
  )

/** Females near laying or birth: looked at every day. */
export const gravidTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    context.lanes,
    l => l.subject,
    (lane, { house, almanac, today }): Task[] => {
      if (lane.kind !== 'pair') return []
      const birth = lane.events.find(e => (e.event === 'laid' || e.event === 'born') && !e.observed)
      const when = birth ? summarise(birth.dist) : null
      const pairing = house.pairings[lane.subject.id]!
      const dam = house.animals[pairing.damId]!
      if (!birth || !when || when.low > today + 2 || birth.dist.never > 0.9 || dam.lastCheck?.day === today) return []
      const species = speciesOf(almanac, lane.speciesId)
      const born = birth.event === 'born'
      const ask = {
        field: born ? 'live' : 'eggs',
        label: born ? 'Live young' : 'Eggs',
        likely: Math.round(species.clutchSize.likely),
      }
      return [
        {
          id: `gravid:${lane.id}`,
          kind: 'gravid',
          subject: lane.subject,
          tag: dam.tag,
          placeId: dam.placeId,
          due: today,
          what: born ? 'Look for young' : species.mode === 'larval' ? 'Look for spawn' : 'Look for eggs',
          detail: formatRange(when),
          actions: [
            {
              label: born ? 'Gave birth' : 'Laid',
              kind: born ? 'born' : 'laid',
              founds: 'clutch',
              data: {},
              ask,
              tone: 'main',
            },
            { label: 'Not yet', kind: 'checked', data: { well: true }, subject: { type: 'animal', id: dam.id } },
          ],
          caution: born
            ? 'Straining without young for hours is an emergency: call the reptile vet.'
            : 'Straining without eggs, or swelling at the vent: call the reptile vet.',
          reasons: birth.reasons,
        },
      ]
    },
  )
