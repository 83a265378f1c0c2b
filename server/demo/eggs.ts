import type { AnimalCard, Subject } from '#core/subjects'
import { dayToIso } from '#core/units'
import type { DemoWriter } from './writer'

type Animals = Record<string, AnimalCard>

const WEEKS = 7

/** Clutches of the season before last: what came of them teaches what to expect of these females. */
function earlierClutches(w: DemoWriter, all: Animals): void {
  const incubator = w.places.find(p => p.name === 'Incubator 28 °C')!
  const warm = w.places.find(p => p.name === 'Incubator 31 °C')!
  const past = (
    tag: string,
    [dam, sire]: [string, string],
    laidAgo: number,
    { eggs, slugs, out, after }: { eggs: number; slugs: number; out: number; after: number },
    place = incubator,
  ) => {
    const pair = w.pair(`${tag}-P`, all[dam]!, all[sire]!, -laidAgo - 70)
    w.write('copulation', pair, -laidAgo - 30, { confirmed: true })
    const id = w.write('laid', pair, -laidAgo, { tag, eggs, slugs, placeId: place.id })
    w.write('pairingEnded', pair, -laidAgo + 3)
    const clutch: Subject = { type: 'clutch', id }
    w.write('candled', clutch, -laidAgo + 9, { good: eggs - slugs })
    if (out) w.write('hatched', clutch, -laidAgo + after, { count: out })
    if (out) w.write('youngSold', clutch, -laidAgo + after + 9 * WEEKS, { count: out })
    w.write('clutchEnded', clutch, -laidAgo + after + 10 * WEEKS)
  }
  past('E-1', ['K-01', 'K-07'], 530, { eggs: 9, slugs: 1, out: 7, after: 61 })
  past('E-2', ['G-01', 'G-09'], 505, { eggs: 2, slugs: 0, out: 2, after: 52 })
  past('E-3', ['G-01', 'G-09'], 480, { eggs: 2, slugs: 1, out: 1, after: 54 })
  past('E-4', ['O-01', 'O-04'], 520, { eggs: 13, slugs: 2, out: 9, after: 84 })
  past('E-5', ['T-01', 'T-04'], 515, { eggs: 4, slugs: 0, out: 1, after: 63 }, warm)
}

/** Boxes whose eggs are followed one by one, and the balance of their water. */
function boxes(w: DemoWriter): void {
  const clutchOf = (tag: string): Subject => {
    const laid = w.entries.find(e => e.kind === 'laid' && e.data.tag === tag)!
    return { type: 'clutch', id: laid.id }
  }
  const lizards = clutchOf('C-3')
  w.write('boxSet', lizards, -70, { medium: 'vermiculite', mediumG: 210, waterG: 210, totalG: 566 })
  w.write('eggsWeighed', lizards, -70, { massG: 43.4, count: 14 })
  const states = new Map([
    [8, 'slug'],
    [14, 'slug'],
    [5, 'doubtful'],
  ])
  const eggs = Array.from({ length: 14 }, (_, i) => ({
    n: i + 1,
    state: states.get(i + 1) ?? 'sound',
    signs: i + 1 === 5 ? ['dented', 'mould'] : states.has(i + 1) ? ['empty'] : ['vessels'],
  }))
  w.write('eggsSeen', lizards, -8, { eggs })
  w.write('boxWeighed', lizards, -8, { totalG: 502 })
  w.write('pipped', clutchOf('C-4'), -1, { count: 2 })
}

/** Tadpoles that live one a cup, and are about as long as they must be to live together. */
function tadpoles(w: DemoWriter): void {
  const laid = w.entries.find(e => e.kind === 'laid' && e.data.tag === 'S-1')!
  const spawn: Subject = { type: 'clutch', id: laid.id }
  w.write('tadpolesHoused', spawn, -43, { how: 'cups', boxes: 51 })
  w.write('tadpoleMeasured', spawn, -16, { mm: 15 })
  w.write('tadpoleMeasured', spawn, -1, { mm: 19.8 })
  w.write('waterChanged', spawn, -2)
}

/** Eggs that were given, of a kind whose eggs pause in the cool before they develop; the pause is due to end. */
function pausing(w: DemoWriter): void {
  const shop = w.places.find(p => p.name === 'Back shop')!
  const cool = w.place('Cool cupboard', 'shelf', shop, 18)
  const { id: speciesId } = w.found('species', 'speciesAdded', -32, {
    name: 'Leopard tortoise',
    latin: 'Stigmochelys pardalis',
    from: 'radiated-tortoise',
    type: false,
    parts: {},
  })
  w.found('clutch', 'eggsBrought', -29, {
    tag: 'LT-1',
    speciesId,
    eggs: 4,
    slugs: 0,
    laid: dayToIso(w.today - 30),
    give: 2,
    from: 'a keeper two valleys on',
    placeId: cool.id,
    tempC: null,
  })
}

export function demoEggs(w: DemoWriter, all: Animals): void {
  earlierClutches(w, all)
  boxes(w)
  pausing(w)
  tadpoles(w)
}
