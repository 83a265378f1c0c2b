import type { Task } from '#core/season'
import { formatWeekday } from '#core/units'

const NAMED = 3

/** `start 4 cups of small flies, 3 cups of large flies, order 1 tub …`: the verb is said once. */
export function sentenceOf(acts: readonly string[]): string {
  return acts
    .map((act, i) =>
      i > 0 && act.split(' ')[0] === acts[i - 1]!.split(' ')[0]
        ? act.replace(/^\w+ /, '')
        : act.charAt(0).toLowerCase() + act.slice(1),
    )
    .join(', ')
}

/** What is to be started and ordered first, and by when, as one sentence; null where there is nothing. */
export function startsAnswer(tasks: readonly Pick<Task, 'what' | 'due'>[], today: number): string | null {
  const first = tasks[0]
  if (!first) return null
  const more = tasks.length - NAMED
  const acts = sentenceOf(tasks.slice(0, NAMED).map(t => t.what))
  const when = first.due <= today ? 'Today' : `By ${formatWeekday(first.due)}`
  return `${when}: ${acts}${more > 0 ? `, and ${more} more` : ''}.`
}
