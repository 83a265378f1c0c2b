import { entryInput } from '../../judgement'
import { SIGN_WORDS, WORKED_APART, type AnimalState, type Sign, type Treatment } from '../../subjects'
import { formatDay, formatDistance } from '../../units'
import type { Told } from './told'

export const LABELS = { stillNotWell: 'Still not well', well: 'Well', seen: 'Seen', given: 'Given' } as const

/** What is written of a visit to the vet that was agreed. */
export const SEEN_AGAIN = 'Seen again as agreed'

export function tellLookAgain(unwell: NonNullable<AnimalState['unwell']>, today: number): Told {
  const signs = unwell.signs.map(s => SIGN_WORDS[s as Sign] ?? s).join(', ') || 'not well'
  return {
    what: `Look again: ${signs}`,
    detail: `found ${formatDistance(unwell.day, today)}`,
    caution: WORKED_APART,
    reasons: [
      {
        rule: 'What is not well is looked at every day until a look finds it well',
        inputs: [entryInput('Looked at', signs, unwell)],
      },
    ],
  }
}

export const tellVetAgain = (vet: NonNullable<AnimalState['vet']>): Told => ({
  what: 'To the vet again, as agreed',
  detail: vet.said,
  reasons: [
    {
      rule: 'The day that was agreed at the last visit',
      inputs: [entryInput('Vet', vet.said, vet)],
      change: 'Writing the visit on its page, with the next day',
    },
  ],
})

/** @param doses how many are due today */
export const tellDose = (t: Treatment, doses: number, today: number): Told => ({
  what: `Give ${t.what}, ${t.given.length + 1} of ${t.times}${doses > 1 ? `; ${doses} times today` : ''}`,
  detail: t.dose,
  caution: 'The dose is the vet’s: none more, none left out; worse, or in doubt, ask them.',
  reasons: [
    {
      rule: 'As the vet ordered it, counted from the last dose that was given',
      inputs: [entryInput('Begun', formatDay(t.day, today), t)],
    },
  ],
})
