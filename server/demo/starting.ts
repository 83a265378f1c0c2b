import type { AnimalCard } from '#core/subjects'
import type { DemoWriter } from './writer'

/** What came of every offer, oldest first: capital letters taken; live, fresh-killed, thawed; s struck and let go. */
const COURSES: Record<string, string> = {
  'KY-02': 'LLLTtT',
  'KY-03': 'LLLstfFt',
  'KY-05': 'LLLtTtT',
  'KY-11': 'LLLttLtt',
  'RY-02': 'LLLtTT',
  'RY-03': 'LLLsttFtLT',
  'RY-04': 'LLLttLttLttL',
  'RY-06': 'LLLtfFtT',
  'RY-07': 'LLLsstLttL',
}
/** The last refusals of the one that does not eat: what was tried with it. */
const TRIED = [
  {},
  { manner: 'quiet', state: 'thawed' },
  { manner: 'smaller', state: 'live', outcome: 'looked' },
  { manner: 'overnight', state: 'freshKilled' },
]

/** Young lizards are dusted in turn. */
export function dustedYoung(w: DemoWriter, all: Record<string, AnimalCard>): void {
  for (const [tag, card] of Object.entries(all)) {
    if (!/^(GY|OY)-/.test(tag)) continue
    const meals = w.entries.filter(e => e.kind === 'fed' && e.subject.id === card.id).sort((a, b) => a.day - b.day)
    meals.forEach((meal, i) => {
      const dusted = i % 2 === 0 ? 'calcium' : i % 3 === 0 ? 'vitamins' : null
      if (dusted) Object.assign(meal.data, { dusted })
    })
  }
}

/** How the young snakes went over to thawed prey, and what was tried with the one that refuses. */
export function startingYoung(w: DemoWriter, all: Record<string, AnimalCard>): void {
  for (const [tag, card] of Object.entries(all)) {
    if (!/^(KY|RY)-/.test(tag)) continue
    const meals = w.entries.filter(e => e.kind === 'fed' && e.subject.id === card.id).sort((a, b) => a.day - b.day)
    const course = COURSES[tag] ?? 'LLLT'
    meals.forEach((meal, i) => {
      const { taken, offered } = meal.data as { taken: number; offered: number }
      const back = meals.length - 1 - i
      if (tag === 'KY-07' && back < TRIED.length) {
        Object.assign(meal.data, TRIED[TRIED.length - 1 - back])
        return
      }
      const what = course[i] ?? (course.endsWith('T') ? 'T' : course.endsWith('L') ? 'L' : 't')
      const state = 'Ll'.includes(what) ? 'live' : 'Ff'.includes(what) ? 'freshKilled' : 'thawed'
      const takes = 'LFT'.includes(what)
      Object.assign(meal.data, {
        state,
        taken: COURSES[tag] ? (takes ? offered : 0) : taken,
        ...(what === 's' && { outcome: 'struck' }),
        ...(state === 'thawed' && i < 6 && { manner: 'moved' }),
      })
    })
  }
}

/** What whoever does the round must know of single ones. */
export function waysOfAnimals(w: DemoWriter, all: Record<string, AnimalCard>): void {
  const write = (tag: string, ways: string[], more: string, only = '') =>
    w.write('waysSet', { type: 'animal', id: all[tag]!.id }, -20, { ways, more, only })
  write('K-06', ['strikes', 'feedFirst'], '')
  write('O-03', ['runs'], 'sits behind the cork')
}
