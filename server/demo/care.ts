import { THE_HOUSE, type Place } from '#core/subjects'
import type { DemoWriter } from './writer'

/** The tubes over the glass wall: one is long past its life. */
export function lamps(w: DemoWriter, glass: readonly Place[]): void {
  const tubes = [
    { fittedAgo: 402, lamp: 'UVB tube, 39 W', distanceCm: 34 },
    { fittedAgo: 120, lamp: 'UVB tube, 39 W', distanceCm: 44 },
    { fittedAgo: 200, lamp: 'UVB tube, 24 W', distanceCm: 26 },
  ]
  tubes.forEach(({ fittedAgo, ...tube }, i) =>
    w.founded('lampFitted', -fittedAgo, {
      tag: `U-${i + 1}`,
      placeId: glass[i]!.id,
      lifeDays: 365,
      source: 'tube',
      ...tube,
    }),
  )
}

/** What the homes are like inside: said once of a rack, and of each behind the glass. */
export function sizesOfHomes(w: DemoWriter): void {
  const sizes: [string, number, number, number | null][] = [
    ['Rack A', 75, 40, 20],
    ['Rack B', 60, 40, 20],
    ['Rack C', 60, 40, 20],
    ['Hatchling rack', 30, 18, 12],
    ['Gecko rack', 45, 32, 25],
    ['Rock pen', 200, 80, 70],
    ['Cork pen', 200, 80, 70],
    ['Tortoise table', 240, 110, 50],
    ['Moss tank', 60, 45, 45],
    ['Fern tank', 45, 30, 30],
    ['Pond tank', 90, 45, 40],
  ]
  // young lizards and tortoises stand in larger boxes of the same rack
  for (let n = 31; n <= 40; n++) sizes.push([`Box ${n}`, 60, 35, 30])
  for (const [name, widthCm, depthCm, heightCm] of sizes)
    w.write('placeChanged', { type: 'place', id: w.places.find(p => p.name === name)!.id }, -120, {
      size: { widthCm, depthCm, heightCm },
    })
}

/** One that came nine days ago stands apart, as what comes new does. */
export function newcomer(w: DemoWriter): void {
  const shop = w.places.find(p => p.name === 'Back shop')!
  const shelf = w.place('Quarantine shelf', 'shelf', shop)
  w.write('placeChanged', { type: 'place', id: shelf.id }, -100, { quarantine: true })
  const [first] = [1, 2, 3].map(n => w.place(`Apart ${n}`, 'tub', shelf))
  const boa = w.animal('R-20', 'rosy-boa', 'unknown', 900, null)
  const it = { type: 'animal' as const, id: boa.id }
  w.write('moved', it, -9, { placeId: first!.id })
  w.write('weighed', it, -8, { massG: 212 })
  w.write('fed', it, -5, { prey: 'mouse.hopper', offered: 1, taken: 1 })
}

/** Care of the last weeks: most of it done yesterday or this morning, some left, one thing found. */
export function careOfPlaces(w: DemoWriter): void {
  const named = (name: string) => w.places.find(p => p.name === name)!
  const cared = (place: Place, daysAgo: number, data: object) =>
    w.write('cared', { type: 'place', id: place.id }, -daysAgo, { ...data })
  for (const rack of ['Rack A', 'Rack B', 'Rack C', 'Hatchling rack'].map(named)) {
    cared(rack, 60, { job: 'fullChange' })
    for (const daysAgo of [15, 8]) {
      cared(rack, daysAgo, { job: 'spotClean' })
      cared(rack, daysAgo, { job: 'water' })
    }
  }
  const [gecko, glass] = [named('Gecko rack'), named('Glass wall')]
  for (const rack of [gecko, glass]) {
    cared(rack, 40, { job: 'fullChange' })
    for (const daysAgo of [3, 2, 1]) {
      cared(rack, daysAgo, { job: 'spotClean' })
      cared(rack, daysAgo, { job: 'water' })
    }
  }
  cared(gecko, 13, { job: 'lightClean' })
  for (const daysAgo of [2, 2, 1, 1, 0]) cared(glass, daysAgo, { job: 'mist' })
  cared(named('Fern tank'), 1, { job: 'spotClean', found: ['mould'], note: 'under the cork' })
  const uv = (pen: string, daysAgo: number, value: number) =>
    w.write('placeRead', { type: 'place', id: named(pen).id }, -daysAgo, { channel: 'uvIndex', zone: 'spot', value })
  for (const [daysAgo, value] of [
    [280, 2.9],
    [160, 2.3],
    [34, 1.8],
  ] as const)
    uv('Rock pen', daysAgo, value)
  uv('Cork pen', 3, 2.4)
  uv('Tortoise table', 9, 2.8)
  const cork = named('Cork pen').id
  w.write('alarmAnswered', { type: 'place', id: cork }, -12, {
    alarm: `company:${cork}:twoMales:2`,
    why: 'A screen between the two until spring',
  })
  for (const job of ['smokeAlarm', 'thermostats', 'secondThermometer'])
    w.write('houseCared', { type: 'settings', id: THE_HOUSE }, -50, { job })
  w.write('houseCared', { type: 'settings', id: THE_HOUSE }, -100, { job: 'spareHeat' })
  w.founded('jobAdded', -20, {
    name: 'Rebuild the tortoise table',
    placeIds: [named('Tortoise table').id],
    everyDays: 365,
    toleranceDays: 30,
    from: new Date((w.today + 130) * 86_400_000).toISOString().slice(0, 10),
  })
}

/** Froglets of spring live together, without tags; at the last count one was not found. */
export function froglets(w: DemoWriter): void {
  const wall = w.places.find(p => p.name === 'Glass wall')!
  const glass = w.place('Leaf tank', 'tub', wall)
  w.write('placeChanged', { type: 'place', id: glass.id }, -60, { size: { widthCm: 60, depthCm: 35, heightCm: 35 } })
  const fitted = (name: string, data: object) =>
    w.write('placeChanged', { type: 'place', id: w.places.find(p => p.name === name)!.id }, -60, { ...data })
  fitted('Gecko rack', { fittings: ['hide'], substrate: 'tile' })
  fitted('Rock pen', { fittings: ['hide', 'digging'], substrate: 'soilSand' })
  w.founded('lampFitted', -230, {
    tag: 'U-4',
    lamp: 'UVB compact, 13 W',
    placeId: glass.id,
    lifeDays: 182,
    source: 'compact',
    distanceCm: 30,
  })
  const born = new Date((w.today - 150) * 86_400_000).toISOString().slice(0, 10)
  const it = w.founded('groupAdded', -60, {
    tag: 'NF',
    name: 'Froglets of spring',
    speciesId: 'golden-mantella',
    placeId: glass.id,
    born,
    unknown: 16,
  })
  w.write('groupCounted', it, -18, { count: 15 })
  for (const daysAgo of [9, 7, 5, 3, 2]) w.write('groupOffered', it, -daysAgo, { prey: 'fly.small', count: 180 })
  w.write('groupWeighed', it, -18, { count: 10, massG: 6.5 })
}
