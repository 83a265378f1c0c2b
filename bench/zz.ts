import { foundings } from '../tests/fixtures/records'
import { shippedAlmanac } from '#core/almanac'
import { recordsFrom } from '#core/subjects'
import { defaultSettings, season } from '#core/season'
import { bigHouse } from './bigHouse'
const today = 20_782
const { log, places, animals } = bigHouse({ animals: 2000, clutches: 300, cultures: 120, entries: 500_000 }, today)
for (let i = 0; i < 4; i++) {
  let t = performance.now()
  const r = recordsFrom([...foundings(places, animals), ...log])
  const t1 = performance.now()
  season(r, shippedAlmanac, { ...defaultSettings }, today)
  console.log('records', Math.round(t1 - t), 'season', Math.round(performance.now() - t1))
}
