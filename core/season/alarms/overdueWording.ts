import { EVENT_NAMES, type EventForecast } from '../../pairing'
import type { Told } from './told'

export interface Overdue {
  /** Of the lane. */
  title: string
  late: Pick<EventForecast, 'event' | 'dist'>
  /** Name of the species. */
  species: string
}

export function tellOverdue({ title, late: { event, dist }, species }: Overdue): Omit<Told, 'reasons'> {
  const chance = dist.p.length ? `${Math.round(dist.never * 100)} % that it does not come` : 'it does not come any more'
  return {
    text: `${title}: ${EVENT_NAMES[event]} is overdue; ${chance}`,
    todo:
      event === 'hatched'
        ? 'Candle again; leave firm eggs. Close the clutch when they are surely dead.'
        : `Look at ${species} closely; swelling or straining is for the vet. End the season if she did not take.`,
  }
}
