import type { Alarm } from '../contracts'

/**
 * What the words of an alarm say. Each sort of alarm is a rule, in the file of its name, and its words, in
 * `…Wording.ts` beside it: a rule holds no sentence.
 */
export type Told = Pick<Alarm, 'text' | 'todo' | 'reasons'>
