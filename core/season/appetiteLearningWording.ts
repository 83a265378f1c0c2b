import type { Almanac } from '../almanac'
import { computedInput, factInput, settingInput, type Input, type Reason } from '../judgement'
import type { HouseSettings } from '../settings'

interface Told {
  text: string
  reasons: Reason[]
}

type By = { settings: HouseSettings; almanac: Pick<Almanac, 'common'> }

/** So many animals stand in the working. */
const NAMED = 12

const percent = (share: number) => `${Math.round(100 * share)} %`
const meanOf = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length

const CHANGE = 'Each further meal that is written with what was taken'

const weighsInputs = ({ common: { appetiteShrink, appetiteMeals } }: By['almanac']): Input[] => [
  factInput('What is set weighs as', 'common.appetiteShrink.value', appetiteShrink!),
  factInput('Of one that ate at least', 'common.appetiteMeals.value', appetiteMeals!),
]

/** @param eaten what each animal eats, in times of its ladder */
export function tellAppetite(eaten: readonly number[], appetite: number, { settings, almanac }: By): Told {
  const each = eaten.slice(0, NAMED).map(times => times.toFixed(2))
  return {
    text: `${eaten.length} animals eat ${meanOf(eaten).toFixed(2)} × what their ladders say, drawn to what is set: ${appetite}, not ${settings.appetite}`,
    reasons: [
      {
        rule: 'Weight eaten at meals that were taken, over that of the ladder on the same day, animal by animal; who finishes all that is offered may have eaten more',
        inputs: [
          computedInput('Animals', `${eaten.length}`),
          computedInput('Each eats, × its ladder', each.join(', ')),
          settingInput('Set', `${settings.appetite} × the ladder`, 'appetite'),
          ...weighsInputs(almanac),
        ],
        change: CHANGE,
      },
    ],
  }
}

/**
 * @param left of what each animal was offered, by weight
 * @param more what would be kept ready, in times of what is now
 */
export function tellWaste(left: readonly number[], waste: number, more: number, { settings, almanac }: By): Told {
  const drawn = `${percent(waste)}, not ${percent(settings.waste)}`
  return {
    text: `${percent(meanOf(left))} of what ${left.length} animals are offered is left, drawn to what is set: ${drawn}. Where they want no more, offer less; where it gets away, keep so much more ready`,
    reasons: [
      {
        rule: 'Weight left of what was offered, at meals that were taken, animal by animal; what is kept ready is what is eaten, over the share that is not left',
        inputs: [
          computedInput('Left by each', left.slice(0, NAMED).map(percent).join(', ')),
          computedInput('Kept ready then', `${more.toFixed(2)} × as much as now`),
          settingInput('Set', percent(settings.waste), 'waste'),
          ...weighsInputs(almanac),
        ],
        change: CHANGE,
      },
    ],
  }
}
