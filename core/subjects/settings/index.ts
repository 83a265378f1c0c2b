import { defineSubject } from '../../log'
import { defaultSettings } from '../../settings'
import { settingsKinds } from './kinds'
import { THE_HOUSE } from './state'

export const settings = defineSubject({
  type: 'settings',
  collection: 'settings',
  noun: { one: 'setting', many: 'settings' },
  kinds: settingsKinds,
  implied: id => ({ id, settings: defaultSettings }),
  canBe: id => id === THE_HOUSE,
})
