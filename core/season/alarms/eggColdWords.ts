import type { Almanac } from '../../almanac'
import { computedInput, factInput, type Reason } from '../../judgement'
import { counted } from '../../units'
import { tellSome } from './tellSome'

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
  /** Days of development lost so far, by clutch. */
  lost: readonly { tag: string; days: number }[]
}

const celsius = (t: number) => `${t.toFixed(1)} °C`
const about = (hours: number) => `in about ${counted(Math.max(1, Math.round(hours)), 'hour')}`
/** Of what lies ahead for ever nothing is said. */
const ahead = (hours: number | null): hours is number => hours !== null && Number.isFinite(hours)

function standing({ now, standsAt, standsIn }: EggsCold): string {
  if (now <= standsAt) return ': development stands still'
  return ahead(standsIn) ? `, and falls: development stands still at ${celsius(standsAt)} ${about(standsIn)}` : ''
}

function dying({ now, diesIn }: EggsCold, killsC: number): string {
  if (now <= killsC) return `; under ${killsC} °C eggs die`
  return ahead(diesIn) ? `, and they die from ${killsC} °C, ${about(diesIn)}` : ''
}

/** What the cold costs, and how long the box has. */
export function tellEggsCold(cold: EggsCold, { eggsColdKills, eggsLately }: Almanac['common']): string {
  const { name, now, setC, hours, lost } = cold
  const long = hours >= eggsLately!.value ? `over ${hours}` : hours
  const told = tellSome(lost.map(({ tag, days }) => `${tag} ${days.toFixed(1)}`))
  return `${name} is at ${celsius(now)} and set to ${setC} °C, for ${long} hours${standing(cold)}${dying(cold, eggsColdKills!.value)}. Lost so far, in days of development: ${told}`
}

export const EGGS_COLD_TODO =
  'Look at plug, fuse and thermostat. Lid shut and a blanket round the box keep it warm; bring it back slowly, and do not turn the eggs.'

export const eggsColdReason = (
  { room, timeConstant, standsAt }: EggsCold,
  { eggsCold, eggsColdFor, eggsHarm, eggsColdKills }: Almanac['common'],
): Reason => ({
  rule: 'What the probe reads against what the place is set to; a box without heat cools toward its room by Newton’s law, as fast as its own readings say',
  inputs: [
    factInput('Told from, under what it is set to', 'common.eggsCold.value', eggsCold!),
    factInput('For', 'common.eggsColdFor.value', eggsColdFor!),
    computedInput('Room', room === null ? 'not known' : celsius(room)),
    computedInput('Time constant', timeConstant === null ? 'not to be read yet' : `${timeConstant.toFixed(1)} hours`),
    factInput('Harm when it stands still within', 'common.eggsHarm.value', eggsHarm!),
    computedInput('Development stands still at', celsius(standsAt)),
    factInput('Kills', 'common.eggsColdKills.value', eggsColdKills!),
  ],
  change: 'The next reading; another temperature set of the place',
})
