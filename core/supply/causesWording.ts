import type { Almanac } from '../almanac'
import type { Day } from '../chance'
import { computedInput, computedTemp, entryInput, factInput, type Input, type Reason } from '../judgement'
import { CAUSE_WORDS, TROUBLE_WORDS, causeName, type CauseId, type CultureState, type Trouble } from '../subjects'
import { formatDistance, upperFirst } from '../units'

/** What the house knows of a culture that speaks for a cause or against it. */
export type Sign =
  | { of: 'warmth'; tempC: number; usual: number }
  | { of: 'damp'; humidityPct: number; low: number; high: number }
  | { of: 'age'; days: number }
  | { of: 'beside'; tag: string }
  | { of: 'founders'; tags: readonly string[]; carriedBy: string | null }
  | { of: 'crowd'; crowded: boolean; day: Day }

function tellSign(sign: Sign, what: Trouble, today: Day): Input[] {
  switch (sign.of) {
    case 'warmth':
      return [computedTemp('Its place', sign.tempC), computedTemp('Usually kept at', sign.usual)]
    case 'damp': {
      const { humidityPct, low, high } = sign
      return [
        computedInput('Air at its place against the usual', `${Math.round(humidityPct)} against ${low} to ${high} %`),
      ]
    }
    case 'age':
      return [computedInput('Its age', `${sign.days} days`)]
    case 'beside':
      return [computedInput('Mites beside it', sign.tag)]
    case 'founders': {
      const found = TROUBLE_WORDS[what]
      return [
        computedInput(
          `What it was founded from, ${sign.tags.join(', ')}`,
          sign.carriedBy ? `${found} in ${sign.carriedBy}` : `no ${found} found`,
        ),
      ]
    }
    case 'crowd':
      return [computedInput(`Seen ${formatDistance(sign.day, today)}`, sign.crowded ? 'crowded' : 'not crowded')]
  }
}

/** What the order of the causes goes by. */
export interface CausesFinding {
  trouble: CultureState['troubles'][number]
  signs: readonly Sign[]
  /** Causes found before in cultures of its kind. */
  before: readonly string[]
  causes: readonly { id: CauseId; chance: number }[]
}

/** The working: what moved the order, then each cause and where one looks for it. */
export function causesReasons(
  { trouble, signs, before, causes }: CausesFinding,
  { common }: Pick<Almanac, 'common'>,
  today: Day,
): Reason[] {
  return [
    {
      rule: 'In the order in which one looks; what this house found before and what it knows of this culture move it',
      inputs: [
        entryInput('Found', TROUBLE_WORDS[trouble.what], trouble),
        ...signs.flatMap(sign => tellSign(sign, trouble.what, today)),
        ...trouble.not.map(id => computedInput('Ruled out', causeName(id))),
        ...(before.length ? [computedInput('Found here before', before.map(causeName).join(', '))] : []),
        factInput('Each further cause, of the one before', 'common.causeNext.value', common.causeNext!),
        factInput('The usual order weighs as', 'common.causeShrink.value', common.causeShrink!),
        factInput('What speaks for one multiplies it by', 'common.causeKnown.value', common.causeKnown!),
      ],
      change: 'Each cause that is looked at and is it, or is not',
    },
    ...causes.map(({ id, chance }) => ({
      rule: `${upperFirst(CAUSE_WORDS[id].name)}, ${Math.round(chance * 100)} of 100: ${CAUSE_WORDS[id].look}`,
      inputs: [],
    })),
  ]
}
