// Whether forecasts keep what their bands promise, at every fifth day of a cycle (every second of short ones), to
// laying or birth and on to the first meal: nothing written, and written as it mostly is.
// Not part of `npm test`, which looks at a few moments: npm run calibration.
import { chainOf } from '#core/pairing'
import { clockOf, shippedAlmanac, type BreedingEvent, type Species } from '#core/almanac'
import { silentInBand, writtenInBand, type Calibration, type Course } from '../tests/fixtures/calibration'

const [LOW, HIGH, ENOUGH] = [0.75, 0.85, 1000]

/**
 * From an event of the chain to another, by clocks that follow each other; the signs that have a clock of their own to
 * it.
 */
function courseOf(species: Species, from: BreedingEvent, target: BreedingEvent): Course | null {
  const chain = chainOf(species)
  const trunk = [from]
  while (trunk.at(-1) !== target) {
    const at = trunk.at(-1)!
    const direct = clockOf(species, at, target)
    const next = direct ? target : chain.slice(chain.indexOf(at) + 1).find(event => clockOf(species, at, event))
    if (!next) return null
    trunk.push(next)
  }
  const signs = chain
    .slice(chain.indexOf(trunk.at(-2)!) + 1, chain.indexOf(target))
    .filter(sign => clockOf(species, sign, target) && !trunk.includes(sign))
  return { species, trunk, signs }
}

let faults = 0
for (const species of Object.values(shippedAlmanac.species)) {
  const birth: BreedingEvent = species.mode === 'live' ? 'born' : 'laid'
  const out: BreedingEvent = species.mode === 'live' ? 'born' : species.mode === 'larval' ? 'laid' : 'hatched'
  for (const [from, target] of [
    ['ready', birth],
    ['copulation', birth],
    [out, 'firstMeal'],
  ] as const) {
    const course = chainOf(species).includes(from) ? courseOf(species, from, target) : null
    if (!course) continue
    const longest = course.trunk
      .slice(1)
      .reduce((days, event, i) => days + clockOf(species, course.trunk[i]!, event)!.days.latest, 0)
    for (const [name, judge] of [
      ['silent', silentInBand],
      ['written', writtenInBand],
    ] as const) {
      const shares: number[] = []
      let n = 0
      for (let moment = 0; moment <= longest; moment += longest > 60 ? 5 : 2) {
        const found: Calibration = judge(course, moment, name === 'silent' ? 6000 : 1500)
        if (found.n < ENOUGH) continue
        n += found.n
        shares.push(found.share)
        if (found.share < LOW || found.share > HIGH) {
          faults++
          console.log(
            `OUT ${species.id} from ${from} to ${target}, ${name}, day ${moment}: ${(found.share * 100).toFixed(1)} % of ${found.n}`,
          )
        }
      }
      if (shares.length)
        console.log(
          `${species.id} from ${from} to ${target}, ${name}: ${shares.length} moments, ${n} cycles, ${(Math.min(...shares) * 100).toFixed(1)}–${(Math.max(...shares) * 100).toFixed(1)} % in the 80 % band`,
        )
    }
  }
}
console.log(
  faults ? `${faults} moments out of ${LOW * 100}–${HIGH * 100} %` : `All moments within ${LOW * 100}–${HIGH * 100} %`,
)
process.exit(faults ? 1 : 0)
