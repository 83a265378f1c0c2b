import { feederOf, speciesOf } from '../almanac'
import { summarise } from '../chance'
import { cultureStage, cultureWayHere, producingFrom } from '../supply'
import { formatDay, formatRange } from '../units'
import { eggsLeft, strainOf, type CultureState, type Subject } from '../subjects'
import type { SeasonContext } from './context'
import type { Lane } from './contracts'
import { cultureTempC } from './warmth'

/** What stands on the label of a cup, a tub or a box of eggs. */
export interface Label {
  subject: Subject
  tag: string
  /** What is in it. */
  what: string
  lines: string[]
  /** Started or laid on that day: the newest come first. */
  day: number
}

/** `from FS-1, FS-2; wingless` */
function originOf(culture: CultureState, cultures: SeasonContext['house']['cultures']): string[] {
  const parents = (culture.parentIds ?? []).flatMap(id => cultures[id]?.tag ?? [])
  const told = [parents.length ? `from ${parents.join(', ')}` : null, strainOf(culture, cultures)].filter(s => s)
  return told.length ? [told.join('; ')] : []
}

/** Labels of all cultures that run, the newest first. Days are those that are expected today. */
export function cultureLabels(context: SeasonContext): Label[] {
  const { house, almanac, today } = context
  return Object.values(house.cultures)
    .filter(c => !c.finished && !c.failed)
    .map((c): Label => {
      const feeder = feederOf(almanac, c.feederId)
      const supply = cultureWayHere(feeder, c, house)
      const unwritten = almanac.common.unwrittenProducing!.value
      const yields =
        supply && cultureStage(c, supply, today) === 'growing'
          ? summarise(producingFrom(c, supply, cultureTempC(c, context), today, unwritten))
          : null
      const out = supply?.kind === 'batch' ? supply.outAfterDays : undefined
      return {
        subject: { type: 'culture', id: c.id },
        tag: c.tag,
        what: feeder.name,
        day: c.startDay,
        lines: [
          `${c.bought ? 'ordered' : 'started'} ${formatDay(c.startDay, today)}`,
          ...originOf(c, house.cultures),
          ...(yields ? [`yields ${formatRange(yields)}`] : []),
          ...(out ? [`out by ${formatDay(c.startDay + Math.round(out.value), today)}`] : []),
        ],
      }
    })
    .sort((a, b) => b.day - a.day || (a.tag < b.tag ? -1 : 1))
}

/** Labels of all boxes with eggs that may hatch, the newest first. */
export function clutchLabels(lanes: readonly Lane[], { house, almanac, today }: SeasonContext): Label[] {
  const hatchOf = new Map(lanes.map(l => [l.subject.id, l.events.find(e => e.event === 'hatched' && !e.observed)]))
  return Object.values(house.clutches)
    .filter(c => c.kind === 'eggs' && !c.ended && eggsLeft(c) > 0)
    .map((c): Label => {
      const hatch = hatchOf.get(c.id)
      const when = hatch && summarise(hatch.dist)
      return {
        subject: { type: 'clutch', id: c.id },
        tag: c.tag,
        what: speciesOf(almanac, c.speciesId).name,
        day: c.startDay,
        lines: [
          `laid ${formatDay(c.startDay, today)}, ${eggsLeft(c)} ${eggsLeft(c) === 1 ? 'egg' : 'eggs'}`,
          ...(when ? [`hatch ${formatRange(when)}`] : []),
        ],
      }
    })
    .sort((a, b) => b.day - a.day || (a.tag < b.tag ? -1 : 1))
}
