// 2,000 animals with 300 meals each: how they eat, what is next for each, whether it may leave; and once more after one
// meal. Beside it, in the same run, a plain loop over the meals that a state keeps.
import { performance } from 'node:perf_hooks'
import { shippedAlmanac } from '#core/almanac'
import { menuBalance } from '#core/feeding'
import { defaultSettings, houseOf, littersOf, nextOfferOf, refusalOf } from '#core/season'
import type { AnimalState, House } from '#core/subjects'
import { HouseBuilder } from '../tests/fixtures/records'

const today = 20_000
const ANIMALS = 2000
const MEALS = 300
const SPECIES = ['corn-snake', 'milk-snake', 'fat-tailed-gecko', 'royal-python'] as const

const builder = new HouseBuilder(today)
for (let i = 0; i < ANIMALS; i++) {
  const speciesId = SPECIES[i % SPECIES.length]!
  builder.animal(`A-${i}`, speciesId, { bornDay: today - 330 + (Math.floor(i / 40) % 20), damId: `D-${i % 90}` })
  const subject = { type: 'animal' as const, id: `A-${i}` }
  const insects = speciesId === 'fat-tailed-gecko'
  for (let m = 0; m < MEALS; m++)
    builder.write('fed', subject, m - MEALS, {
      prey: insects ? 'cricket.half' : 'mouse.hopper',
      offered: 1,
      taken: (m + i) % 9 === 0 || (i % 17 === 0 && m > MEALS - 5) ? 0 : 1,
      ...(insects ? { dusted: m % 2 ? 'calcium' : 'vitamins' } : { state: m < 4 + (i % 40) ? 'live' : 'thawed' }),
    })
  for (const ago of [200, 120, 60, 9])
    builder.write('weighed', subject, -ago, { massG: 40 + ((200 - ago) * (i % 7)) / 9 })
}
const house = houseOf(builder.records())
const contextOf = (of: House) => ({ house: of, almanac: shippedAlmanac, settings: defaultSettings, today })

function judgeOne(animal: AnimalState, of: House): number {
  const context = contextOf(of)
  const offer = nextOfferOf(animal, refusalOf(animal, false, context), context)
  return offer.reasons.length + (menuBalance(shippedAlmanac, animal.meals, today)?.value.meals ?? 0)
}
function judgeAll(of: House): number {
  let sum = littersOf(contextOf(of)).reduce((n, l) => n + l.young.length, 0)
  for (const animal of Object.values(of.animals)) sum += judgeOne(animal, of)
  return sum
}
/** Every meal that is kept once, and nothing else. */
function plain(of: House): number {
  let grams = 0
  for (const { meals } of Object.values(of.animals))
    for (const m of meals) grams += m.taken * shippedAlmanac.feeders[m.prey]!.massG.likely
  return grams
}

function median(times: number, make: () => unknown): number {
  const taken = Array.from({ length: times }, () => {
    const since = performance.now()
    make()
    return performance.now() - since
  })
  return taken.sort((a, b) => a - b)[Math.floor(times / 2)]!
}

const base = median(15, () => plain(house))
const all = median(7, () => judgeAll(house))
const animals = Object.values(house.animals)
let turn = 0
const one = median(99, () => judgeOne(animals[turn++ % animals.length]!, house))
console.log(`${animals.length} animals, ${MEALS} meals each, of which a state keeps the latest`)
console.log(`Plain loop over the meals that are kept: ${base.toFixed(2)} ms`)
console.log(
  `Litters, offers, refusals, menus and gates of all: ${all.toFixed(1)} ms = ${(all / base).toFixed(1)} × the plain loop`,
)
console.log(`Of one, after its meal: ${one.toFixed(3)} ms`)
