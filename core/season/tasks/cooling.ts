import type { AnimalState } from '../../subjects'
import type { SeasonContext } from '../context'
import type { Task, WinterGroupView } from '../contracts'
import { about } from './about'
import { LABELS, tellBath, tellCool, tellNotToCool, tellStartWeight } from './coolingWording'
import { due, tasksOfEach, type TaskMaker, weighAction } from './taskMaker'

type Member = WinterGroupView['members'][number]

/** Tortoises fast with baths. */
function bathTask({ programme }: WinterGroupView, animal: AnimalState, { almanac, today }: SeasonContext): Task[] {
  const bath = programme.bathDays.filter(d => due(d, today)).at(-1)
  if (bath === undefined || today >= programme.coolDay) return []
  if (animal.lastWater && animal.lastWater.day >= bath) return []
  return [
    {
      ...about(animal),
      id: `bath:${animal.id}`,
      kind: 'winter',
      due: bath,
      actions: [{ label: LABELS.bathed, kind: 'watered', data: { bath: true }, tone: 'main' }],
      ...tellBath(programme, almanac, today),
    },
  ]
}

/** Every loss in the cold is counted from this weight. */
function startWeightTask(
  { programme }: WinterGroupView,
  animal: AnimalState,
  { almanac, today }: SeasonContext,
): Task[] {
  const last = animal.weights.at(-1)
  const { startWeightDue, startWeightBefore } = almanac.common
  const weighOn = programme.coolDay - startWeightDue!.value
  if (!due(weighOn, today) || (last && last.day >= programme.coolDay - startWeightBefore!.value)) return []
  return [
    {
      ...about(animal),
      id: `startweight:${animal.id}`,
      kind: 'winter',
      due: weighOn,
      actions: [weighAction(last)],
      ...tellStartWeight(programme, last, today),
    },
  ]
}

/** On its day each is cooled that is fit for it, and left out that is not. */
function coolTask(group: WinterGroupView, member: Member, animal: AnimalState, today: number): Task[] {
  const { programme } = group
  if (!due(programme.coolDay, today)) return []
  const { eligibility } = member
  const fitness = eligibility?.value.fitness
  const base = { ...about(animal), id: `cool:${animal.id}`, kind: 'winter', due: programme.coolDay }
  if (fitness === 'cool' || fitness === 'shorten') {
    const rests = programme.kind === 'dormancy'
    const data = rests ? {} : { placeId: group.placeId }
    return [
      {
        ...base,
        actions: [{ label: rests ? LABELS.rested : LABELS.cooled, kind: 'cooledDown', data, tone: 'main' }],
        ...tellCool(group, eligibility!),
      },
    ]
  }
  return [
    {
      ...base,
      actions: [
        {
          label: LABELS.leftOut,
          kind: 'winterMemberLeft',
          data: { animalId: animal.id },
          subject: { type: 'winter', id: group.groupId },
          tone: 'main',
        },
      ],
      ...tellNotToCool(group, eligibility),
    },
  ]
}

/** Baths, starting weight and cooling of the animals of planned groups. */
export const coolingTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    context.winter.groups,
    g => ({ type: 'winter', id: g.groupId }),
    group =>
      group.members
        .filter(m => m.state === 'awake')
        .flatMap((member): Task[] => {
          const animal = context.house.animals[member.animalId]!
          return [
            ...bathTask(group, animal, context),
            ...startWeightTask(group, animal, context),
            ...coolTask(group, member, animal, context.today),
          ]
        }),
  )
