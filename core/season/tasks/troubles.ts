import { feederOf } from '../../almanac'
import { cultureWay } from '../../supply'
import { TROUBLE_WORDS, type CultureState } from '../../subjects'
import { subjectAs } from '../guard'
import { troubleOf } from '../troubles'
import type { Task, TaskAction } from '../contracts'
import { tasksOfEach, type TaskContext, type TaskMaker } from './taskMaker'
import { LABELS, tellTrouble } from './troublesWording'

function taskOf(culture: CultureState, trouble: CultureState['troubles'][number], context: TaskContext): Task {
  const stands = troubleOf(culture, trouble, context)
  const { cause, causes } = stands
  const first = causes[0]
  const follow = (label: string, says: 'not' | 'is' | 'over', tone?: 'main'): TaskAction => ({
    label,
    kind: 'troubleFollowed',
    data: { of: trouble.entryId, says, ...(says !== 'over' && { cause: first!.id }) },
    ...(tone && { tone }),
  })
  const once = cultureWay(feederOf(context.almanac, culture.feederId), culture)?.kind === 'batch'
  return {
    id: `trouble:${trouble.entryId}`,
    kind: 'found',
    subject: { type: 'culture', id: culture.id },
    tag: culture.tag,
    placeId: culture.placeId,
    due: trouble.day,
    actions: [
      ...(cause || !first
        ? [follow(LABELS.over, 'over', 'main')]
        : [follow(LABELS.isIt, 'is', 'main'), follow(LABELS.isNot, 'not')]),
      ...(once ? [{ label: LABELS.out, kind: 'cultureFailed', data: { why: TROUBLE_WORDS[trouble.what] } }] : []),
    ],
    ...tellTrouble(stands),
  }
}

/** What was found in a culture: the likeliest cause to look at, and once it is known what to do, until it is over. */
export const troubleTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    Object.values(context.house.cultures).filter(c => !c.failed && !c.finished && c.troubles.some(t => !t.over)),
    subjectAs('culture'),
    culture => culture.troubles.filter(t => !t.over).map(trouble => taskOf(culture, trouble, context)),
  )
