import { CHANNELS, ZONES, formatDifference, formatReading } from '../../channels'
import type { SeriesTrouble } from '../../climate'
import type { TempUnit } from '../../units'
import type { PlaceTrouble, SeriesView } from '../contracts'

/** A trouble of a place, with what is needed to say it. */
export interface ToldTrouble {
  trouble: PlaceTrouble
  series: Pick<SeriesView, 'channel' | 'zone'>
  /** Name of the place. */
  name: string
  tempUnit: TempUnit
}

interface Words {
  text: string
  /** What to do about it. */
  advice: string
}

const lasts = (hours: number): string => (hours < 48 ? `${hours} h` : `${Math.round(hours / 24)} days`)

/** Which place, and where in it: nothing is said of its air, since that is what a place without further words is. */
export const whereOf = (name: string, { zone }: Pick<SeriesView, 'zone'>): string =>
  zone === 'air' ? name : `${name}, ${ZONES[zone]},`

const shown = ({ series, tempUnit }: ToldTrouble, value: number): string =>
  formatReading(series.channel, value, tempUnit)

function outside(told: ToldTrouble, side: 'over' | 'under'): string {
  const { trouble, series, name } = told
  const read = trouble.byHand ? 'was read at' : `has been ${side} its band for ${lasts(trouble.hours)}, at`
  const should = side === 'over' ? 'at most' : 'at least'
  return `${whereOf(name, series)} ${read} ${shown(told, trouble.value!)}; it should be ${should} ${shown(told, trouble.limit!)}`
}

const OUTSIDE_ADVICE = {
  temperature: {
    high: 'Heat off or lamp up, air in; look at each animal, and check with a second thermometer. Heat kills within hours.',
    low: 'Look at lamp, mat and thermostat, and check with a second thermometer. Feed nothing large until it is warm.',
  },
  humidity: {
    high: 'Air it, mist less, take wet bedding out: noisy breath follows damp that lasts.',
    low: 'Mist, fill the damp hide, look for a draught: sheds stick, and toes are lost.',
  },
  uvIndex: {
    high: 'Raise the lamp, or give shade: eyes and skin burn. Measure again at the spot.',
    low: 'Lower the lamp or replace it, and measure again at the spot: too little brings bone disease.',
  },
} as const

function silent(told: ToldTrouble): string {
  const { trouble, series, name } = told
  const what = CHANNELS[series.channel].label.toLowerCase()
  const last = trouble.value === null ? '' : `; last ${shown(told, trouble.value)}`
  return `${whereOf(name, series)} has sent no ${what} for ${lasts(trouble.hours)}${last}`
}

/** Words of each fault, and what to do about it. */
export const TROUBLE_WORDS: Record<SeriesTrouble['fault'], (told: ToldTrouble) => Words> = {
  high: told => ({ text: outside(told, 'over'), advice: OUTSIDE_ADVICE[told.series.channel].high }),
  low: told => ({ text: outside(told, 'under'), advice: OUTSIDE_ADVICE[told.series.channel].low }),
  silent: told => ({
    text: silent(told),
    advice: 'Look at the probe, its battery and the plug; until then read a second thermometer.',
  }),
  stuck: told => ({
    text: `${whereOf(told.name, told.series)} has read exactly ${shown(told, told.trouble.value!)} for a day: the probe is stuck`,
    advice: 'Warm the probe in the hand: it must rise. What it says counts for nothing until then.',
  }),
  jump: ({ trouble, series, name, tempUnit }) => ({
    text: `${whereOf(name, series)} ${trouble.value! > 0 ? 'rose' : 'fell'} by ${formatDifference(series.channel, Math.abs(trouble.value!), tempUnit)} within an hour`,
    advice: 'Has the probe fallen, or is a door open? Look, and put it back where it was.',
  }),
  apart: ({ trouble, series, name, tempUnit }) => ({
    text: `The probes of ${whereOf(name, series)} differ by ${formatDifference(series.channel, trouble.value!, tempUnit)} over a day: one of them is wrong`,
    advice: 'Put both side by side for an hour, with a third if there is one, and take the wrong one out.',
  }),
}
