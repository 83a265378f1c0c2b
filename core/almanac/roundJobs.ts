/** Care that comes round where a species lives, in the order in which one does it. */
export const ROUND_JOBS = ['mist', 'uvReading', 'spotClean', 'lightClean', 'fullChange', 'water'] as const
export type RoundJob = (typeof ROUND_JOBS)[number]
