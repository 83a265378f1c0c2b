import { z } from 'zod'

/** What the prey was. */
export const PREY_STATE_WORDS = {
  live: 'live',
  freshKilled: 'fresh-killed',
  thawed: 'thawed',
} as const
export type PreyState = keyof typeof PREY_STATE_WORDS
export const PREY_STATES = Object.keys(PREY_STATE_WORDS) as [PreyState, ...PreyState[]]

/** How it was offered: as usual, or as one of the tries with who does not eat. */
export const MANNER_WORDS = {
  left: 'left in',
  moved: 'moved before it',
  quiet: 'quiet and dark',
  overnight: 'overnight',
  warmed: 'warmed up',
  smaller: 'smaller than usual',
  otherPrey: 'other prey',
  scented: 'scented',
  boiled: 'dipped in hot water',
  teased: 'teased',
  assisted: 'assisted',
  tube: 'by tube, at the vet’s word',
} as const
export type Manner = keyof typeof MANNER_WORDS
export const MANNERS = Object.keys(MANNER_WORDS) as [Manner, ...Manner[]]

/** What it did. */
export const OUTCOME_WORDS = {
  atOnce: 'at once',
  afterTries: 'after some tries',
  overnight: 'gone next morning',
  struck: 'struck and let go',
  looked: 'looked at it',
  ignored: 'turned away',
} as const
export type Outcome = keyof typeof OUTCOME_WORDS
export const OUTCOMES = Object.keys(OUTCOME_WORDS) as [Outcome, ...Outcome[]]
const UNEATEN: readonly Outcome[] = ['struck', 'looked', 'ignored']

/** What prey is dusted with. */
export const POWDER_WORDS = {
  calcium: 'calcium',
  calciumD3: 'calcium with D3',
  vitamins: 'vitamins',
  allInOne: 'all-in-one powder',
  allInOneNoD3: 'all-in-one powder without D3',
  none: 'nothing',
} as const
export type Powder = keyof typeof POWDER_WORDS
export const POWDERS = Object.keys(POWDER_WORDS) as [Powder, ...Powder[]]

/** What may be said of a meal beside prey and numbers. */
export const offerFields = {
  state: z.enum(PREY_STATES).optional(),
  manner: z.enum(MANNERS).optional(),
  outcome: z.enum(OUTCOMES).optional(),
  dusted: z.enum(POWDERS).optional(),
  minutes: z.number().min(0, 'Minutes cannot be negative').max(1440, 'Over a day: check the minutes').optional(),
}
type Said = { [K in keyof typeof offerFields]?: z.output<(typeof offerFields)[K]> }

/** Whether what it did goes with what it took. */
export const outcomeFits = ({ outcome, taken }: Said & { taken: number }): boolean =>
  !outcome || UNEATEN.includes(outcome) === (taken === 0)

/** Only what was said, so that a meal of which nothing more is said looks as it did. */
export function saidOf({ state, manner, outcome, dusted, minutes }: Said): Said {
  const said: Said = {}
  if (state) said.state = state
  if (manner) said.manner = manner
  if (outcome) said.outcome = outcome
  if (dusted) said.dusted = dusted
  if (minutes !== undefined) said.minutes = minutes
  return said
}

/** The same in words: thawed, teased, after some tries, 10 minutes. */
export const tellOffer = ({ state, manner, outcome, dusted, minutes }: Said): string =>
  [
    state && PREY_STATE_WORDS[state],
    manner && MANNER_WORDS[manner],
    outcome && OUTCOME_WORDS[outcome],
    dusted && dusted !== 'none' && `dusted with ${POWDER_WORDS[dusted]}`,
    minutes && `${minutes} minutes`,
  ]
    .filter(Boolean)
    .join(', ')

/** With help: that an animal eats so says nothing of whether it would alone. */
export const isHelped = ({ manner }: { manner?: Manner }): boolean =>
  manner === 'teased' || manner === 'assisted' || manner === 'tube'
