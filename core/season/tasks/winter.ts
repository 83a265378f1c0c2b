import { COLD_ACTION_WORDS, warmingDays, warmingSteps } from '../../brumation'
import { factInput, computedInput, entryInput } from '../../judgement'
import { inCold, livingAnimals, type AnimalState, type House } from '../../subjects'
import { formatDay, formatDistance, formatQuantity } from '../../units'
import type { Task } from '../contracts'
import { coldOf, warmUpOf } from '../winter'
import { due, lastWeight, tasksOfEach, type TaskMaker, weighAction } from './taskMaker'

const about = (animal: AnimalState) => ({
  subject: { type: 'animal' as const, id: animal.id },
  tag: animal.tag,
  placeId: animal.placeId,
})

/** Baths, starting weight and cooling of the animals of planned groups. */
export const coolingTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    context.winter.groups,
    g => ({ type: 'winter', id: g.groupId }),
    (group, { house, today }) => {
      const { programme } = group
      return group.members
        .filter(m => m.state === 'awake')
        .flatMap((member): Task[] => {
          const animal = house.animals[member.animalId]!
          const tasks: Task[] = []
          const { eligibility } = member
          const fit = eligibility?.value.fitness === 'cool' || eligibility?.value.fitness === 'shorten'
          const bath = programme.bathDays.filter(d => due(d, today)).at(-1)
          if (bath !== undefined && today < programme.coolDay && (!animal.lastWater || animal.lastWater.day < bath)) {
            tasks.push({
              ...about(animal),
              id: `bath:${animal.id}`,
              kind: 'winter',
              due: bath,
              what: 'Bathe, to clear the gut',
              detail: `cooled from ${formatDay(programme.coolDay, today)}`,
              actions: [{ label: 'Bathed', kind: 'watered', data: { bath: true }, tone: 'main' }],
              reasons: [
                {
                  rule: 'Tortoises fast with baths before the cold (common practice)',
                  inputs: [factInput('Every', 'common.bathEvery.value', context.almanac.common.bathEvery!)],
                },
                ...programme.reasons,
              ],
              caution: 'Shallow, hand-warm, watched; wash hands after, tortoises carry salmonella.',
            })
          }
          const last = animal.weights.at(-1)
          const { startWeightDue, startWeightBefore } = context.almanac.common
          const weighOn = programme.coolDay - startWeightDue!.value
          if (due(weighOn, today) && (!last || last.day < programme.coolDay - startWeightBefore!.value)) {
            tasks.push({
              ...about(animal),
              id: `startweight:${animal.id}`,
              kind: 'winter',
              due: weighOn,
              what: 'Weigh before the cold',
              detail: lastWeight(last, today),
              actions: [weighAction(last)],
              reasons: [
                {
                  rule: 'Every loss in the cold is counted from this weight',
                  inputs: [computedInput('Cooled from', formatDay(programme.coolDay, today))],
                },
              ],
            })
          }
          if (due(programme.coolDay, today)) {
            const rest = programme.kind === 'dormancy'
            tasks.push({
              ...about(animal),
              id: `cool:${animal.id}`,
              kind: 'winter',
              due: programme.coolDay,
              what: fit
                ? `${rest ? 'Begin its rest' : 'Cool down'} with ${group.tag}`
                : `Not to be ${rest ? 'rested' : 'cooled'} with ${group.tag}`,
              detail: fit
                ? eligibility!.value.fitness === 'shorten'
                  ? eligibility!.value.text
                  : undefined
                : eligibility?.value.text,
              actions: fit
                ? [
                    {
                      label: rest ? 'Rest begun' : 'Cooled',
                      kind: 'cooledDown',
                      data: rest ? {} : { placeId: group.placeId },
                      tone: 'main',
                    },
                  ]
                : [
                    {
                      label: 'Leave it out',
                      kind: 'winterMemberLeft',
                      data: { animalId: animal.id },
                      subject: { type: 'winter', id: group.groupId },
                      tone: 'main',
                    },
                  ],
              reasons: [...(eligibility?.reasons ?? []), ...programme.reasons],
              ...(!fit && { caution: 'Never cool a sick, thin or undigested animal.' }),
            })
          }
          return tasks
        })
    },
  )

function companions(house: House, animal: AnimalState): AnimalState[] {
  const place = animal.placeId ? house.places[animal.placeId] : undefined
  if (place?.kind !== 'tub') return []
  return livingAnimals(house).filter(a => a.id !== animal.id && a.placeId === animal.placeId && inCold(a))
}

/** Water and taking out for those in trouble, and waking on the planned day. */
export const coldTasks: TaskMaker = context => {
  const { house, winter, today } = context
  return tasksOfEach(
    context,
    winter.cold,
    c => ({ type: 'animal', id: c.animalId }),
    (cold): Task[] => {
      const animal = house.animals[cold.animalId]!
      const tasks: Task[] = []
      const { action, text } = cold.verdict.value
      if (action === 'takeOut' || action === 'offerWater') {
        tasks.push({
          ...about(animal),
          id: `trouble:${animal.id}`,
          kind: 'winter',
          due: today,
          what: COLD_ACTION_WORDS[action],
          detail: text,
          reasons: cold.verdict.reasons,
          actions:
            action === 'takeOut'
              ? [{ label: 'Taken out', kind: 'warmedUp', data: { early: true }, tone: 'main' }]
              : [
                  { label: 'Water offered', kind: 'watered', data: {}, tone: 'main' },
                  { label: 'Taken out', kind: 'warmedUp', data: { early: true } },
                ],
          caution:
            action === 'takeOut'
              ? 'Warm it as its species is warmed, water first. A loss this quick is mostly water or illness: see the vet.'
              : 'Water it can reach without drowning; look for noisy breath and discharge.',
        })
      }
      if (action !== 'takeOut' && due(cold.wakeDay, today)) {
        const apart = companions(house, animal)
        const programme = coldOf(animal, context)!.programme
        tasks.push({
          ...about(animal),
          id: `wake:${animal.id}`,
          kind: 'winter',
          due: cold.wakeDay,
          what: cold.kind === 'dormancy' ? 'End its rest' : 'Warm up',
          detail: apart.length ? `separate from ${apart.map(a => a.tag).join(', ')} today` : undefined,
          actions: [
            { label: cold.kind === 'dormancy' ? 'Rest ended' : 'Warmed up', kind: 'warmedUp', data: {}, tone: 'main' },
          ],
          reasons: programme.reasons,
          ...(apart.length && { caution: 'Everything that shared a tub is separated the day it warms.' }),
        })
      }
      return tasks
    },
  )
}

/** A step that nobody wrote is asked for so many days more. */
const STILL_TOLD = 3

/** The steps of warming up, where the house warms in steps. */
export const warmingTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    context.winter.recovering,
    r => ({ type: 'animal', id: r.animalId }),
    (r): Task[] => {
      const { house, today } = context
      const animal = house.animals[r.animalId]!
      const { almanac } = context
      const warmUp = warmUpOf(animal, context)
      const days = warmingDays(almanac, warmUp)
      if (warmUp !== 'steps' || today - r.warmedDay > days + STILL_TOLD) return []
      const { thenC, thenAfter } = warmingSteps(almanac)
      const { tempUnit } = context.settings
      const step = [
        { after: thenAfter, words: `Move to about ${formatQuantity(thenC, tempUnit)}` },
        { after: days, words: 'Move to full warmth, with its basking place' },
      ]
        .filter(s => due(r.warmedDay + s.after, today))
        .at(-1)
      if (!step || (animal.lastCheck && animal.lastCheck.day >= r.warmedDay + step.after)) return []
      return [
        {
          ...about(animal),
          id: `warm:${animal.id}`,
          kind: 'winter',
          due: r.warmedDay + step.after,
          what: step.words,
          detail: `warmed up ${formatDistance(r.warmedDay, today)}`,
          actions: [{ label: 'Moved, well', kind: 'checked', data: { well: true }, tone: 'main' }],
          reasons: [
            {
              rule: 'Warmed in steps: a cool room, a warm one, then full warmth',
              inputs: [
                entryInput('Warmed up', formatDay(r.warmedDay, today), animal.warmed!),
                factInput('First at', 'common.warmFirstC.value', almanac.common.warmFirstC!),
                factInput('For', 'common.warmThenAfter.value', almanac.common.warmThenAfter!),
                factInput('Then at', 'common.warmThenC.value', almanac.common.warmThenC!),
                computedInput('Full warmth after', `${days} days`),
              ],
              change: 'Another school of warming up in Settings or in the group',
            },
          ],
        },
      ]
    },
  )
