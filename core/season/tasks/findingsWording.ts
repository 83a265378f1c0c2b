import { entryInput } from '../../judgement'
import { FINDING_WORDS, type Finding, type Place } from '../../subjects'
import { formatDistance, upperFirst } from '../../units'
import type { Told } from './told'

export const LABELS = { settled: 'Settled' } as const

/** What follows from a finding: what to look at, and who decides. */
const NEXT: Record<Finding, string> = {
  smell: 'Look for droppings, dead prey and wet corners; change the bedding there.',
  mould: 'Take it out with what is round it, air the place, look again in two days.',
  mites: 'Apart from all others, own tools, last in the round; a vet names the remedy.',
  wet: 'Dry bedding in, less mist, more air; look at belly and breath.',
  dry: 'Mist, fill the damp hide; look at toes and tail tip for stuck shed.',
  droppings: 'Keep a sample cool and have a vet look at it; own tools until then.',
  shed: 'A damp hide for a night; look at toes, tail tip and eyes. Never pull.',
  eggs: 'Write the laying on the lane of its pair; eggs are not turned.',
  deadPrey: 'Out with it; what it was offered to may be refusing.',
  damage: 'Mend it before the next night: gap, glass, cable, lamp guard.',
  out: 'Search warm and dark corners first, close the room; then find the gap.',
}

export function tellFinding(found: NonNullable<Place['found']>[number], today: number): Told {
  const { day, what, note } = found
  const words = what.map(f => FINDING_WORDS[f]).join(', ')
  const said = [words, note].filter(Boolean).join(': ')
  return {
    what: `${upperFirst(said)}, found ${formatDistance(day, today)}`,
    detail: what.map(f => NEXT[f]).join(' '),
    reasons: [
      {
        rule: 'What was found stays in the round until somebody has settled it',
        inputs: [entryInput('Found', said, found)],
      },
    ],
  }
}
