import { schoolChoice, speciesOf } from '../../almanac'
import { computedInput, factInput } from '../../judgement'
import { leftCrowded, tadpoleGrowth } from '../../nursery'
import { tadpolesLeft, TADPOLE_HOME_WORDS, type ClutchState } from '../../subjects'
import { counted, formatDay, formatDistance } from '../../units'
import type { SeasonContext } from '../context'
import type { Task } from '../contracts'
import { subjectAs } from '../guard'
import { due, tasksOfEach, type TaskMaker } from './taskMaker'

const taskOf = (
  clutch: ClutchState,
  id: string,
  rest: Omit<Task, 'id' | 'kind' | 'subject' | 'tag' | 'placeId'>,
): Task => ({
  id: `${id}:${clutch.id}`,
  kind: 'tadpoles',
  subject: { type: 'clutch', id: clutch.id },
  tag: clutch.tag,
  placeId: clutch.placeId,
  ...rest,
})

/** How tadpoles are kept while they are small, when they may live together, and who is measured. */
function housingTasks(clutch: ClutchState, count: number, { almanac, settings, today }: SeasonContext): Task[] {
  const { common } = almanac
  const species = speciesOf(almanac, clutch.speciesId)
  const hatched = Math.min(...clutch.hatched.map(h => h.day))
  const growth = tadpoleGrowth(species, hatched, clutch.tadpoleLengths ?? [], today, common)
  const school = schoolChoice(almanac, settings.schools, 'tadpoleHousing', species.id)
  const singly = school.fact!.value > 0
  const { tadpoleTogether: until, tadpolesABox: aBox, tadpoleCrowded: crowded, tadpoleMeasure: every } = common
  const boxes = Math.max(1, Math.ceil(count / aBox!.value))
  const { housed } = clutch
  const mm = `about ${Math.round(growth.mm)} mm`
  const inCups = { label: 'In cups', kind: 'tadpolesHoused', data: { how: 'cups', boxes: count } }
  const together = { label: 'Together', kind: 'tadpolesHoused', data: { how: 'together', boxes } }
  const measure = {
    label: 'Measured',
    kind: 'tadpoleMeasured',
    data: {},
    ask: { field: 'mm', label: 'Length with tail, mm', likely: Math.round(growth.mm) },
  }
  const reasons = [
    {
      rule: `${school.name}: ${school.reason}`,
      inputs: [
        computedInput('Tadpoles', `${count}`),
        computedInput('Kept', housed ? TADPOLE_HOME_WORDS[housed.how] : 'nobody said'),
        factInput('Of a week crowded are left', 'common.tadpoleCrowded.value', crowded!),
        factInput('To a box', 'common.tadpolesABox.value', aBox!),
      ],
      change: 'A count, a length, or the other school in Settings',
    },
    ...growth.reasons,
  ]
  const tasks: Task[] = []
  const large = growth.together <= today
  if (!large && (!housed || housed.how === 'crowded')) {
    const left = Math.round(leftCrowded(count, 7, common))
    tasks.push(
      taskOf(clutch, 'house', {
        due: today,
        what: singly ? `One tadpole a cup: ${count} cups` : `${counted(boxes, 'box', 'boxes')} with plants to hide in`,
        detail: [
          mm,
          ...(singly ? [`until ${until!.value} mm, ${formatDay(growth.together, today)}`] : []),
          `crowded, about ${left} of ${count} are left in a week`,
        ].join('; '),
        actions: [{ ...(singly ? inCups : together), tone: 'main' }, singly ? together : inCups, measure],
        reasons,
      }),
    )
  } else if (large && housed?.how === 'cups')
    tasks.push(
      taskOf(clutch, 'house', {
        due: growth.together,
        what: `Put them together: ${counted(boxes, 'box', 'boxes')} with plants`,
        detail: `${mm}: they no longer eat each other`,
        actions: [{ ...together, tone: 'main' }, measure],
        reasons,
      }),
    )
  const measured = clutch.tadpoleLengths?.at(-1)?.day ?? hatched
  if (housed?.how === 'cups' && !large && due(measured + every!.value, today))
    tasks.push(
      taskOf(clutch, 'measure', {
        due: measured + every!.value,
        what: 'Measure a tadpole',
        detail: `${mm} by now; together from ${until!.value} mm`,
        actions: [{ ...measure, tone: 'main' }],
        reasons,
      }),
    )
  return tasks
}

function waterTask(clutch: ClutchState, { almanac, today }: SeasonContext): Task[] {
  const every = almanac.common.tadpoleWater!
  const last = clutch.waterChanged?.day ?? Math.min(...clutch.hatched.map(h => h.day))
  if (!due(last + every.value, today)) return []
  return [
    taskOf(clutch, 'water', {
      due: last + every.value,
      what: 'Change their water',
      detail: clutch.waterChanged ? `changed ${formatDistance(last, today)}` : 'nobody wrote that it was changed',
      actions: [
        { label: 'Changed', kind: 'waterChanged', data: {}, tone: 'main' },
        { label: 'It was cloudy', kind: 'waterChanged', data: { cloudy: true } },
      ],
      caution: 'Standing water of the same warmth, without chlorine. Cloudy water is changed at once.',
      reasons: [
        {
          rule: 'Water of tadpoles is changed by rhythm, and at once when it is cloudy',
          inputs: [factInput('Every', 'common.tadpoleWater.value', every)],
          change: 'Writing that it was changed',
        },
      ],
    }),
  ]
}

/** What tadpoles want beside food. */
export const tadpoleTasks: TaskMaker = context =>
  tasksOfEach(context, Object.values(context.house.clutches), subjectAs('clutch'), (clutch, of): Task[] => {
    const count = tadpolesLeft(clutch)
    return clutch.ended || count === 0 ? [] : [...housingTasks(clutch, count, of), ...waterTask(clutch, of)]
  })
