import type { Almanac, Fact, Feeder } from '../../almanac'
import { computedInput, entryInput, factInput } from '../../judgement'
import { wayPath, type StandingLot, type packWay } from '../../supply'
import { formatDay } from '../../units'
import type { Told } from './told'

export const LABELS = { thrownOut: 'Thrown out', count: 'Count', usable: 'All that is usable' } as const

type Named = Pick<Feeder, 'many'>
export const countAs = ({ many }: Named): string => `Count as ${many}`
export const areNow = ({ many }: Named): string => `Are ${many} now`
export const areStill = ({ many }: Named): string => `Are ${many} still`

const daysOf = (lots: readonly StandingLot[], today: number) =>
  lots.map(lot => `those of ${formatDay(lot.day, today)}`).join(' and ')

export interface Grown {
  prey: string
  /** What most of them are by now. */
  larger: Feeder
  grown: readonly StandingLot[]
  /** Alive by now, expected, and gone by. */
  count: number
  gone: number
  /** Days after which they are that. */
  after: Fact
}

export const tellGrown = ({ prey, larger, grown, count, gone, after }: Grown, today: number): Told => ({
  what: `Look at ${daysOf(grown, today)}: most are ${larger.many} by now`,
  detail: `about ${count} alive${gone ? `, ${gone} gone by` : ''}; the plan does not count on them until they are counted as what they are`,
  reasons: [
    {
      rule: 'What is kept alive and fed grows: from that day on it is not counted on as what it came as',
      inputs: [
        ...grown.map(lot => entryInput('Came', formatDay(lot.day, today), lot)),
        factInput(`Are ${larger.many} after`, `feeders.${prey}.grows.days.value`, after),
        computedInput('Alive by now, expected', `${count}`),
      ],
      change: 'A count of either, or other days in the Almanac: in the cool it takes far longer',
    },
  ],
})

export interface OldLots {
  feeder: Feeder
  packs: NonNullable<ReturnType<typeof packWay>>
  /** Lots past their day. */
  over: readonly StandingLot[]
  /** Gone by now, expected, of so many. */
  gone: number
  of: number
}

export const tellLot = (
  { feeder, packs, over, gone, of }: OldLots,
  { common: { lotOver, lotUseBy, lotShape } }: Almanac,
  today: number,
): Told => ({
  what: `Look through ${daysOf(over, today)}`,
  detail: `about ${gone} of ${of} have gone by; the rest is used first`,
  reasons: [
    {
      rule: 'A lot past its day: half are usable after the days they keep, and the end comes quickly',
      inputs: [
        ...over.map(lot => entryInput(`Of ${formatDay(lot.day, today)}`, `use by ${formatDay(lot.useBy, today)}`, lot)),
        computedInput('Gone by now, expected', `${gone}`),
        factInput('Half are usable after', `${wayPath(feeder, packs)}.keepDays.value`, packs.keepDays),
        factInput('How sharply it ends', 'common.lotShape.value', lotShape!),
        factInput('Usable on the day of use', 'common.lotUseBy.value', lotUseBy!),
        factInput('To be looked through from', 'common.lotOver.value', lotOver!),
      ],
      change: 'A count, what is thrown out, or a date of its own on the box',
    },
  ],
})
