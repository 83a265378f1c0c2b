import type { Fact, SpeciesPart, Spread } from '#core/almanac'

export interface Row {
  label: string
  unit: string
  numbers: {
    label: string
    path: string
    value: number
    unit: string
    mark: Fact['mark']
    source?: string
    note?: string
    from?: string
  }[]
}
/** Whether a word stands in what a number is called, or in what is said beside it. */
export const rowSays = ({ label, numbers }: Row, word: string): boolean =>
  `${label} ${numbers.map(n => n.note ?? '').join(' ')}`.toLowerCase().includes(word)

/** `parts` are set together on one form; numbers of all species have none. */
export type Section = [title: string, rows: Row[], parts?: readonly SpeciesPart[]]
export const factRow = (label: string, path: string, f: Fact): Row => ({
  label,
  unit: f.unit,
  numbers: [{ label, path: `${path}.value`, ...f }],
})
export const spreadRow = (label: string, path: string, s: Spread): Row => ({
  label,
  unit: s.unit,
  numbers: (['earliest', 'likely', 'latest'] as const).map(k => ({
    label: `${label}, ${k}`,
    path: `${path}.${k}`,
    value: s[k],
    unit: s.unit,
    mark: s.mark,
    source: s.source,
    note: s.note,
    from: s.from,
  })),
})
