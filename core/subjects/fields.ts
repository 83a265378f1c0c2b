import { z } from 'zod'
import { lineOfText } from '../reference'

/** The short name that is printed on labels. */
export const tag = lineOfText(24, 'A tag is needed')

export const dayText = z.iso.date('A day is written as 2026-11-12')

/** How many feeders; large cultures yield many. */
export const amount = (what: string) =>
  z
    .number({ error: `${what} must be a number` })
    .int(`${what} must be a whole number`)
    .min(0, `${what} cannot be negative`)
    .max(1_000_000, `${what}: over a million, check the number`)
