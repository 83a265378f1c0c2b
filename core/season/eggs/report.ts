import { speciesOf } from '../../almanac'
import { summarise, type Day } from '../../chance'
import { incubationTime } from '../../incubation'
import { temperatureAt } from '../../places'
import { kaplanMeier, type Survival } from '../../learning'
import { EGG_ENDS, eggIncubation, type ClutchState, type EggEnd } from '../../subjects'
import type { SeasonContext } from '../context'
import { eggTempC } from '../warmth'
import { hatchPace, type HatchPace } from './pace'

type Asked = Pick<SeasonContext, 'house' | 'almanac' | 'settings' | 'today' | 'memory'>

/** What came of one clutch, against what was forecast on the day it was laid. */
export interface ClutchReport {
  clutchId: string
  tag: string
  speciesId: string
  laid: Day
  placeId: string | null
  /** What its eggs are counted to have lain at, °C; null where nothing is known. */
  tempC: number | null
  eggs: number
  slugs: number
  dead: number
  hatched: number
  /** Still whole. */
  left: number
  /** Days to the first that came out; null while none has. */
  days: number | null
  /** 80 % range and middle of the forecast at laying, in days; null where none could be made. */
  forecast: { low: number; mid: number; high: number } | null
  /** Whether the hatch fell into that range; null while none is out, or where there was no forecast. */
  inside: boolean | null
}

/** Where the eggs of a species were lost, of those that are over. */
export interface EggLosses {
  speciesId: string
  eggs: number
  slugs: number
  dead: number
  /** How far those had come that were opened, in the order of development. */
  opened: { end: EggEnd; count: number }[]
}

export interface EggsReport {
  clutches: ClutchReport[]
  /** Hatches inside the 80 % range of what was said at laying, of those that had a forecast. */
  right: { inside: number; of: number }
  /** Time to the hatch by species and place, with eggs that are still whole, or died, counted as far as they got. */
  /** How long eggs take here against the table, by species of which some have hatched. */
  paces: { speciesId: string; pace: HatchPace }[]
  losses: EggLosses[]
  times: { speciesId: string; placeId: string | null; eggs: number; hatched: number; survival: Survival }[]
}

/** The forecast that stood when it was laid: by what was written of its box, or its place, then. */
function forecastAtLaying(clutch: ClutchState, { house, almanac, settings }: Asked): ClutchReport['forecast'] {
  const { id } = speciesOf(almanac, clutch.speciesId)
  const incubation = eggIncubation(clutch, almanac)
  if (!incubation || incubation.phases) return null
  const stay = clutch.stays[0]!
  const tempC = stay.tempC ?? temperatureAt(house.places, stay.placeId) ?? incubation.usualTempC.value
  const when = summarise(incubationTime(id, incubation, tempC + settings.incubationShiftC, almanac).dist)
  return when && { low: when.low, mid: when.median, high: when.high }
}

function reportOf(clutch: ClutchState, context: Asked): ClutchReport {
  const hatched = clutch.hatched.reduce((n, h) => n + h.count, 0)
  const first = clutch.hatched[0]
  const forecast = forecastAtLaying(clutch, context)
  const days = first ? first.day - clutch.startDay : null
  return {
    clutchId: clutch.id,
    tag: clutch.tag,
    speciesId: clutch.speciesId,
    laid: clutch.startDay,
    placeId: clutch.placeId,
    tempC: eggTempC(clutch, context),
    eggs: clutch.eggs,
    slugs: clutch.slugs,
    dead: clutch.eggsLost,
    hatched,
    left: clutch.ended ? 0 : Math.max(0, clutch.eggs - clutch.slugs - clutch.eggsLost - hatched),
    days,
    forecast,
    inside: days === null || !forecast || clutch.startGive ? null : days >= forecast.low && days <= forecast.high,
  }
}

function lossesOf(speciesId: string, clutches: readonly ClutchState[]): EggLosses {
  const rows = clutches.flatMap(c => Object.values(c.rows))
  return {
    speciesId,
    eggs: clutches.reduce((n, c) => n + c.eggs, 0),
    slugs: clutches.reduce((n, c) => n + c.slugs, 0),
    dead: clutches.reduce((n, c) => n + c.eggsLost, 0),
    opened: EGG_ENDS.map(end => ({ end, count: rows.filter(r => r.state === 'dead' && r.end === end).length })).filter(
      o => o.count > 0,
    ),
  }
}

/** What came of the eggs of the house, the latest laid first, and whether the forecasts at laying were right. */
export function eggsReport(context: Asked): EggsReport {
  const all = Object.values(context.house.clutches).filter(c => c.kind === 'eggs')
  const clutches = all.map(c => reportOf(c, context)).sort((a, b) => b.laid - a.laid || (a.tag < b.tag ? -1 : 1))
  const judged = clutches.filter(c => c.inside !== null)
  const groups = new Map<string, ClutchState[]>()
  for (const c of all) {
    const key = `${c.speciesId} ${c.placeId}`
    groups.set(key, [...(groups.get(key) ?? []), c])
  }
  const times = [...groups.values()].flatMap(of => {
    const out = of.flatMap(c => c.hatched.map(h => ({ time: h.day - c.startDay, event: true, count: h.count })))
    if (!out.length) return []
    const whole = of.map(c => {
      const hatched = c.hatched.reduce((n, h) => n + h.count, 0)
      const until = (c.ended?.day ?? context.today) - c.startDay
      return { time: until, event: false, count: c.eggs - c.slugs - hatched }
    })
    const hatched = out.reduce((n, h) => n + h.count, 0)
    const eggs = hatched + whole.reduce((n, w) => n + w.count, 0)
    const { speciesId, placeId } = of[0]!
    return [{ speciesId, placeId, eggs, hatched, survival: kaplanMeier([...out, ...whole.filter(w => w.count > 0)]) }]
  })
  const bySpecies = new Map<string, ClutchState[]>()
  for (const c of all) bySpecies.set(c.speciesId, [...(bySpecies.get(c.speciesId) ?? []), c])
  const species = [...bySpecies].sort(([, a], [, b]) => b.length - a.length)
  return {
    clutches,
    paces: species.flatMap(([speciesId]) => {
      const pace = hatchPace(speciesId, context)
      return pace.clutches ? [{ speciesId, pace }] : []
    }),
    losses: species.map(([speciesId, of]) => lossesOf(speciesId, of)).filter(l => l.slugs + l.dead > 0),
    right: { inside: judged.filter(c => c.inside).length, of: judged.length },
    times: times.sort((a, b) => b.eggs - a.eggs || (a.speciesId < b.speciesId ? -1 : 1)),
  }
}
