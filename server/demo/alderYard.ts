import type { AnimalCard, DatedEntry, Place } from '#core/subjects'
import { defaultSettings, type HouseSettings } from '#core/season'
import { breedingSeason } from './breeding'
import { careOfPlaces, froglets, lamps, newcomer, sizesOfHomes } from './care'
import { demoDevices, type DemoDevice } from './devices'
import { demoEggs } from './eggs'
import { feederCultures, lotsAndUpkeep, suppliersAndMaterials } from './feeders'
import { dustedYoung, startingYoung, waysOfAnimals } from './starting'
import { DemoWriter } from './writer'

interface Places {
  snakes: Place[]
  milks: Place[]
  geckos: Place[]
  glass: Place[]
  hatchlings: Place[]
  incubator: Place
  warmIncubator: Place
  flies: Place
  beetles: Place
  colonies: Place
  cold: Place
  fridge: Place
}

function buildPlaces(w: DemoWriter): Places {
  const bench = w.place('Bench room', 'room', null, 24)
  const glassRoom = w.place('Glass room', 'room', null, 25)
  const backShop = w.place('Back shop', 'room', null, 22)
  const tubs = (parent: Place, from: number, to: number, word: string) =>
    Array.from({ length: to - from + 1 }, (_, i) => w.place(`${word} ${from + i}`, 'tub', parent))
  const rackA = w.place('Rack A', 'rack', bench)
  const rackB = w.place('Rack B', 'rack', bench)
  const rackD = w.place('Rack C', 'rack', bench)
  const rackC = w.place('Hatchling rack', 'rack', bench)
  const geckoRack = w.place('Gecko rack', 'rack', glassRoom)
  const glass = w.place('Glass wall', 'shelf', glassRoom)
  const shelf = w.place('Incubators', 'shelf', backShop)
  const feeders = w.place('Feeder shelf', 'shelf', backShop)
  return {
    snakes: [...tubs(rackA, 1, 10, 'Tub'), ...tubs(rackB, 11, 18, 'Tub')],
    milks: tubs(rackD, 19, 30, 'Tub'),
    geckos: tubs(geckoRack, 1, 10, 'Tub'),
    glass: ['Rock pen', 'Cork pen', 'Tortoise table', 'Moss tank', 'Fern tank', 'Pond tank'].map(n =>
      w.place(n, 'tub', glass),
    ),
    hatchlings: tubs(rackC, 1, 40, 'Box'),
    incubator: w.place('Incubator 28 °C', 'incubator', shelf, 28),
    warmIncubator: w.place('Incubator 31 °C', 'incubator', shelf, 31),
    flies: w.place('Fly board', 'shelf', feeders, 24, 36),
    beetles: w.place('Beetle board', 'shelf', feeders, 28, 12),
    colonies: w.place('Colony bench', 'shelf', feeders, 27),
    cold: w.place('Cold chest', 'cold', backShop, 12, 24),
    fridge: w.place('Fridge', 'cold', backShop, 5, 6),
  }
}

type Animals = Record<string, AnimalCard>

function grownSnakes(w: DemoWriter, p: Places, all: Animals): void {
  const kings: [string, 'female' | 'male', number, number][] = [
    ['K-01', 'female', 1900, 640],
    ['K-02', 'female', 1880, 590],
    ['K-03', 'female', 1540, 520],
    ['K-04', 'female', 1190, 430],
    ['K-05', 'female', 1180, 455],
    ['K-06', 'male', 2260, 610],
    ['K-07', 'male', 1900, 560],
    ['K-08', 'male', 1550, 540],
    ['K-09', 'male', 1200, 440],
  ]
  kings.forEach(([tag, sex, age, mass], i) => {
    const card = w.animal(tag, 'california-kingsnake', sex, age, p.snakes[i]!)
    all[tag] = card
    w.winter(card, mass * 0.88, 455, 372, [0.98 - i * 0.002])
    if (['K-02', 'K-04', 'K-05', 'K-06', 'K-09'].includes(tag)) {
      w.weights(card, mass * 0.9, mass, 350, 30, 64)
      w.meals(card, mass, 240, 76)
      w.inCold(
        card,
        mass,
        62,
        p.cold,
        tag === 'K-02' ? [0.985, 0.955, 0.926] : [0.996, 0.989 - i * 0.0006, 0.983 - i * 0.0008],
      )
      return
    }
    // the others went early, so that their young come early
    const early = tag === 'K-01' || tag === 'K-07'
    w.weights(card, mass * 0.9, mass, 350, 30, 172)
    w.winter(card, mass, 170, early ? 92 : 34, [0.99, tag === 'K-08' ? 0.955 : 0.981])
    w.weights(
      card,
      mass * (tag === 'K-08' ? 0.95 : 0.985),
      mass * (tag === 'K-08' ? 0.958 : 1.01),
      early ? 85 : 28,
      14,
      tag === 'K-08' ? 1 : 4 + i,
    )
    w.write('shed', w.about(card), early ? -70 : -12)
    w.meals(card, mass, early ? 85 : 30, [11, 0, 3, 10, 7, 0, 2, 5, 9][i]!)
  })
  const milks: [number, number, number[]][] = [
    [420, 1500, [0.995, 0.985]],
    [395, 1480, [0.997, 0.99]],
    [455, 1900, [0.994, 0.981]],
    [380, 1460, [0.996, 0.988]],
    [410, 1510, [0.993, 0.98]],
    [365, 1200, [0.998, 0.991]],
    [430, 2100, [0.996, 0.986]],
    [402, 1830, [0.995, 0.984]],
    [388, 1490, [0.964, 0.909]],
    [415, 1850, [0.997, 0.987]],
    [440, 2240, [0.996, 0.989]],
    [372, 1220, [0.995, 0.983]],
  ]
  milks.forEach(([mass, age, losses], i) => {
    const tag = `M-${String(i + 1).padStart(2, '0')}`
    const card = w.animal(tag, 'milk-snake', i % 3 === 2 ? 'male' : 'female', age, p.milks[i]!)
    all[tag] = card
    w.winter(card, mass * 0.93, 440, 360, [0.984 - (i % 4) * 0.004])
    w.weights(card, mass * 0.94, mass, 340, 30, 50)
    w.meals(card, mass, 200, 62)
    w.inCold(card, mass, 48, p.cold, losses)
    if (tag === 'M-09') w.write('checked', w.about(card), -3, { well: false, signs: ['skin'] })
  })
  const rosies: [string, 'female' | 'male', number, number][] = [
    ['R-01', 'female', 2000, 410],
    ['R-02', 'female', 1700, 360],
    ['R-03', 'female', 1400, 330],
    ['R-04', 'female', 1390, 318],
    ['R-05', 'male', 1900, 250],
    ['R-06', 'male', 1710, 262],
    ['R-07', 'male', 1300, 240],
  ]
  rosies.forEach(([tag, sex, age, mass], i) => {
    const card = w.animal(tag, 'rosy-boa', sex, age, p.snakes[9 + i]!)
    all[tag] = card
    // R-04 has fallen off since spring
    w.weights(card, mass * 0.9, mass * (tag === 'R-04' ? 1.1 : 1), 400, 30, tag === 'R-04' ? 40 : 3 + i * 2)
    if (tag === 'R-04') w.write('weighed', w.about(card), -5, { massG: mass })
    w.meals(card, mass, 160, [6, 13, 14, 15, 13, 14, 4][i]!)
  })
}

function grownLizards(w: DemoWriter, p: Places, all: Animals): void {
  for (let i = 0; i < 10; i++) {
    const tag = `G-${String(i + 1).padStart(2, '0')}`
    const mass = Math.round(w.between(48, 72))
    // G-02 and G-08 are the parents of two that breed themselves
    const daysOld = i === 1 || i === 7 ? 1400 : 700 + i * 60
    const card = w.animal(tag, 'fat-tailed-gecko', i < 7 ? 'female' : 'male', daysOld, p.geckos[i]!)
    all[tag] = card
    const rests = i >= 2 && i <= 6
    w.weights(card, mass * 0.8, mass, 380, 30, rests ? 29 : 1 + i * 3)
    w.meals(card, mass, 90, i % 4)
    if (rests) {
      w.write('cooledDown', w.about(card), -27)
      w.write('weighed', w.about(card), -6, { massG: Number((mass * (0.993 - i * 0.0015)).toFixed(1)) })
    }
  }
  for (let i = 0; i < 5; i++) {
    const tag = `O-${String(i + 1).padStart(2, '0')}`
    const mass = Math.round(w.between(150, 240))
    const card = w.animal(tag, 'ocellated-lizard', i < 3 ? 'female' : 'male', 900 + i * 40, p.glass[i < 3 ? 0 : 1]!)
    all[tag] = card
    w.weights(card, mass * 0.8, mass, 380, 30, 6 + i * 4)
    w.meals(card, mass, 80, (i % 3) + 1)
  }
}

function grownOthers(w: DemoWriter, p: Places, all: Animals): void {
  for (let i = 0; i < 4; i++) {
    const tag = `T-${String(i + 1).padStart(2, '0')}`
    const mass = Math.round(w.between(1100, 1900))
    const card = w.animal(tag, 'hermanns-tortoise', i < 3 ? 'female' : 'male', 5200 + i * 300, p.glass[2]!)
    all[tag] = card
    const asleep = i === 1 || i === 2
    w.weights(card, mass * 0.96, mass, 420, 60, asleep ? 33 : 10 + i * 7)
    w.meals(card, mass, asleep ? 90 : 20, asleep ? 55 : i === 0 ? 1 : 0)
    // straight carapace by the healthy mass of its length
    w.write('measured', w.about(card), -60, { mm: Math.round(Math.cbrt(mass / 0.191) * 10 * (i === 2 ? 1.03 : 0.99)) })
    if (asleep) {
      w.write('watered', w.about(card), -38, { bath: true })
      w.inCold(card, mass, 31, p.fridge, [0.994, 0.988])
    }
  }
  for (let i = 0; i < 6; i++) {
    const tag = `N-${String(i + 1).padStart(2, '0')}`
    const card = w.animal(tag, 'golden-mantella', i < 3 ? 'female' : 'male', 620 + i * 20, p.glass[i < 3 ? 3 : 4]!)
    all[tag] = card
    w.weights(card, 0.9, 1.3, 240, 60, 20 + i)
    w.meals(card, 1.2, 40, i === 2 ? 2 : 1)
  }
  for (let i = 0; i < 4; i++) {
    const tag = `B-${String(i + 1).padStart(2, '0')}`
    const card = w.animal(tag, 'fire-bellied-toad', i < 2 ? 'female' : 'male', 1100 + i * 30, p.glass[5]!)
    all[tag] = card
    w.weights(card, 5.5, 7.2, 240, 60, 15 + i)
    w.meals(card, 7, 50, i === 1 ? 3 : 1)
  }
}

/** Forty young of last season, each at its own step of the ladder. */
function hatchlings(w: DemoWriter, p: Places, all: Animals): void {
  let box = 0
  const brood = (
    prefix: string,
    count: number,
    speciesId: string,
    age: number,
    startG: number,
    nowG: number,
    dam: string,
    sire: string,
  ) => {
    for (let i = 0; i < count; i++) {
      const tag = `${prefix}-${String(i + 1).padStart(2, '0')}`
      const mass = nowG * w.between(0.85, 1.15)
      const card = w.animal(tag, speciesId, 'unknown', age + (i % 3), p.hatchlings[box++]!, {
        damId: all[dam]!.id,
        sireId: all[sire]!.id,
      })
      all[tag] = card
      const refuser = tag === 'KY-07'
      if (refuser) {
        w.weights(card, startG, startG * 1.25, age - 5, 14, 40)
        w.write('weighed', w.about(card), -16, { massG: Number((startG * 1.19).toFixed(1)) })
        w.write('weighed', w.about(card), -2, { massG: Number((startG * 1.12).toFixed(1)) })
        w.meals(card, startG * 1.2, age - 14, 4, 4)
      } else {
        w.weights(
          card,
          startG,
          mass,
          age - 5,
          speciesId === 'hermanns-tortoise' ? 28 : speciesId.includes('gecko') || speciesId.includes('lizard') ? 7 : 14,
          (i * 3 + box) % (speciesId.includes('gecko') || speciesId.includes('lizard') ? 8 : 15),
        )
        w.meals(card, mass, Math.min(80, age - 14), i % 6)
      }
    }
  }
  brood('KY', 12, 'california-kingsnake', 132, 11, 26, 'K-04', 'K-09')
  brood('RY', 8, 'rosy-boa', 176, 14, 33, 'R-02', 'R-05')
  brood('GY', 10, 'fat-tailed-gecko', 96, 3.1, 14, 'G-02', 'G-08')
  brood('OY', 6, 'ocellated-lizard', 118, 3.6, 24, 'O-02', 'O-05')
  brood('TY', 4, 'hermanns-tortoise', 310, 11, 29, 'T-02', 'T-04')
}

/** Eight pairs at different stages of the year, and five clutches, litters and spawn. */
function pairsAndClutches(w: DemoWriter, p: Places, a: Animals): void {
  const laidDown = w.pair('P-1', a['K-01']!, a['K-07']!, -90)
  w.write('introduced', laidDown, -46)
  w.write('copulation', laidDown, -45, { confirmed: true })
  w.write('copulation', laidDown, -42, { confirmed: true })
  w.write('separated', laidDown, -41)
  w.write('preLayShed', laidDown, -4)

  const fresh = w.pair('P-2', a['K-03']!, a['K-08']!, -30)
  w.write('introduced', fresh, -5)
  w.write('copulation', fresh, -3, { confirmed: false }, 'Lay together, no lock seen')
  w.write('separated', fresh, -2)

  w.pair('P-3', a['K-02']!, a['K-06']!, -70)

  const boas = w.pair('P-4', a['R-01']!, a['R-06']!, -190)
  w.write('copulation', boas, -128, { confirmed: true })
  w.write('postOvulationShed', boas, -96)

  const geckos = w.pair('P-5', a['G-01']!, a['G-09']!, -80)
  w.write('copulation', geckos, -66, { confirmed: true })
  const g1 = w.write('laid', geckos, -42, { tag: 'C-1', eggs: 2, slugs: 0, placeId: p.incubator.id })
  w.write('candled', { type: 'clutch', id: g1 }, -34, { good: 2 })
  w.write('eggsChecked', { type: 'clutch', id: g1 }, -6)
  w.write('laid', geckos, -20, { tag: 'C-2', eggs: 2, slugs: 1, placeId: p.incubator.id })

  const lizards = w.pair('P-6', a['O-01']!, a['O-04']!, -130)
  w.write('copulation', lizards, -104, { confirmed: true })
  const o1 = w.write('laid', lizards, -71, { tag: 'C-3', eggs: 14, slugs: 2, placeId: p.incubator.id })
  w.write('candled', { type: 'clutch', id: o1 }, -62, { good: 11 })
  w.write('eggsChecked', { type: 'clutch', id: o1 }, -9)

  const toads = w.pair('P-7', a['B-01']!, a['B-03']!, -90)
  w.write('copulation', toads, -51, { confirmed: true })
  const spawn = w.write('laid', toads, -49, { tag: 'S-1', eggs: 74, slugs: 9, placeId: p.glass[5]!.id })
  const tadpoles = { type: 'clutch' as const, id: spawn }
  w.write('hatched', tadpoles, -45, { count: 51 })
  w.write('youngLost', tadpoles, -37, { count: 6 }, 'Crowded; split into cups')
  w.write('youngLost', tadpoles, -20, { count: 3 })
  w.write('groupFed', tadpoles, -1, { prey: 'flake', each: 1 })

  const tortoises = w.pair('P-8', a['T-01']!, a['T-04']!, -160)
  w.write('copulation', tortoises, -112, { confirmed: true })
  const t1 = w.write('laid', tortoises, -67, { tag: 'C-4', eggs: 5, slugs: 0, placeId: p.warmIncubator.id })
  w.write('candled', { type: 'clutch', id: t1 }, -50, { good: 3 })
  w.write('eggsChecked', { type: 'clutch', id: t1 }, -3)
}

export interface DemoHouse {
  settings: HouseSettings
  /** In an order in which they could have been written. */
  entries: DatedEntry[]
  devices: () => DemoDevice[]
}

/** The winter: kings and milks in the chest, tortoises in the fridge, geckos at rest; boas and mantellas are next. */
function winterGroups(w: DemoWriter, p: Places, a: Animals): void {
  const ids = (...tags: string[]) => tags.map(t => a[t]!.id)
  w.winterGroup('W-1', 'california-kingsnake', p.cold, 62, ids('K-02', 'K-04', 'K-05', 'K-06', 'K-09'), {
    holdDays: 80,
  })
  w.winterGroup(
    'W-2',
    'milk-snake',
    p.cold,
    48,
    Object.keys(a)
      .filter(t => t.startsWith('M-'))
      .map(t => a[t]!.id),
    { warmUp: 'gradual' },
  )
  w.winterGroup('W-3', 'hermanns-tortoise', p.fridge, 31, ids('T-02', 'T-03'))
  w.winterGroup('W-4', 'rosy-boa', p.cold, -4, ids('R-02', 'R-03', 'R-04', 'R-05', 'R-06', 'R-07'))
  w.winterGroup('W-5', 'fat-tailed-gecko', null, 27, ids('G-03', 'G-04', 'G-05', 'G-06', 'G-07'))
  w.winterGroup('W-6', 'golden-mantella', null, -12, ids('N-01', 'N-02', 'N-03', 'N-04', 'N-05', 'N-06'))
}

/** Alder Yard: a converted joinery in a cool upland town. Invented; dates count from `today`. */
export function alderYard(today: number): DemoHouse {
  const w = new DemoWriter(today)
  const places = buildPlaces(w)
  const all: Animals = {}
  grownSnakes(w, places, all)
  grownLizards(w, places, all)
  grownOthers(w, places, all)
  hatchlings(w, places, all)
  pairsAndClutches(w, places, all)
  const { smelly } = feederCultures(w, places)
  lamps(w, places.glass)
  winterGroups(w, places, all)
  breedingSeason(
    w,
    w.places.find(p => p.name === 'Gecko rack')!,
    w.places.find(p => p.name === 'Hatchling rack')!,
    all,
  )
  // after all that draws lots, so that these stay as they were
  careOfPlaces(w)
  sizesOfHomes(w)
  newcomer(w)
  froglets(w)
  demoEggs(w, all)
  startingYoung(w, all)
  w.write('preyCounted', { type: 'prey', id: 'mouse.pinky.live' }, -1, { count: 6 })
  lotsAndUpkeep(w, smelly)
  dustedYoung(w, all)
  waysOfAnimals(w, all)
  suppliersAndMaterials(w)
  const named = (name: string) => w.places.find(p => p.name === name)!
  const settings: HouseSettings = {
    ...defaultSettings,
    latitude: 51.5,
    houseName: 'Alder Yard',
    timeZone: 'Europe/Berlin',
    cultureWeekday: 0,
    coverQuantile: 0.9,
  }
  const devicePlaces = {
    ...places,
    rockPen: named('Rock pen'),
    mossTank: named('Moss tank'),
    geckoRack: named('Gecko rack'),
  }
  return {
    settings,
    entries: [...w.foundings(settings), ...w.entries],
    // weeks of minutes: made for whoever fills a database with them
    devices: () => demoDevices(devicePlaces, today),
  }
}
