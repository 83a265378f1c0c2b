import { schoolChoice, speciesOf, type Species } from '../../almanac'
import { summarise, type Day } from '../../chance'
import { residentsOf } from '../../climate'
import {
  floorOf,
  homeNeed,
  isEnough,
  outgrows,
  paceOf,
  sizeOf,
  type Grower,
  type HomeNeed,
  type Outgrown,
  type Pace,
} from '../../homes'
import { computedInput, entryInput, factInput, settingInput, type Reason } from '../../judgement'
import { expectedCount, type MouthSource } from '../../nursery'
import {
  hereOf,
  inCold,
  isQuarantine,
  livingAnimals,
  membersOf,
  type AnimalState,
  type HomeSize,
  type House,
  type Place,
} from '../../subjects'
import { derived } from '../../derived'
import type { SeasonContext } from '../context'
import type { HomeView, HomesOutlook, WinterOutlook, YoungHomes } from '../contracts'
import { eachGuarded, subjectAs } from '../guard'
import { remembering } from '../remember'

/** Free homes told of each that is too small. */
const FITS_TOLD = 12

/** Who lives in each tub, and who will be back from the cold; of a group each one. */
const atHome = derived((house: House): ReadonlyMap<string, readonly AnimalState[]> => {
  const homes = new Map<string, AnimalState[]>()
  for (const animal of livingAnimals(house)) {
    const home = inCold(animal) ? animal.homeId : animal.placeId
    if (!home || house.places[home]?.kind !== 'tub') continue
    homes.set(home, [...(homes.get(home) ?? []), animal])
  }
  for (const group of Object.values(house.groups)) {
    if (!group.placeId || !hereOf(group) || house.places[group.placeId]?.kind !== 'tub') continue
    homes.set(group.placeId, [...(homes.get(group.placeId) ?? []), ...membersOf(group)])
  }
  return homes
})

/** Tubs in which nothing lives, and to which nothing comes back from the cold. */
export const freeHomes = derived((house: House): readonly Place[] => {
  const taken = new Set<string>([...atHome(house).keys(), ...residentsOf(house).keys()])
  const standing = [
    ...Object.values(house.clutches).filter(c => !c.ended),
    ...Object.values(house.cultures).filter(c => !c.finished && !c.failed),
    // some spend the cold in a tub
    ...livingAnimals(house).filter(a => inCold(a)),
  ]
  for (const { placeId } of standing) if (placeId) taken.add(placeId)
  return Object.values(house.places).filter(p => p.kind === 'tub' && !taken.has(p.id))
})

/** Days of growth from one day to another: in the cold nothing grows. */
export function awakeDays({ winters }: Pick<AnimalState, 'winters'>, from: Day, to: Day, wakes: Day): number {
  const cold = winters.reduce(
    (sum, w) => sum + Math.max(0, Math.min(to, w.warmed?.day ?? wakes) - Math.max(from, w.cooled.day)),
    0,
  )
  return Math.max(0, to - from - cold)
}

interface Growing {
  animal: AnimalState
  species: Species
  grower: Grower
  /** The day from which it is reckoned. */
  from: Day
}

/** How an animal grows from here on; one of which neither weight nor birth is known is taken as grown. */
function growing(animal: AnimalState, wakes: Day, { almanac, today }: SeasonContext): Growing | null {
  const species = speciesOf(almanac, animal.speciesId)
  const { home } = species
  if (!home) return null
  const { common } = almanac
  const born = animal.bornDay === null ? null : { day: animal.bornDay, massG: species.youngMassG.value }
  const last = animal.weights.at(-1) ?? null
  const first = born ?? animal.weights[0] ?? null
  const from = last ?? born
  const awake = (a: Day, b: Day) => awakeDays(animal, a, b, wakes)
  const pace: Pace =
    first && last
      ? paceOf(species, first, last, awake(first.day, last.day), common)
      : { likely: 1, sd: common.growthSpread!.value }
  return {
    animal,
    species,
    from: from?.day ?? today,
    grower: {
      species,
      home,
      massG: from?.massG ?? species.adultMassG.value,
      grown: day => (from ? awake(from.day, day) : 0),
      pace,
    },
  }
}

function inputsOf({ animal, species, grower: { home, pace } }: Growing): Reason['inputs'] {
  const path = `species.${species.id}`
  const last = animal.weights.at(-1)
  return [
    last
      ? entryInput(`${animal.tag} weighed`, `${last.massG} g`, last)
      : computedInput(
          animal.tag,
          animal.bornDay === null
            ? 'neither weight nor birth known: taken as grown'
            : `never weighed; by its age from ${species.youngMassG.value} g on`,
        ),
    ...(last
      ? [
          computedInput(
            `${animal.tag} grows`,
            `${pace.likely.toFixed(1)} times as quickly as its species, ${Math.round(100 * pace.sd)} % give or take`,
          ),
        ]
      : []),
    factInput('Weight of a grown one', `${path}.adultMassG.value`, species.adultMassG),
    factInput('Grown up after', `${path}.matureDays.value`, species.matureDays),
    factInput('Floor for a grown one', `${path}.home.floorM2.value`, home.floorM2),
    ...(home.heightM ? [factInput('Height for a grown one', `${path}.home.heightM.value`, home.heightM)] : []),
  ]
}

/** How much of the stated floor the house gives to a species. */
const roomFor = ({ almanac, settings }: SeasonContext, speciesId: string) =>
  schoolChoice(almanac, settings.schools, 'homeRoom', speciesId)

interface Told {
  all: Growing[]
  when: Outgrown
  later: HomeNeed
}
const told = remembering<Place, Told | null>()

/** When a home will be too small for those who live there; null where it will not within the days looked ahead. */
function toldOf(
  place: Place,
  size: HomeSize,
  animals: readonly AnimalState[],
  wakes: ReadonlyMap<string, Day>,
  context: SeasonContext,
): Told | null {
  const { almanac, today, settings } = context
  const { common } = almanac
  const wakeDays = animals.map(a => wakes.get(a.id) ?? today)
  return told(context, place, [size, ...animals, ...wakeDays, almanac, settings.schools, today], () => {
    const all = animals.flatMap((a, i) => growing(a, wakeDays[i]!, context) ?? [])
    if (!all.length) return null
    const growers = all.map(g => g.grower)
    const room = roomFor(context, all[0]!.species.id).fact?.value ?? 1
    const to = today + common.homesAhead!.value
    const when = outgrows(growers, size, today, Math.min(today, ...all.map(g => g.from)), to, room, common)
    if (when.mid === null) return null
    return { all, when, later: outgrows(growers, size, to, to, to, room, common).need }
  })
}

/** Homes that are free and whose size is known, the smallest first; quarantine is nobody's home. */
const freeAndSized = derived((house: House) =>
  freeHomes(house)
    .filter(place => !isQuarantine(house.places, place.id))
    .flatMap(place => {
      const size = sizeOf(house.places, place)
      return size ? [{ id: place.id, size }] : []
    })
    .sort((a, b) => floorOf(a.size) - floorOf(b.size)),
)

function outgrownHomes(winter: WinterOutlook, context: SeasonContext): { outgrown: HomeView[]; unsized: string[] } {
  const { house, almanac, today } = context
  const wakes = new Map(winter.cold.map(c => [c.animalId, Math.max(today, c.wakeDay)]))
  const unsized: string[] = []
  const lived = [...atHome(house)].map(([id, animals]) => ({ id, place: house.places[id]!, animals }))
  const outgrown = eachGuarded(
    context,
    'its home',
    lived,
    subjectAs('place'),
    ({ place, animals }): HomeView | null => {
      const size = sizeOf(house.places, place)
      if (!size) {
        if (animals.some(a => speciesOf(almanac, a.speciesId).home)) unsized.push(place.id)
        return null
      }
      const is = toldOf(place, size, animals, wakes, context)
      if (!is) return null
      const { all, when, later } = is
      const fits = freeAndSized(house).filter(f => isEnough(f.size, later, almanac.common))
      const [{ species }] = all as [Growing, ...Growing[]]
      const { furtherShare } = species.home!
      return {
        placeId: place.id,
        animalIds: [...new Set(animals.map(a => a.id))],
        count: animals.length,
        size,
        ...when,
        later,
        fits: fits.slice(0, FITS_TOLD).map(f => f.id),
        fitting: fits.length,
        reasons: [
          {
            rule: 'Floor by the square of its length, height by its length, length by the cube root of its weight; it grows as its species, at its own pace, and not in the cold',
            inputs: [
              // of a group one is told for all
              ...all.filter(({ animal }, i) => all[i - 1]?.animal.id !== animal.id).flatMap(inputsOf),
              ...(all.length > 1 && furtherShare
                ? [factInput('Each further one', `species.${species.id}.home.furtherShare.value`, furtherShare)]
                : []),
              settingInput('How much room for each', roomFor(context, species.id).name, 'schools'),
              computedInput('Floor it has', `${floorOf(size).toFixed(2)} m²`),
            ],
            change: 'A new weight, another home, or the other school of room',
          },
        ],
      }
    },
  )
  // what is too small already comes first, then the day on which it will be
  return { outgrown: outgrown.sort((a, b) => a.mid! - b.mid!), unsized }
}

/** Young that come within the days looked ahead, and whether there are homes for them. */
function homesForYoung(mouths: readonly MouthSource[], context: SeasonContext): YoungHomes[] {
  const { house, almanac, today } = context
  const { common } = almanac
  const free = freeAndSized(house).map(f => f.size)
  const taken = new Set<number>()
  return mouths
    .flatMap(m => {
      const on = summarise(m.opens)
      const species = speciesOf(almanac, m.speciesId)
      // what is as likely not to come wants no home yet
      const soon = on && m.opens.never < 0.5 && on.median >= today && on.median <= today + common.homesAhead!.value
      // tadpoles want water first; they are counted when they have turned
      return soon && species.home && species.mode !== 'larval' ? [{ m, on, species }] : []
    })
    .sort((a, b) => a.on.median - b.on.median)
    .map(({ m, on, species }): YoungHomes => {
      const count = Math.max(1, Math.round(expectedCount(m.count)))
      const together = species.company?.lives === 'group'
      const young = { home: species.home!, share: species.youngMassG.value / species.adultMassG.value }
      const need = homeNeed(
        together ? new Array<typeof young>(count).fill(young) : [young],
        roomFor(context, species.id).fact?.value ?? 1,
        common,
      )!
      const homes = together ? 1 : count
      // the smallest that do, so that large ones are left for those that need them
      const fit = free
        .map((size, i) => ({ size, i }))
        .filter(({ size, i }) => !taken.has(i) && isEnough(size, need, common))
        .sort((a, b) => floorOf(a.size) - floorOf(b.size))
      for (const { i } of fit.slice(0, homes)) taken.add(i)
      return {
        id: m.id,
        laneId: m.laneId,
        label: m.label,
        speciesId: m.speciesId,
        count,
        on,
        homes,
        need,
        free: fit.length,
      }
    })
}

/** Which homes will be too small and when, and whether there are homes for the young that come. */
export function homesOutlook(
  mouths: readonly MouthSource[],
  winter: WinterOutlook,
  context: SeasonContext,
): HomesOutlook {
  return { ...outgrownHomes(winter, context), young: homesForYoung(mouths, context) }
}
