import type { Fact, Mark, Spread } from './almanac'

/** A number that a conclusion rests on, with where it came from. */
export interface Input {
  label: string
  value: string
  /** Its value, where that is a temperature: told in the unit that the house reads. */
  tempC?: number
  from:
    | { kind: 'entry'; entryId: string; day: number }
    | { kind: 'almanac'; path: string; mark: Mark; source?: string; note?: string; of?: string }
    | { kind: 'setting'; name: string }
    | { kind: 'computed' }
}

/** One step of the working: the rule in words, and the numbers it used. */
export interface Reason {
  rule: string
  inputs: Input[]
  /** What would change the answer. */
  change?: string
}

/** A conclusion that carries its working. */
export interface Judgement<T> {
  value: T
  reasons: Reason[]
}

/** Where a value of the almanac stands and came from; of a borrowed one, also whose it is. */
export function almanacRow(
  path: string,
  { mark, source, note, from }: Pick<Fact, 'mark' | 'source' | 'note' | 'from'>,
): Input['from'] {
  return { kind: 'almanac', path, mark, source, note, ...(from !== undefined && { of: from }) }
}

export function factInput(label: string, path: string, fact: Fact): Input {
  return {
    label,
    value: `${fact.value} ${fact.unit}`,
    from: almanacRow(path, fact),
  }
}

export function spreadInput(label: string, path: string, s: Spread): Input {
  return {
    label,
    value: `${s.earliest}, ${s.likely}, ${s.latest} ${s.unit}`,
    from: almanacRow(path, s),
  }
}

export function entryInput(label: string, value: string, seen: { day: number; entryId: string }): Input {
  // what else was seen then does not travel with it
  return { label, value, from: { kind: 'entry', entryId: seen.entryId, day: seen.day } }
}

export function computedInput(label: string, value: string): Input {
  return { label, value, from: { kind: 'computed' } }
}

/** A temperature that was computed or read, °C, or what is said where there is none. */
export function computedTemp(label: string, tempC: number | null, none = 'not known'): Input {
  return tempC === null
    ? computedInput(label, none)
    : { ...computedInput(label, `${Number(tempC.toFixed(1))} °C`), tempC }
}

export function settingInput(label: string, value: string, name: string): Input {
  return { label, value, from: { kind: 'setting', name } }
}
