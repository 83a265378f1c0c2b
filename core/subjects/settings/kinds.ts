import { LogbookError, defineKind, type CheckContext, type KindContext, type Problem } from '../../log'
import { HouseSettings, WARM_UP_WITHIN_DAYS } from '../../settings'
import { THE_HOUSE } from './state'

function timeZoneKept({ house, daysCount }: KindContext, timeZone: string | undefined): Problem | null {
  if (timeZone === undefined || timeZone === house.settings[THE_HOUSE]?.settings.timeZone || !daysCount()) return null
  return {
    path: 'data.timeZone',
    message: 'Days of written entries follow the time zone; it is set once, before the first entry',
  }
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
    kind: 'settingsChanged',
    subject: 'settings',
    verb: 'Change settings',
    dayless: true,
    data: HouseSettings.partial(),
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
      const zone = timeZoneKept(context, data.timeZone)
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
    wording: d => `Settings changed: ${Object.keys(d).join(', ')}`,
  }),
]
