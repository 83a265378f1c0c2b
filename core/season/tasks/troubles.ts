import { feederOf } from '../../almanac'
import { causeNamed, causesOf, cultureWay } from '../../supply'
import { TROUBLE_WORDS } from '../../subjects'
import { formatDistance, upperFirst } from '../../units'
import { subjectAs } from '../guard'
import { cultureTempC } from '../warmth'
import type { Task } from '../contracts'
import { tasksOfEach, type TaskMaker } from './taskMaker'

/** What was found in a culture: the likeliest cause to look at, and once it is known what to do, until it is over. */
export const troubleTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    Object.values(context.house.cultures).filter(c => !c.failed && !c.finished && c.troubles.some(t => !t.over)),
    subjectAs('culture'),
    (culture, { house, almanac, today }): Task[] => {
      const feeder = feederOf(almanac, culture.feederId)
      const cultures = Object.values(house.cultures)
      const known = { feeder, tempC: cultureTempC(culture, { house, almanac }), cultures, almanac, today }
      return culture.troubles
        .filter(t => !t.over)
        .map((trouble): Task => {
          const { causes, reasons } = causesOf(culture, trouble, known)
          const cause = trouble.cause ? causeNamed(trouble.what, trouble.cause) : undefined
          const first = causes[0]
          const follow = (says: 'not' | 'is' | 'over', of?: string) => ({
            kind: 'troubleFollowed',
            data: { of: trouble.entryId, says, ...(of && { cause: of }) },
          })
          const once = cultureWay(feeder, culture)?.kind === 'batch'
          return {
            id: `trouble:${trouble.entryId}`,
            kind: 'found',
            subject: { type: 'culture', id: culture.id },
            tag: culture.tag,
            placeId: culture.placeId,
            due: trouble.day,
            what: `${upperFirst(TROUBLE_WORDS[trouble.what])}, found ${formatDistance(trouble.day, today)}`,
            detail: cause
              ? `${cause.name}: ${cause.remedy}`
              : first
                ? `${first.name}? ${first.look}`
                : 'none of what is usual: apart from the others, and ask someone who keeps them',
            actions: [
              ...(cause
                ? [{ label: 'It is over', ...follow('over'), tone: 'main' as const }]
                : first
                  ? [
                      { label: 'That is it', ...follow('is', first.id), tone: 'main' as const },
                      { label: 'Not that', ...follow('not', first.id) },
                    ]
                  : [{ label: 'It is over', ...follow('over'), tone: 'main' as const }]),
              ...(once ? [{ label: 'Out', kind: 'cultureFailed', data: { why: TROUBLE_WORDS[trouble.what] } }] : []),
            ],
            reasons,
          }
        })
    },
  )
