import { feederOf, speciesOf } from '../../almanac'
import { summarise } from '../../chance'
import { ladderStepAt } from '../../feeding'
import { almanacRow, computedInput, factInput } from '../../judgement'
import { offeredTimes } from '../../settings'
import { TADPOLE_FOOD, tadpolesLeft, youngInGroup } from '../../subjects'
import { formatRange } from '../../units'
import { subjectAs } from '../guard'
import { laneById } from '../indexes'
import type { Task } from '../contracts'
import { due, tasksOfEach, type TaskMaker } from './taskMaker'

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
      const { tadpolesFedEvery } = almanac.common
      const feedOn = clutch.tadpolesFed ? clutch.tadpolesFed.day + tadpolesFedEvery!.value : today
      if (tadpoles > 0 && due(feedOn, today)) {
        tasks.push({
          id: `tadpoles:${clutch.id}`,
          kind: 'feed',
          subject,
          tag: clutch.tag,
          placeId: clutch.placeId,
          due: feedOn,
          what: `Feed ${tadpoles} tadpoles flake`,
          actions: [
            { label: 'Fed', kind: 'groupFed', data: { prey: TADPOLE_FOOD, each: 1 }, tone: 'main' },
            { label: 'Lost some', kind: 'youngLost', data: {}, ask: { field: 'count', label: 'Lost', likely: 1 } },
          ],
          caution: 'Many are cannibals while small: one per cup to about 20 mm, then together with cover.',
          reasons: [
            {
              rule: 'Tadpoles are fed little and often',
              inputs: [
                computedInput('Alive', `${tadpoles}`),
                factInput('Every', 'common.tadpolesFedEvery.value', tadpolesFedEvery!),
              ],
            },
          ],
        })
      }
      if (young > 0) {
        const first = laneById(lanes, `clutch:${clutch.id}`)?.events.find(e => e.event === 'firstMeal')
        const opens = clutch.firstFed?.day ?? (first ? (summarise(first.dist)?.low ?? today) : today)
        const { step, index } = ladderStepAt(species.ladder, Math.max(0, today - opens))
        const dueDay = clutch.lastFed ? clutch.lastFed.day + step.everyDays : opens
        if (due(dueDay, today)) {
          const scale = species.eats === 'insects' ? offeredTimes(settings) : 1
          const [main, ...others] = step.meal
          const all = step.meal.map(m => `${Math.round(young * m.count * scale)} ${feederOf(almanac, m.prey).many}`)
          tasks.push({
            id: `young:${clutch.id}`,
            kind: 'feed',
            subject,
            tag: clutch.tag,
            placeId: clutch.placeId,
            due: dueDay,
            everyDays: step.everyDays,
            what: `Feed ${young} young: ${all.join(' and ')}`,
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
      const { lookAhead, layingHardlyAhead } = almanac.common
      if (!birth || !when || when.low > today + lookAhead!.value || dam.lastCheck?.day === today) return []
      if (1 - birth.dist.never < layingHardlyAhead!.value) return []
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
