import type { AnimalCard, Place } from '#core/subjects'
import type { DemoWriter } from './writer'

type Animals = Record<string, AnimalCard>

/** Seven more geckos, so that twelve females and five males wait to be put together. */
function moreGeckos(w: DemoWriter, rack: Place, all: Animals): void {
  for (let i = 11; i <= 17; i++) {
    const tag = `G-${i}`
    const mass = 52 + ((i * 7) % 17)
    const place = w.place(`Tub ${i}`, 'tub', rack)
    const card = w.animal(
      tag,
      'fat-tailed-gecko',
      i <= 15 ? 'female' : 'male',
      640 + i * 25,
      place,
      i === 12 || i === 13 ? { damId: all['G-02']!.id, sireId: all['G-08']!.id } : {},
    )
    all[tag] = card
    w.weights(card, mass * 0.85, mass, 200, 30, 2 + (i % 5) * 3)
    w.meals(card, mass, 60, 1 + (i % 3))
  }
}

/** The kings' papers: eight ancestors kept elsewhere, two of them founders of both sides. */
function kingLine(w: DemoWriter, all: Animals): void {
  const king = (tag: string, sex: 'female' | 'male', age: number, parents: [dam: string, sire: string] | null) => {
    const card = w.animal(
      tag,
      'california-kingsnake',
      sex,
      age,
      null,
      parents ? { damId: all[parents[0]]!.id, sireId: all[parents[1]]!.id } : {},
    )
    all[tag] = card
    w.write('keptElsewhere', w.about(card), -500)
    if (!parents)
      w.write('parentsStated', w.about(card), -499, {
        damId: null,
        sires: [],
        origin: tag === 'KA-1' ? 'wild' : 'unknown',
        clonal: false,
      })
  }
  king('KA-1', 'male', 5900, null)
  king('KA-2', 'female', 5600, null)
  king('KA-3', 'male', 5200, null)
  king('KA-4', 'female', 5100, null)
  king('KA-5', 'female', 3700, ['KA-2', 'KA-1'])
  king('KA-6', 'male', 3600, ['KA-4', 'KA-1'])
  king('KA-7', 'male', 3500, ['KA-4', 'KA-3'])
  king('KA-8', 'female', 3400, ['KA-2', 'KA-3'])
  const state = (tag: string, dam: string, ...sires: [tag: string, chance: number][]) =>
    w.write('parentsStated', w.about(all[tag]!), -480, {
      damId: all[dam]!.id,
      sires: sires.map(([t, chance]) => ({ id: all[t]!.id, chance })),
      origin: 'bred',
      clonal: false,
    })
  state('K-01', 'KA-5', ['KA-7', 1])
  state('K-02', 'KA-5', ['KA-6', 1])
  state('K-06', 'KA-8', ['KA-7', 1])
  state('K-07', 'KA-8', ['KA-6', 0.7], ['KA-7', 0.3])
  state('K-04', 'K-01', ['K-07', 1])
  state('K-05', 'K-01', ['K-07', 1])
  state('K-09', 'K-02', ['K-06', 1])
}

const recessive = (sign: string, look: string) => ({ sign, mode: 'recessive', look, doubleLook: null, double: 'well' })

/** Looks of the house, invented: two lines of pale kings that do not meet, and a gecko whose double form is weak. */
function loci(w: DemoWriter, all: Animals): void {
  const name = (
    locus: string,
    speciesId: string,
    alleles: object[],
    linkage = 'autosomal',
    note: string | null = null,
  ) => w.named(-470, { name: locus, speciesId, linkage, alleles, note })
  const ash = name('Ash', 'california-kingsnake', [recessive('a', 'ash')])
  const chalk = name(
    'Chalk',
    'california-kingsnake',
    [recessive('c', 'chalk'), recessive('cs', 'straw')],
    'autosomal',
    'Sold as ash elsewhere: crossed with ash it gives plain young, so it is another locus.',
  )
  const ember = name(
    'Ember',
    'fat-tailed-gecko',
    [{ sign: 'E', mode: 'incomplete', look: 'ember', doubleLook: 'bright ember', double: 'weak' }],
    'autosomal',
    'Bright embers hatch weak: no ember with ember.',
  )
  name('Cobalt', 'ocellated-lizard', [recessive('k', 'cobalt')], 'Z')
  const gene = (tag: string, locusId: string, alleles: string[], chance = 1) =>
    w.write('geneStated', w.about(all[tag]!), -460, { locusId, alleles, chance })
  const look = (tag: string, locusId: string, seen: string, days = -90) =>
    w.write('lookSeen', w.about(all[tag]!), days, { locusId, look: seen })
  gene('K-01', ash, ['+', 'a'])
  gene('K-07', ash, ['+', 'a'], 0.66)
  gene('K-03', ash, ['a', 'a'])
  gene('K-08', chalk, ['c', 'cs'])
  gene('KA-8', chalk, ['+', 'c'], 0.5)
  gene('G-08', ember, ['+', 'E'])
  gene('G-11', ember, ['+', 'E'])
  gene('G-16', ember, ['+', '+'])
  for (let i = 1; i <= 12; i++) look(`KY-${String(i).padStart(2, '0')}`, ash, i === 5 || i === 9 ? 'ash' : '')
  for (let i = 1; i <= 10; i++) look(`GY-${String(i).padStart(2, '0')}`, ember, i % 2 ? 'ember' : '')
}

/** What was seen of sexes so far: sheds counted, tails measured, one that does not go together. */
function sexes(w: DemoWriter, all: Animals): void {
  const shed = (tag: string, scales: number, days = -20) =>
    w.write('subcaudalsCounted', w.about(all[tag]!), days, { scales })
  const sign = (tag: string, of: string, says: 'male' | 'female', days = -18) =>
    w.write('sexSignSeen', w.about(all[tag]!), days, { sign: of, says })
  shed('KY-01', 58)
  sign('KY-01', 'tailShape', 'male')
  w.write('tailMeasured', w.about(all['KY-01']!), -17, { tailMm: 47, totalMm: 318 })
  shed('KY-02', 43)
  sign('KY-02', 'tailShape', 'female')
  shed('KY-03', 57)
  w.write('tailMeasured', w.about(all['KY-03']!), -17, { tailMm: 36, totalMm: 322 })
  shed('KY-04', 50)
  sign('RY-01', 'spurs', 'male')
  sign('OY-01', 'pores', 'male')
  w.write('probed', w.about(all['R-04']!), -200, { scales: 2 })
  w.write('probed', w.about(all['R-06']!), -200, { scales: 8 })
}

/** The geckos that go together now: one in, one that laid, one that waits. */
function geckoPairs(w: DemoWriter, all: Animals): void {
  const first = w.pair('P-9', all['G-11']!, all['G-16']!, -40)
  w.write('introduced', first, -30)
  w.write('copulation', first, -29, { confirmed: true })
  w.write('separated', first, -28)
  w.write('laid', first, -1, { tag: 'C-5', eggs: 2, slugs: 0, placeId: w.places.find(p => p.kind === 'incubator')!.id })
  const second = w.pair('P-10', all['G-12']!, all['G-17']!, -8)
  w.write('introduced', second, -1)
  w.pair('P-11', all['G-14']!, all['G-17']!, -8)
}

/** Sexing, lineage, looks and the bench of Alder Yard. Comes last, so that the rest of the house stays as it was. */
export function breedingSeason(w: DemoWriter, rack: Place, boxes: Place, all: Animals): void {
  // boxes for the young to come
  for (let i = 41; i <= 88; i++) w.place(`Box ${i}`, 'tub', boxes)
  moreGeckos(w, rack, all)
  kingLine(w, all)
  loci(w, all)
  sexes(w, all)
  geckoPairs(w, all)
}
