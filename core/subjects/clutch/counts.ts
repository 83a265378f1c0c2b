import { z } from 'zod'

/** A count of at least one, as it is asked for. */
export const some = (what: string) =>
  z
    .number({ error: `${what} must be a number` })
    .int(`${what} must be a whole number`)
    .min(1, `${what} must be at least 1`)
    .max(10_000)

/** How many some counts come to together. */
export const sum = (list: readonly { count: number }[]): number => list.reduce((n, x) => n + x.count, 0)
