import type { Almanac, Species } from '../almanac'
import type { Day } from '../chance'
import { computedInput, factInput, type Reason } from '../judgement'
import { formatDay } from '../units'

/** How long tadpoles are, and when they are so long that they may live together. */
export interface TadpoleGrowth {
  mm: number
  /** The day on which they reach it: today or earlier once they have. */
  together: Day
  reasons: Reason[]
}

/**
 * Length of tadpoles along a straight line: from the hatch through the latest measure, or to the length at which they
 * turn on the day on which their kind does.
 * @param lengths measured, oldest first
 */
export function tadpoleGrowth(
  { clocks }: Pick<Species, 'clocks'>,
  hatchedDay: Day,
  lengths: readonly { day: Day; mm: number }[],
  today: Day,
  { tadpoleHatch, tadpoleTurns, tadpoleTogether }: Almanac['common'],
): TadpoleGrowth {
  const [start, end, wanted] = [tadpoleHatch!, tadpoleTurns!, tadpoleTogether!]
  const takes = Object.values(clocks).find(c => c.to === 'metamorphosed')?.days.likely ?? 60
  const usual = (end.value - start.value) / takes
  const last = lengths.filter(l => l.day <= today).at(-1)
  // one that was measured on its first day grows as its kind does from there
  const perDay =
    last && last.day > hatchedDay && last.mm > start.value ? (last.mm - start.value) / (last.day - hatchedDay) : usual
  const from = last ?? { day: hatchedDay, mm: start.value }
  const mm = Math.min(Math.max(end.value, from.mm), from.mm + perDay * Math.max(0, today - from.day))
  const together = Math.ceil(from.day + (wanted.value - from.mm) / perDay)
  return {
    mm,
    together,
    reasons: [
      {
        rule: last
          ? 'They grow on as they have since the hatch, by the latest measure'
          : 'Not measured yet: they grow from hatch to turning as their kind does',
        inputs: [
          factInput('At the hatch', 'common.tadpoleHatch.value', start),
          ...(last ? [computedInput('Measured', `${last.mm} mm, ${formatDay(last.day, today)}`)] : []),
          ...(last ? [] : [factInput('When they turn', 'common.tadpoleTurns.value', end)]),
          computedInput('A day', `${perDay.toFixed(2)} mm`),
          factInput('Together from', 'common.tadpoleTogether.value', wanted),
        ],
        change: 'A tadpole measured',
      },
    ],
  }
}

/**
 * Tadpoles that are left after some days crowded without cover: they eat each other at a steady rate (common practice,
 * no source: 15 fall to three or four within a week).
 */
export const leftCrowded = (count: number, days: number, { tadpoleCrowded }: Almanac['common']): number =>
  count * tadpoleCrowded!.value ** (days / 7)
