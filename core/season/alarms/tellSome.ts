/** So many are named before the rest is counted. */
const TOLD = 6

/** The first of a list in words, and how many more there are. */
export const tellSome = (list: readonly string[], most = TOLD): string =>
  list.length > most ? `${list.slice(0, most).join(', ')} and ${list.length - most} more` : list.join(', ')
