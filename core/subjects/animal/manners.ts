import { z } from 'zod'
import { defineKind, seen } from '../../log'

/** What is minded of an animal before anything is done with it. */
export const WAY_WORDS = {
  strikes: 'strikes: lid and hook at hand',
  runs: 'bolts: open it a hand wide',
  feedFirst: 'fed before it is handled',
  handsOff: 'not handled',
  night: 'eats at night, left alone',
  bark: 'takes only from bark or moss',
  tongs: 'takes only from the tongs',
  alone: 'eats only when it is alone',
} as const
export type Way = keyof typeof WAY_WORDS
export const WAYS = Object.keys(WAY_WORDS) as [Way, ...Way[]]

/** What is so of an animal, whoever does the round. */
export const mannerKinds = [
  defineKind({
    kind: 'waysSet',
    subject: 'animal',
    verb: 'Write its ways',
    data: z.strictObject({
      ways: z.array(z.enum(WAYS)).max(WAYS.length),
      /** In the keeper's words. */
      more: z.string().trim().max(200, 'At most 200 letters'),
      /** Who may handle it, by name or initials; nothing where anybody may. */
      only: z.string().trim().max(40, 'At most 40 letters'),
    }),
    apply(state, { ways, more, only }, entry) {
      if (ways.length || more || only) state.ways = { ...seen(entry), ways: [...new Set(ways)], more, only }
      else delete state.ways
    },
    wording: d => (tellWays(d) ? `To mind: ${tellWays(d)}` : 'Nothing to mind of it'),
    fields: {
      ways: { label: 'Ways', as: 'several', choices: WAY_WORDS, example: 'None' },
      more: { label: 'In your words', as: 'text', example: 'hides behind the cork, opens the lid itself' },
      only: { label: 'Handled only by', as: 'text', hint: 'name or initials' },
    },
  }),
]

/** The same in words: `strikes: lid and hook at hand; only K.M.` */
export const tellWays = ({ ways, more, only }: { ways: readonly Way[]; more: string; only: string }): string =>
  [...ways.map(w => WAY_WORDS[w]), more, only && `handled only by ${only}`].filter(Boolean).join('; ')
