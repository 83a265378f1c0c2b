// 300 clutches of 20 eggs, 40 incubators with hourly logs of nine months: all forecasts, and after one reading more.
// Beside it, in the same run, a plain loop over the same hours.
import { performance } from 'node:perf_hooks'
import { shippedAlmanac, speciesOf } from '#core/almanac'
import { hourOf } from '#core/climate'
import { fitThermalTime } from '#core/incubation'
import { SeasonMemory, defaultSettings, houseOf } from '#core/season'
import { eggClock, sexOutlook } from '#core/season/eggs'
import type { House } from '#core/subjects'
import { HouseBuilder } from '../tests/fixtures/records'

const today = 20_000
const HOURS = 270 * 24
const SPECIES = ['corn-snake', 'leopard-gecko', 'hermanns-tortoise']

const builder = new HouseBuilder(today)
for (let i = 0; i < 40; i++) {
  builder.place(`inc-${i}`, { kind: 'incubator', tempC: 28 })
  builder.readings(
    `inc-${i}`,
    Array.from({ length: HOURS }, (_, h) => 28 + 0.4 * Math.sin(h / 3 + i) + (h % 997 === 0 ? 2 : 0)),
  )
}
for (let i = 0; i < 300; i++) {
  const species = SPECIES[i % SPECIES.length]!
  builder.animal(`D-${i}`, species, { sex: 'female' })
  const pair = { type: 'pairing' as const, id: builder.pair(`D-${i}`, null, -269) }
  const id = builder.write('laid', pair, -(20 + (i % 240)), {
    tag: `C-${i}`,
    eggs: 20,
    slugs: 0,
    placeId: `inc-${i % 40}`,
  })
  const eggs = Array.from({ length: 20 }, (_, n) => ({ n: n + 1, state: n % 7 ? 'sound' : 'doubtful' }))
  builder.write('eggsSeen', { type: 'clutch', id }, -10, { eggs })
}
const house = houseOf(builder.records())

function forecasts(of: House, memory?: SeasonMemory): number {
  const context = { house: of, almanac: shippedAlmanac, settings: defaultSettings, today, ...(memory && { memory }) }
  let known = 0
  for (const clutch of Object.values(of.clutches))
    if (eggClock(clutch, context)?.dist.p.length && sexOutlook(clutch, context) !== undefined) known++
  return known
}

/** Every hour of every clutch once, and nothing else. */
function plain(of: House): number {
  let done = 0
  for (const clutch of Object.values(of.clutches)) {
    const { baseC } = fitThermalTime(speciesOf(shippedAlmanac, clutch.speciesId).incubation!.points)
    const log =
      of.climate[clutch.placeId!]!['temperature:air' as never] ?? Object.values(of.climate[clutch.placeId!]!)[0]!
    for (let hour = clutch.startDay * 24 + 12; hour < today * 24 + 12; hour++)
      done += Math.max(0, hourOf(log, hour) - baseC)
  }
  return done
}

function median(times: number, make: () => unknown): number {
  const taken = Array.from({ length: times }, () => {
    const since = performance.now()
    make()
    return performance.now() - since
  })
  return taken.sort((a, b) => a - b)[Math.floor(times / 2)]!
}

/** The house with one reading more in one of its incubators. */
function withReading(of: House, i: number): House {
  const id = `inc-${i % 40}`
  const logs = Object.fromEntries(
    Object.entries(of.climate[id]!).map(([series, log]) => [series, { ...log!, mean: Float64Array.from(log!.mean) }]),
  )
  return { ...of, climate: { ...of.climate, [id]: logs as never } }
}

const base = median(9, () => plain(house))
const all = median(9, () => forecasts(house, new SeasonMemory()))
const memory = new SeasonMemory()
forecasts(house, memory)
let turn = 0
const houses = Array.from({ length: 20 }, (_, i) => withReading(house, i))
const again = median(15, () => forecasts(houses[turn++ % houses.length]!, memory))
console.log(`${forecasts(house)} clutches of 20 eggs in 40 incubators, ${HOURS} hours each`)
console.log(`Plain loop over the same hours: ${base.toFixed(1)} ms`)
console.log(`All forecasts: ${all.toFixed(1)} ms = ${(all / base).toFixed(2)} × the plain loop`)
console.log(`After one reading: ${again.toFixed(1)} ms = ${(again / base).toFixed(2)} ×`)
