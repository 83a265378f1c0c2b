import { ROUND_JOBS, type RoundJob } from '../almanac'

export const isRoundJob = (job: string): job is RoundJob => (ROUND_JOBS as readonly string[]).includes(job)

/** What a job is called: to do, and done. */
export const JOB_WORDS: Record<RoundJob, { name: string; done: string }> = {
  mist: { name: 'Mist', done: 'Misted' },
  uvReading: { name: 'Read the UV index', done: 'UV index read' },
  spotClean: { name: 'Spot clean', done: 'Spot cleaned' },
  lightClean: { name: 'Light clean', done: 'Light clean' },
  fullChange: { name: 'Full change', done: 'Fully changed' },
  water: { name: 'Fresh water', done: 'Fresh water' },
}

/** Jobs of the house as a whole. */
export const HOUSE_JOBS = ['smokeAlarm', 'thermostats', 'spareHeat', 'secondThermometer'] as const
export type HouseJob = (typeof HOUSE_JOBS)[number]
export const HOUSE_JOB_WORDS: Record<HouseJob, string> = {
  smokeAlarm: 'Test the smoke alarm',
  thermostats: 'Test the thermostats and their guards',
  spareHeat: 'Test the spare heater and the kit for a power cut',
  secondThermometer: 'Hold thermometers and hygrometers against a second',
}
