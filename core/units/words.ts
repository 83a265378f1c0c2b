/** A sentence that goes on inside another: its first letter small. */
export const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1)

/** Words that begin a sentence. */
export const upperFirst = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** `1 box`, `3 boxes`; the plural with an s where it is not said. */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`
