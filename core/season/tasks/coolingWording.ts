import type { Almanac } from '../../almanac'
import type { Eligibility, Programme } from '../../brumation'
import { computedInput, factInput, type Judgement } from '../../judgement'
import type { Weighing } from '../../subjects'
import { formatDay } from '../../units'
import type { WinterGroupView } from '../contracts'
import type { Told } from './told'
import { lastWeight } from './weighingWording'

export const LABELS = {
  bathed: 'Bathed',
  cooled: 'Cooled',
  rested: 'Rest begun',
  leftOut: 'Leave it out',
} as const

export const tellBath = ({ coolDay, reasons }: Programme, { common }: Almanac, today: number): Told => ({
  what: 'Bathe, to clear the gut',
  detail: `cooled from ${formatDay(coolDay, today)}`,
  caution: 'Shallow, hand-warm, watched; wash hands after, tortoises carry salmonella.',
  reasons: [
    {
      rule: 'Tortoises fast with baths before the cold (common practice)',
      inputs: [factInput('Every', 'common.bathEvery.value', common.bathEvery!)],
    },
    ...reasons,
  ],
})

export const tellStartWeight = ({ coolDay }: Programme, last: Weighing | undefined, today: number): Told => ({
  what: 'Weigh before the cold',
  detail: lastWeight(last, today),
  reasons: [
    {
      rule: 'Every loss in the cold is counted from this weight',
      inputs: [computedInput('Cooled from', formatDay(coolDay, today))],
    },
  ],
})

type Group = Pick<WinterGroupView, 'tag' | 'programme'>

export const tellCool = ({ tag, programme }: Group, { value, reasons }: Judgement<Eligibility>): Told => ({
  what: `${programme.kind === 'dormancy' ? 'Begin its rest' : 'Cool down'} with ${tag}`,
  detail: value.fitness === 'shorten' ? value.text : undefined,
  reasons: [...reasons, ...programme.reasons],
})

export const tellNotToCool = ({ tag, programme }: Group, eligibility: Judgement<Eligibility> | null): Told => ({
  what: `Not to be ${programme.kind === 'dormancy' ? 'rested' : 'cooled'} with ${tag}`,
  detail: eligibility?.value.text,
  caution: 'Never cool a sick, thin or undigested animal.',
  reasons: [...(eligibility?.reasons ?? []), ...programme.reasons],
})
