import { feederOf } from '../../almanac'
import { cultureWay } from '../../supply'
import { TROUBLE_WORDS, type CultureState } from '../../subjects'
import { subjectAs } from '../guard'
import { NO_CAUSE, troubleOf } from '../troubles'
import type { Task, TaskAction } from '../contracts'
import { tasksOfEach, type TaskContext, type TaskMaker } from './taskMaker'

function taskOf(culture: CultureState, trouble: CultureState['troubles'][number], context: TaskContext): Task {
  const { answer, cause, causes, reasons, carriedTo } = troubleOf(culture, trouble, context)
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
    what: answer,
    detail: `${cause ? `${cause.name}: ${cause.remedy}` : first ? `${first.name}? ${first.look}` : NO_CAUSE}${carriedTo.length ? `; founded from it, look at them too: ${carriedTo.join(', ')}` : ''}`,
    actions: [
      ...(cause || !first
        ? [follow('It is over', 'over', 'main')]
        : [follow('That is it', 'is', 'main'), follow('Not that', 'not')]),
      ...(once ? [{ label: 'Out', kind: 'cultureFailed', data: { why: TROUBLE_WORDS[trouble.what] } }] : []),
    ],
    reasons,
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
