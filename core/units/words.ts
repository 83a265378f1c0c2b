/** A sentence that goes on inside another: its first letter small. */
export const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1)

/** Words that begin a sentence. */
export const upperFirst = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** `1 box`, `3 boxes`; the plural with an s where it is not said. */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`

/** So many are named before the rest is counted. */
const NAMED = 6

/** The first of a list in words, and how many more there are. */
export const tellSome = (list: readonly string[], most = NAMED): string =>
  list.length > most ? `${list.slice(0, most).join(', ')} and ${list.length - most} more` : list.join(', ')
