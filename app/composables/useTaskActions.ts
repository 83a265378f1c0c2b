import { feederOf } from '#core/almanac'
import { homeOf, nextCultureTags } from '#core/supply'
import type { Task, TaskAction } from '#core/season'
import type { Wish } from './useRecord'

/** Turns the buttons of a task into entries. */
export function useTaskActions() {
  const house = useHouse()
  const { record, recordMany, busy } = useRecord()

  /** Of what new cultures are founded; what is ordered brings its own. */
  async function parentsOf(feederId: string, count: number): Promise<string[]> {
    // by its file, when it is asked for: it would bring the whole log into the first load
    const { foundersOn } = await import('#core/season/cultureDay')
    return foundersOn(feederOf(house.almanac, feederId), house.today, count, house).from.map(c => c.id)
  }

  async function wishesOf(task: Task, action: TaskAction, asked: number | null, further: object = {}): Promise<Wish[]> {
    const data = { ...action.data, ...further, ...(action.ask && asked !== null && { [action.ask.field]: asked }) }
    if (action.kind === 'cultureStarted') {
      const feeder = feederOf(house.almanac, String(data.feederId))
      const own = Object.values(house.house.cultures)
      const placeId = homeOf(feeder.id, own)
      const count = action.times ?? 1
      const parentIds = data.bought ? [] : await parentsOf(feeder.id, count).catch(() => [])
      return nextCultureTags(own, feeder, count).map(tag => ({
        kind: action.kind,
        founds: 'culture' as const,
        data: { ...data, tag, placeId, ...(parentIds.length && { parentIds }) },
      }))
    }
    if (action.founds === 'clutch') {
      const prefix =
        action.kind === 'born'
          ? 'L'
          : house.almanac.species[house.house.pairings[task.subject.id]?.speciesId ?? '']?.mode === 'larval'
            ? 'S'
            : 'C'
      return [{ kind: action.kind, subject: task.subject, data: { ...data, tag: nextClutchTag(house.house, prefix) } }]
    }
    const subjects = action.each ?? [action.subject ?? task.subject]
    const number = action.ask && asked !== null ? { [action.ask.field]: asked } : {}
    return [
      ...subjects.flatMap(subject =>
        [data, ...(action.also ?? [])].map(one => ({ kind: action.kind, subject, data: one })),
      ),
      ...(action.with ?? []).map(w => ({ ...w, data: { ...w.data, ...number } })),
    ]
  }

  function says(task: Task, action: TaskAction, asked: number | null): string {
    if (action.kind === 'cultureStarted') return `Started ${action.times} of ${task.tag.toLowerCase()}`
    if (action.instead) return `${task.tag}: ${action.instead}`
    return `${task.tag}: ${action.label.toLowerCase()}${asked !== null ? ` ${asked}${action.ask?.unit === 'mass' ? ' g' : ''}` : ''}`
  }

  /** @returns whether it was written */
  async function perform(
    task: Task,
    action: TaskAction,
    asked: number | null = null,
    further = {},
    form?: FormErrors,
  ): Promise<boolean> {
    // a second press meanwhile would write it twice
    busy.value = true
    return (await record(await wishesOf(task, action, asked, further), says(task, action, asked), form)) !== null
  }

  /** The same button for many tasks. @returns whether all was written */
  async function performAll(tasks: readonly Task[], label: string, who: string): Promise<boolean> {
    busy.value = true
    const lists = await Promise.all(
      tasks.flatMap(task => {
        const action = task.actions.find(a => a.label === label)
        return action ? [wishesOf(task, action, null)] : []
      }),
    )
    if (!lists.length) busy.value = false
    return recordMany(lists, `${who}: ${label.toLowerCase()}`)
  }

  return { perform, performAll, busy }
}
