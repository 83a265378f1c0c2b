import type { Task } from '../contracts'

/** What the words of a task say; they stand in `…Wording.ts` beside the rule, which holds no sentence. */
export type Told = Pick<Task, 'what' | 'detail' | 'caution' | 'reasons'>
