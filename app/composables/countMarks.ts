import type { Mark } from '#core/almanac'

/** How many values of a sheet there are, and how many of them are borrowed. */
export function countMarks(sheet: unknown): { all: number; borrowed: number; from: string[] } {
  const from = new Set<string>()
  let [all, borrowed] = [0, 0]
  const look = (value: unknown): void => {
    if (typeof value !== 'object' || value === null) return
    if ('mark' in value) {
      all++
      const { mark, from: of } = value as { mark: Mark; from?: string }
      if (mark === 'borrowed') {
        borrowed++
        if (of) from.add(of)
      }
    }
    for (const child of Object.values(value)) look(child)
  }
  look(sheet)
  return { all, borrowed, from: [...from] }
}
