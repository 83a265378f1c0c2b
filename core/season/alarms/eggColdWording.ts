import type { Almanac } from '../../almanac'
import { formatReading } from '../../channels'
import { computedInput, computedTemp, factInput, type Reason } from '../../judgement'
import { counted, tellSome, type TempUnit } from '../../units'
import type { Told } from './told'

/** A box with eggs that is colder than it is set to. Temperatures in °C, spans in hours. */
export interface EggsCold {
  name: string
  now: number
  setC: number
  /** For so long it has been cold, as far back as is looked. */
  hours: number
  room: number | null
  /** How fast it cools toward its room; null where it does not, or where that cannot be read yet. */
  timeConstant: number | null
  /** At which development stands still, and in how long it is there; null where it is not on its way. */
  standsAt: number
  standsIn: number | null
  /** In how long it is so cold that eggs die. */
  diesIn: number | null
  /** As the house reads them. */
  tempUnit: TempUnit
  /** Days of development lost so far, by clutch. */
  lost: readonly { tag: string; days: number }[]
}

const shown = ({ tempUnit }: EggsCold, tempC: number) => formatReading('temperature', tempC, tempUnit)
const about = (hours: number) => `in about ${counted(Math.max(1, Math.round(hours)), 'hour')}`
/** Of what lies ahead for ever nothing is said. */
const ahead = (hours: number | null): hours is number => hours !== null && Number.isFinite(hours)

function standing(cold: EggsCold): string {
  const { now, standsAt, standsIn } = cold
  if (now <= standsAt) return ': development stands still'
  return ahead(standsIn) ? `, and falls: development stands still at ${shown(cold, standsAt)} ${about(standsIn)}` : ''
}

function dying(cold: EggsCold, killsC: number): string {
  const { now, diesIn } = cold
  const kills = shown(cold, killsC)
  if (now <= killsC) return `; under ${kills} eggs die`
  return ahead(diesIn) ? `, and they die from ${kills}, ${about(diesIn)}` : ''
}

/** What the cold costs, and how long the box has. */
function textOf(cold: EggsCold, { eggsColdKills, eggsLately }: Almanac['common']): string {
  const { name, now, setC, hours, lost } = cold
  const long = hours >= eggsLately!.value ? `over ${hours}` : hours
  const told = tellSome(lost.map(({ tag, days }) => `${tag} ${days.toFixed(1)}`))
  return `${name} is at ${shown(cold, now)} and set to ${shown(cold, setC)}, for ${long} hours${standing(cold)}${dying(cold, eggsColdKills!.value)}. Lost so far, in days of development: ${told}`
}

const ADVICE =
  'Look at plug, fuse and thermostat. Lid shut and a blanket round the box keep it warm; bring it back slowly, and do not turn the eggs.'

const reasonOf = (cold: EggsCold, { eggsCold, eggsColdFor, eggsHarm, eggsColdKills }: Almanac['common']): Reason => ({
  rule: 'What the probe reads against what the place is set to; a box without heat cools toward its room by Newton’s law, as fast as its own readings say',
  inputs: [
    factInput('Told from, under what it is set to', 'common.eggsCold.value', eggsCold!),
    factInput('For', 'common.eggsColdFor.value', eggsColdFor!),
    computedTemp('Room', cold.room),
    computedInput(
      'Time constant',
      cold.timeConstant === null ? 'not to be read yet' : `${cold.timeConstant.toFixed(1)} hours`,
    ),
    factInput('Harm when it stands still within', 'common.eggsHarm.value', eggsHarm!),
    computedTemp('Development stands still at', cold.standsAt),
    factInput('Kills', 'common.eggsColdKills.value', eggsColdKills!),
  ],
  change: 'The next reading; another temperature set of the place',
})

export const tellEggsCold = (cold: EggsCold, common: Almanac['common']): Told => ({
  text: textOf(cold, common),
  todo: ADVICE,
  reasons: [reasonOf(cold, common)],
})
