import type { Almanac, Fact, School } from '../../almanac'
import { computedInput, factInput, type Reason } from '../../judgement'
import type { TadpoleGrowth } from '../../nursery'
import { TADPOLE_HOME_WORDS, type ClutchState } from '../../subjects'
import { counted, formatDay, formatDistance } from '../../units'
import type { Told } from './told'

export const LABELS = {
  inCups: 'In cups',
  together: 'Together',
  measured: 'Measured',
  length: 'Length with tail, mm',
  changed: 'Changed',
  cloudy: 'It was cloudy',
} as const

export interface Tadpoles {
  count: number
  /** So many boxes take them. */
  boxes: number
  /** While small each has a cup of its own, by the school of the house. */
  singly: boolean
  school: School['choices'][number]
  housed: ClutchState['housed']
  growth: TadpoleGrowth
}

const mmOf = ({ growth }: Tadpoles) => `about ${Math.round(growth.mm)} mm`

const reasonsOf = (
  { count, school, housed, growth }: Tadpoles,
  { common: { tadpoleCrowded, tadpolesABox } }: Almanac,
): Reason[] => [
  {
    rule: `${school.name}: ${school.reason}`,
    inputs: [
      computedInput('Tadpoles', `${count}`),
      computedInput('Kept', housed ? TADPOLE_HOME_WORDS[housed.how] : 'nobody said'),
      factInput('Of a week crowded are left', 'common.tadpoleCrowded.value', tadpoleCrowded!),
      factInput('To a box', 'common.tadpolesABox.value', tadpolesABox!),
    ],
    change: 'A count, a length, or the other school in Settings',
  },
  ...growth.reasons,
]

/** @param left how many are left of them in a week when they are crowded */
export function tellHousing(tadpoles: Tadpoles, left: number, almanac: Almanac, today: number): Told {
  const { count, boxes, singly, growth } = tadpoles
  const until = almanac.common.tadpoleTogether!
  return {
    what: singly ? `One tadpole a cup: ${count} cups` : `${counted(boxes, 'box', 'boxes')} with plants to hide in`,
    detail: [
      mmOf(tadpoles),
      ...(singly ? [`until ${until.value} mm, ${formatDay(growth.together, today)}`] : []),
      `crowded, about ${left} of ${count} are left in a week`,
    ].join('; '),
    reasons: reasonsOf(tadpoles, almanac),
  }
}

export const tellPutTogether = (tadpoles: Tadpoles, almanac: Almanac): Told => ({
  what: `Put them together: ${counted(tadpoles.boxes, 'box', 'boxes')} with plants`,
  detail: `${mmOf(tadpoles)}: they no longer eat each other`,
  reasons: reasonsOf(tadpoles, almanac),
})

export const tellMeasure = (tadpoles: Tadpoles, almanac: Almanac): Told => ({
  what: 'Measure a tadpole',
  detail: `${mmOf(tadpoles)} by now; together from ${almanac.common.tadpoleTogether!.value} mm`,
  reasons: reasonsOf(tadpoles, almanac),
})

/** @param changed the day on which it was; null where nobody wrote that */
export const tellWater = (changed: number | null, every: Fact, today: number): Told => ({
  what: 'Change their water',
  detail: changed === null ? 'nobody wrote that it was changed' : `changed ${formatDistance(changed, today)}`,
  caution: 'Standing water of the same warmth, without chlorine. Cloudy water is changed at once.',
  reasons: [
    {
      rule: 'Water of tadpoles is changed by rhythm, and at once when it is cloudy',
      inputs: [factInput('Every', 'common.tadpoleWater.value', every)],
      change: 'Writing that it was changed',
    },
  ],
})
