import type { HouseSettings } from '#core/settings'
import { dayFromIso, dayToIso } from '#core/units'
import type { Typed } from './readFields'

/** Settings that may be left empty: nothing is said of them then. */
const MAY_BE_NULL = ['latitude', 'safeSeasons', 'cultureMinutes', 'orderMoney', 'freezerLitres'] as const

const percent = (share: number | null) => (share === null ? '' : String(Number((share * 100).toFixed(4))))
const number = (value: number | null) => (value === null ? '' : String(value))

/** The settings as they stand in the fields of their form. */
export const typedSettings = (settings: HouseSettings): Typed => ({
  houseName: settings.houseName,
  timeZone: settings.timeZone,
  massUnit: settings.massUnit,
  tempUnit: settings.tempUnit,
  sexCertainty: percent(settings.sexCertainty),
  latitude: number(settings.latitude),
  cultureWeekday: String(settings.cultureWeekday),
  coverQuantile: percent(settings.coverQuantile),
  safeSeasons: percent(settings.safeSeasons),
  cultureMinutes: number(settings.cultureMinutes),
  orderMoney: number(settings.orderMoney),
  freezerLitres: number(settings.freezerLitres),
  currency: settings.currency,
  appetite: percent(settings.appetite),
  waste: percent(settings.waste),
  cupYield: percent(settings.cupYield),
  warmUpDay: settings.warmUpDay === null ? '' : dayToIso(settings.warmUpDay),
})

/** The settings that the fields of their form say, all of them. */
export function settingsRead(read: Record<string, unknown>): Record<string, unknown> {
  const { warmUpDay, cultureWeekday, currency, ...rest } = read
  return {
    ...Object.fromEntries(MAY_BE_NULL.map(name => [name, null])),
    ...rest,
    cultureWeekday: Number(cultureWeekday),
    currency: String(currency).toUpperCase(),
    warmUpDay: warmUpDay ? dayFromIso(String(warmUpDay)) : null,
  }
}

/**
 * What stands in a form after what it was filled from has changed elsewhere: what nobody has touched here follows.
 * @param before what the form was filled from
 * @param now what it would be filled from now
 * @returns also the fields that were changed here and there, and not to the same
 */
export function followed(typed: Typed, before: Typed, now: Typed): { typed: Typed; crossed: string[] } {
  const names = new Set([typed, before, now].flatMap(Object.keys))
  const isTouched = (name: string) => typed[name] !== before[name]
  const all = [...names].map(name => [name, isTouched(name) ? typed[name] : now[name]] as const)
  return {
    typed: Object.fromEntries(all.filter(([, text]) => text !== undefined)),
    crossed: [...names].filter(name => isTouched(name) && now[name] !== before[name] && now[name] !== typed[name]),
  }
}
