import { speciesOf, type Almanac } from '../almanac'
import type { Day } from '../chance'
import { animalsOf, type AnimalState, type House } from '../subjects'
import { startingWeight } from './coldLine'

/** One winter of one animal, as written. */
export interface WinterRecord {
  animalId: string
  tag: string
  speciesId: string
  /** Year in which it was cooled; in the north one cooled in January to June counts to the winter before. */
  year: number
  cooledDay: Day
  warmedDay: Day | null
  days: number
  /**
   * Share lost from the starting weight to the last weighing in the cold or the first within a week after; null = not
   * weighed twice.
   */
  lost: number | null
  weighings: number
  incidents: number
  startG: number | null
}

export interface SpeciesWinter {
  speciesId: string
  year: number
  animals: number
  running: number
  meanLost: number | null
  worstLost: { tag: string; lost: number } | null
  meanDays: number
  incidents: number
}

/** A northern winter lies over the turn of the year, a southern one within it. */
function winterYear(day: Day, south: boolean): number {
  const date = new Date(day * 86_400_000)
  return !south && date.getUTCMonth() < 6 ? date.getUTCFullYear() - 1 : date.getUTCFullYear()
}

function recordsOf(animal: AnimalState, common: Almanac['common'], today: Day, south: boolean): WinterRecord[] {
  return animal.winters.map(winter => {
    const start = startingWeight(animal.weights, winter, common)
    const end = winter.warmed?.day ?? today
    const within = animal.weights.filter(
      w =>
        start &&
        w.day > Math.max(start.day, winter.cooled.day - 1) &&
        w.day <= end + (winter.warmed ? common.afterWaking!.value : 0) &&
        w.entryId !== start.entryId,
    )
    const inCold = within.filter(w => w.day <= end)
    const last = inCold.at(-1) ?? within[0]
    return {
      animalId: animal.id,
      tag: animal.tag,
      speciesId: animal.speciesId,
      year: winterYear(winter.cooled.day, south),
      cooledDay: winter.cooled.day,
      warmedDay: winter.warmed?.day ?? null,
      days: end - winter.cooled.day,
      lost: start && last ? 1 - last.massG / start.massG : null,
      weighings: inCold.length,
      incidents: winter.incidents.length,
      startG: start?.massG ?? null,
    }
  })
}

const meanOf = (values: number[]): number | null =>
  values.length ? values.reduce((a, b) => a + b, 0) / values.length : null

/**
 * Every winter written for the animals of the house (those gone too), and their sums by species and year, newest first.
 * @param south whether the house lies in the southern hemisphere
 */
export function winterReport(
  house: House,
  almanac: Almanac,
  today: Day,
  south = false,
): { records: WinterRecord[]; bySpecies: SpeciesWinter[] } {
  const records = animalsOf(house)
    .flatMap(a => recordsOf(a, almanac.common, today, south))
    .sort((a, b) => b.year - a.year || (a.tag < b.tag ? -1 : 1))
  const groups = new Map<string, WinterRecord[]>()
  for (const r of records) {
    const key = `${r.speciesId}:${r.year}`
    const list = groups.get(key)
    if (list) list.push(r)
    else groups.set(key, [r])
  }
  const bySpecies = [...groups.values()].map((list): SpeciesWinter => {
    const losses = list.filter(r => r.lost !== null)
    const worst = losses.reduce((a, r) => (!a || r.lost! > a.lost! ? r : a), null as WinterRecord | null)
    return {
      speciesId: list[0]!.speciesId,
      year: list[0]!.year,
      animals: list.length,
      running: list.filter(r => r.warmedDay === null).length,
      meanLost: meanOf(losses.map(r => r.lost!)),
      worstLost: worst ? { tag: worst.tag, lost: worst.lost! } : null,
      meanDays: meanOf(list.map(r => r.days))!,
      incidents: list.reduce((n, r) => n + r.incidents, 0),
    }
  })
  const name = (id: string) => speciesOf(almanac, id).name
  return {
    records,
    bySpecies: bySpecies.sort((a, b) => b.year - a.year || name(a.speciesId).localeCompare(name(b.speciesId))),
  }
}
