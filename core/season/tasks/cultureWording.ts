import type { Fact, Feeder } from '../../almanac'
import type { DaySummary } from '../../chance'
import { computedInput, entryInput, factInput } from '../../judgement'
import type { CultureState } from '../../subjects'
import { wayPath, type CultureStage, type CultureSupply } from '../../supply'
import { formatDay, formatDistance, formatRange } from '../../units'
import type { Told } from './told'

export const LABELS = {
  retired: 'Retired',
  producing: 'Producing',
  notYet: 'Not yet',
  failed: 'Failed',
  harvested: 'Harvested',
} as const

interface OfCulture {
  culture: CultureState
  feeder: Feeder
  /** How it yields, by the almanac. */
  supply: CultureSupply
}

export const tellTooOld = (
  { culture: { startDay }, feeder, supply, stage }: OfCulture & { stage: CultureStage },
  out: Fact,
  today: number,
): Told => ({
  what: `Out: it is ${today - startDay} days old, and mites come`,
  detail: stage === 'producing' ? 'shake off what is left first' : 'it never produced',
  reasons: [
    {
      rule: 'An old culture breeds mites for the others, whether it still yields or not',
      inputs: [
        computedInput('Started', formatDay(startDay, today)),
        factInput('Out after', `${wayPath(feeder, supply)}.outAfterDays.value`, out),
      ],
    },
  ],
})

/** @param when it is expected to produce; null where all experience is past */
export const tellLook = ({ culture, feeder, supply }: OfCulture, when: DaySummary | null, today: number): Told => ({
  what: `Look: does this ${feeder.name.toLowerCase()} culture produce?`,
  detail: when ? `expected ${formatRange(when)}` : 'overdue past all experience',
  reasons: [
    {
      rule: 'Time from start to the first yield at the temperature of its place, given that it had not by today',
      inputs: [
        computedInput('Started', formatDay(culture.startDay, today)),
        ...culture.signs.map(s => computedInput(`Seen ${formatDistance(s.day, today)}`, s.furthest)),
        ...(supply.kind === 'batch'
          ? [factInput('Reference temperature', `${wayPath(feeder, supply)}.atTempC.value`, supply.atTempC)]
          : []),
      ],
      change: 'What is seen in it; a warmer shelf brings it forward',
    },
  ],
})

export const tellSpent = ({ culture, feeder, supply }: OfCulture, today: number): Told => ({
  what: `Retire: its ${supply.kind === 'batch' ? supply.producingDays.value : ''} days of yield are over`,
  reasons: [
    {
      rule: 'A batch runs once',
      inputs:
        supply.kind === 'batch'
          ? [
              factInput('Producing span', `${wayPath(feeder, supply)}.producingDays.value`, supply.producingDays),
              entryInput('Producing since', formatDay(culture.producing!.day, today), culture.producing!),
            ]
          : [],
    },
  ],
})

export const tellHarvest = ({ culture, feeder }: OfCulture, every: Fact, today: number): Told => ({
  what: `Harvest ${feeder.many}`,
  detail: culture.lastHarvest ? `last ${formatDistance(culture.lastHarvest.day, today)}` : 'first harvest',
  reasons: [
    {
      rule: 'Harvested so often while it produces',
      inputs: [
        factInput('Every', 'common.harvestEvery.value', every),
        entryInput('Producing since', formatDay(culture.producing!.day, today), culture.producing!),
      ],
    },
  ],
})
