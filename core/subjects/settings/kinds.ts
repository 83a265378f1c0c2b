import { z } from 'zod'
import { freeText } from '../../reference'
import { LogbookError, defineKind, redated, sure, type CheckContext, type KindContext, type Problem } from '../../log'
import { HouseSettings, WARM_UP_WITHIN_DAYS, defaultSettings } from '../../settings'
import { withCare } from '../careDone'
import { WEEKDAYS } from '../../units'
import { HOUSE_JOBS, HOUSE_JOB_WORDS } from '../jobWords'
import { THE_HOUSE } from './state'

/** Another time zone reads the days of all that is written anew: the keeper is asked, with how many would move. */
function zoneAsked(
  { house, records, daysCount }: KindContext,
  { timeZone, sure }: { timeZone?: string | undefined; sure?: true | undefined },
): Problem | null {
  const now = house.settings[THE_HOUSE]?.settings.timeZone ?? defaultSettings.timeZone
  if (timeZone === undefined || timeZone === now || sure || !daysCount()) return null
  const log = [...records.entries.values()].flat()
  const { moved } = redated(log, now, timeZone)
  const told = moved.length
    ? `${moved.length} of ${log.length} entries, written near midnight, will be on another day`
    : 'No written entry changes its day'
  return { path: 'data.sure', message: `${told}; what was written for a day stays on it. Change the time zone?` }
}

/** A choice of a school, of the house (`warmUp`) or of one species (`warmUp@corn-snake`). */
function isChoice(almanac: CheckContext['almanac'], key: string, choice: string): boolean {
  const [id, speciesId, ...more] = key.split('@')
  const school = Object.hasOwn(almanac.schools, id!) ? almanac.schools[id!] : undefined
  const known = school?.choices.some(c => c.id === choice) ?? false
  return !more.length && known && (speciesId === undefined || Object.hasOwn(almanac.species, speciesId))
}

export const settingsKinds = [
  defineKind({
    kind: 'houseCared',
    subject: 'settings',
    verb: 'Record test',
    data: z.strictObject({ job: z.enum(HOUSE_JOBS), note: freeText(300).optional() }),
    apply(state, { job }, entry) {
      state.care = withCare(state.care, job, entry)
    },
    wording: d => `${HOUSE_JOB_WORDS[d.job]}: done${d.note ? `; ${d.note}` : ''}`,
  }),
  defineKind({
    kind: 'settingsChanged',
    subject: 'settings',
    verb: 'Change settings',
    dayless: true,
    data: HouseSettings.partial().extend({ sure }),
    fields: {
      houseName: { label: 'Name', as: 'text', needed: true },
      timeZone: { label: 'Time zone', as: 'one', hint: 'another reads written days anew', needed: true },
      massUnit: { label: 'Weights in', as: 'choice', choices: { g: 'g', oz: 'oz' }, needed: true },
      tempUnit: { label: 'Temperatures in', as: 'choice', choices: { '°C': '°C', '°F': '°F' }, needed: true },
      sexCertainty: { label: 'A sex is known from, %', as: 'share', hint: 'below it stays open', needed: true },
      latitude: {
        label: 'Latitude, degrees north',
        as: 'number',
        help: 'For the length of days outside; empty: twelve hours all year',
        below: true,
      },
      cultureWeekday: {
        label: 'Culture day',
        as: 'choice',
        hint: 'cups are started, orders go out',
        choices: Object.fromEntries(WEEKDAYS.map((label, day) => [day, label])),
        needed: true,
      },
      coverQuantile: { label: 'Need to cover, % of scenarios', as: 'share', needed: true },
      safeSeasons: {
        label: 'Seasons of 100 without a hungry day',
        as: 'share',
        help: 'Empty: no spares for that',
      },
      cultureMinutes: {
        label: 'Minutes for starting cultures',
        as: 'number',
        help: 'On one day; empty: as long as it takes',
      },
      orderMoney: {
        label: 'Money for orders in a week',
        as: 'number',
        help: 'Where a price list says what they cost; empty: as much as it takes',
      },
      freezerLitres: {
        label: 'Room in the freezer, litres',
        as: 'number',
        help: 'For prey; empty: as much as it takes',
      },
      currency: { label: 'Currency', as: 'text', hint: 'three letters, as EUR', needed: true },
      appetite: { label: 'Appetite, % of the ladder', as: 'share', needed: true },
      waste: { label: 'Never eaten, % of what is offered', as: 'share', hint: 'gets away, or dies', needed: true },
      cupYield: { label: 'Cup yield, % of the almanac', as: 'share', needed: true },
      warmUpDay: { label: 'Warm up those in the cold on', as: 'day', hint: 'empty: by the species’ weeks' },
    },
    // each for itself: one that cannot be read is left as it was, and told, and the others stand
    apply(state, data) {
      const settings: Record<string, unknown> = { ...state.settings }
      const unreadable: string[] = []
      for (const [key, value] of Object.entries(data)) {
        if (!Object.hasOwn(HouseSettings.shape, key)) continue
        const checked = HouseSettings.shape[key as keyof HouseSettings].safeParse(value)
        if (checked.success) settings[key] = checked.data
        else unreadable.push(key)
      }
      state.settings = settings as HouseSettings
      if (unreadable.length)
        throw new LogbookError(
          `The setting “${unreadable.join('”, “')}” cannot be read; what it was before is used until it is set anew`,
        )
    },
    check: (state, data, _, context) => {
      const zone = zoneAsked(context, data)
      if (zone) return zone
      const { warmUpDay } = data
      if (
        warmUpDay !== undefined &&
        warmUpDay !== null &&
        warmUpDay !== state.settings.warmUpDay &&
        Math.abs(warmUpDay - context.today) > WARM_UP_WITHIN_DAYS
      )
        return { path: 'data.warmUpDay', message: 'This is more than a year away: check the year' }
      // one that stood before may stand on
      const unknown = Object.entries(data.schools ?? {}).find(
        ([key, choice]) => state.settings.schools[key] !== choice && !isChoice(context.almanac, key, choice),
      )
      return unknown ? { path: `data.schools.${unknown[0]}`, message: 'There is no such school or choice' } : null
    },
    wording: d =>
      `Settings changed: ${Object.keys(d)
        .filter(key => key !== 'sure')
        .join(', ')}`,
  }),
]
