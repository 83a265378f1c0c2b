import { schoolChoice, speciesOf } from '../../almanac'
import { leftCrowded, tadpoleGrowth } from '../../nursery'
import { tadpolesLeft, type ClutchState } from '../../subjects'
import type { SeasonContext } from '../context'
import type { Task, TaskAction } from '../contracts'
import { subjectAs } from '../guard'
import { about } from './about'
import { LABELS, tellHousing, tellMeasure, tellPutTogether, tellWater, type Tadpoles } from './tadpolesWording'
import { due, tasksOfEach, type TaskMaker } from './taskMaker'

const base = (sort: string, clutch: ClutchState) => ({
  ...about(clutch, 'clutch'),
  id: `${sort}:${clutch.id}`,
  kind: 'tadpoles',
})

const firstHatched = ({ hatched }: ClutchState): number => Math.min(...hatched.map(h => h.day))

/** How tadpoles are kept while they are small, when they may live together, and who is measured. */
function housingTasks(clutch: ClutchState, count: number, { almanac, settings, today }: SeasonContext): Task[] {
  const { common } = almanac
  const species = speciesOf(almanac, clutch.speciesId)
  const growth = tadpoleGrowth(species, firstHatched(clutch), clutch.tadpoleLengths ?? [], today, common)
  const school = schoolChoice(almanac, settings.schools, 'tadpoleHousing', species.id)
  const singly = school.fact!.value > 0
  const boxes = Math.max(1, Math.ceil(count / common.tadpolesABox!.value))
  const { housed } = clutch
  const inCups: TaskAction = { label: LABELS.inCups, kind: 'tadpolesHoused', data: { how: 'cups', boxes: count } }
  const together: TaskAction = { label: LABELS.together, kind: 'tadpolesHoused', data: { how: 'together', boxes } }
  const measure: TaskAction = {
    label: LABELS.measured,
    kind: 'tadpoleMeasured',
    data: {},
    ask: { field: 'mm', label: LABELS.length, likely: Math.round(growth.mm) },
  }
  const tadpoles: Tadpoles = { count, boxes, singly, school, housed, growth }
  const large = growth.together <= today
  if (!large && (!housed || housed.how === 'crowded')) {
    const [first, other] = singly ? [inCups, together] : [together, inCups]
    const left = Math.round(leftCrowded(count, 7, common))
    return [
      {
        ...base('house', clutch),
        due: today,
        actions: [{ ...first, tone: 'main' }, other, measure],
        ...tellHousing(tadpoles, left, almanac, today),
      },
    ]
  }
  if (housed?.how !== 'cups') return []
  if (large)
    return [
      {
        ...base('house', clutch),
        due: growth.together,
        actions: [{ ...together, tone: 'main' }, measure],
        ...tellPutTogether(tadpoles, almanac),
      },
    ]
  const measureOn = (clutch.tadpoleLengths?.at(-1)?.day ?? firstHatched(clutch)) + common.tadpoleMeasure!.value
  if (!due(measureOn, today)) return []
  return [
    {
      ...base('measure', clutch),
      due: measureOn,
      actions: [{ ...measure, tone: 'main' }],
      ...tellMeasure(tadpoles, almanac),
    },
  ]
}

function waterTask(clutch: ClutchState, { almanac, today }: SeasonContext): Task[] {
  const every = almanac.common.tadpoleWater!
  const last = clutch.waterChanged?.day ?? firstHatched(clutch)
  if (!due(last + every.value, today)) return []
  return [
    {
      ...base('water', clutch),
      due: last + every.value,
      actions: [
        { label: LABELS.changed, kind: 'waterChanged', data: {}, tone: 'main' },
        { label: LABELS.cloudy, kind: 'waterChanged', data: { cloudy: true } },
      ],
      ...tellWater(clutch.waterChanged?.day ?? null, every, today),
    },
  ]
}

/** What tadpoles want beside food. */
export const tadpoleTasks: TaskMaker = context =>
  tasksOfEach(context, Object.values(context.house.clutches), subjectAs('clutch'), (clutch, of): Task[] => {
    const count = tadpolesLeft(clutch)
    return clutch.ended || count === 0 ? [] : [...housingTasks(clutch, count, of), ...waterTask(clutch, of)]
  })
