import type { Feeder, SheetPlan, Species } from '#core/almanac'
import type { Wish } from './useRecord'

/**
 * Sets whole parts of a species or feeder, or puts them back; what is refused stands beside the button. Own numbers
 * inside a part go with it: laid over what was just set, they would silently win.
 */
export function usePartChange(of: 'species' | 'feeder', row: () => Species | Feeder) {
  const house = useHouse()
  const { record, busy } = useRecord()
  const { problem, refusal } = useRefusalText()
  const table = of === 'species' ? 'species' : 'feeders'

  function wishes(parts: readonly string[], data: Record<string, unknown>): Wish[] {
    const { id } = row()
    const inside = (path: string) => parts.some(part => path.startsWith(`${table}.${id}.${part}.`))
    return [
      ...(house.snapshot?.overrides ?? [])
        .filter(o => inside(o.path))
        .map((o): Wish => ({ kind: 'numberDropped', subject: { type: 'number', id: o.path }, data: {} })),
      { kind: `${of}Changed`, subject: { type: of, id }, data },
    ]
  }
  async function write(parts: readonly string[], data: Record<string, unknown>, says: string): Promise<boolean> {
    problem.value = ''
    return (await record(wishes(parts, data), `${row().name}: ${says}`, refusal)) !== null
  }
  const save = (parts: Record<string, unknown>, says: string) => write(Object.keys(parts), { parts }, says)
  const putBack = (parts: readonly string[], says: string) => {
    const own = house.house[table][row().id]?.parts ?? {}
    return write(parts, { back: parts.filter(p => Object.hasOwn(own, p)) }, says)
  }
  /** The same as plain data, to be tried in a thread of its own. */
  const facts = (parts: Record<string, unknown>) =>
    JSON.parse(
      JSON.stringify(wishes(Object.keys(parts), { parts }).map(w => ({ ...w, id: 'tried' }))),
    ) as SheetPlan['facts']
  /** Whether the house has set one of these parts. */
  const isOwn = (parts: readonly string[]) => {
    const own = house.house[table][row().id]?.parts ?? {}
    return parts.some(p => Object.hasOwn(own, p))
  }
  return { save, putBack, facts, isOwn, problem, busy }
}
