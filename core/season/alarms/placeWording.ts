import { CHANNELS, ZONES, formatDifference, formatReading } from '../../channels'
import type { SeriesTrouble } from '../../climate'
import { tellSome, type TempUnit } from '../../units'
import type { PlaceTrouble, SeriesView } from '../contracts'
import type { Told } from './told'

/** A trouble of a place, with what is needed to say it. */
export interface TroubleOfPlace {
  trouble: PlaceTrouble
  series: Pick<SeriesView, 'channel' | 'zone'>
  /** Name of the place. */
  name: string
  /** Who is endangered in it. */
  tags: readonly string[]
  tempUnit: TempUnit
}

interface Words {
  text: string
  /** What to do about it. */
  advice: string
}

const lasts = (hours: number): string => (hours < 48 ? `${hours} h` : `${Math.round(hours / 24)} days`)

/** Which place, and where in it: nothing is said of its air, since that is what a place without further words is. */
const whereOf = (name: string, { zone }: Pick<SeriesView, 'zone'>): string =>
  zone === 'air' ? name : `${name}, ${ZONES[zone]},`

const shown = ({ series, tempUnit }: TroubleOfPlace, value: number): string =>
  formatReading(series.channel, value, tempUnit)

function outside(told: TroubleOfPlace, side: 'over' | 'under'): string {
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

function silent(told: TroubleOfPlace): string {
  const { trouble, series, name } = told
  const what = CHANNELS[series.channel].label.toLowerCase()
  const last = trouble.value === null ? '' : `; last ${shown(told, trouble.value)}`
  return `${whereOf(name, series)} has sent no ${what} for ${lasts(trouble.hours)}${last}`
}

/** Words of each fault, and what to do about it. */
const TROUBLE_WORDS: Record<SeriesTrouble['fault'], (told: TroubleOfPlace) => Words> = {
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

export function tellTrouble(told: TroubleOfPlace): Omit<Told, 'reasons'> {
  const { text, advice } = TROUBLE_WORDS[told.trouble.fault](told)
  const who = told.tags.length ? `; in it ${tellSome(told.tags)}` : ''
  return { text: text + who, todo: advice }
}

/** A place in which two species live whose bands do not meet. */
export interface Conflict {
  name: string
  series: Pick<SeriesView, 'zone'>
  /** Name of the species that needs more, and of the one that cannot bear it. */
  needs: string
  bears: string
}

export const tellConflict = ({ name, series, needs, bears }: Conflict): Omit<Told, 'reasons'> => ({
  text: `${whereOf(name, series)} cannot suit all who live there: what ${needs} need is too much for ${bears}`,
  todo: 'Give one of them another place, or set own bands in the Almanac.',
})
