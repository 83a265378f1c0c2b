import { shippedAlmanac } from '../almanac'
import { describe, expect, it } from 'vitest'
import { HouseBuilder, dated } from '../../tests/fixtures/records'
import { checkEntry, foldHouse, withEntries, withEntry, type DatedEntry, type Records } from '.'

const today = 20_600
const animal = (id: string) => ({ type: 'animal' as const, id })
const pairing = (id: string) => ({ type: 'pairing' as const, id })
const fold = (records: Records) => foldHouse(records)
const entryOn = (
  days: number,
  kind: string,
  subject: DatedEntry['subject'],
  data: Record<string, unknown> = {},
  id = `new-${kind}`,
) => dated(today + days, { id, kind, subject, data })
/** Why it cannot be written, or '' when it can. */
const refusal = (b: HouseBuilder, entry: DatedEntry) => {
  const records = b.records()
  return checkEntry(entry, { records, house: fold(records), almanac: shippedAlmanac, today })
    .map(p => `${p.path}: ${p.message}`)
    .join('; ')
}

function pair(): HouseBuilder {
  const b = new HouseBuilder(today)
    .animal('F', 'corn-snake', { sex: 'female' })
    .animal('G', 'corn-snake', { sex: 'female' })
    .animal('M', 'corn-snake', { sex: 'male' })
  b.pair('F', 'M', -30, 'P')
  b.pair('G', 'M', -30, 'Q')
  return b
}

describe('a visit', () => {
  it('begins with the introduction and ends with separating; both days stay', () => {
    const b = pair()
    b.write('introduced', pairing('P'), -10)
    expect(fold(b.records()).pairings.P).toMatchObject({ together: { day: today - 10 }, visits: [] })
    b.write('separated', pairing('P'), -8)
    expect(fold(b.records()).pairings.P).toMatchObject({
      together: null,
      visits: [{ from: today - 10, to: today - 8 }],
    })
  })

  it.each<[string, Record<string, unknown>, string]>([
    ['rejected', {}, 'rejections'],
    ['injured', { who: 'sire' }, 'injuries'],
    ['pairingEnded', { why: 'rest' }, 'visits'],
  ])('%s takes them apart too', (kind, data, list) => {
    const b = pair()
    b.write('introduced', pairing('P'), -3)
    b.write(kind, pairing('P'), -2, data)
    const { together, visits, [list as 'visits']: kept } = fold(b.records()).pairings.P!
    expect([together, visits, kept.length]).toEqual([null, [{ from: today - 3, to: today - 2 }], 1])
  })

  it('is refused while the male is together elsewhere; a male without a name may go in', () => {
    const b = pair()
    b.write('introduced', pairing('P'), -3)
    expect(refusal(b, entryOn(0, 'introduced', pairing('Q')))).toMatch(/M is together in P; record separating first/)
    b.write('separated', pairing('P'), -1)
    expect(refusal(b, entryOn(0, 'introduced', pairing('Q')))).toBe('')
    b.animal('H', 'corn-snake', { sex: 'female' })
    b.pair('H', null, -5, 'R')
    expect(refusal(b, entryOn(0, 'separated', pairing('R')))).toMatch(/not together/)
    expect(refusal(b, entryOn(0, 'introduced', pairing('R')))).toBe('')
  })

  it('only a confirmed lock starts a clock; lying together is kept apart', () => {
    const b = pair()
    b.write('copulation', pairing('P'), -6, { confirmed: false })
    b.write('copulation', pairing('P'), -5, { confirmed: true })
    const p = fold(b.records()).pairings.P!
    expect([p.layTogether.length, p.locks.length, p.seen.copulation!.length]).toEqual([1, 1, 1])
  })

  it('taking an introduction back undoes the visit', () => {
    const b = pair()
    const id = b.write('introduced', pairing('P'), -3)
    const records = withEntry(b.records(), entryOn(0, 'void', { type: 'entry', id }))
    expect(fold(records).pairings.P!.together).toBeNull()
  })
})

describe('sex on the card, taken as known, and proven', () => {
  it('goes from unknown over taken to proven, and never back over a proof', () => {
    const b = new HouseBuilder(today).animal('X', 'corn-snake')
    expect(fold(b.records()).animals.X!.sex).toBe('unknown')
    b.write('sexSettled', animal('X'), -9, { sex: 'male' })
    expect(fold(b.records()).animals.X).toMatchObject({ sex: 'male', statedSex: 'unknown' })
    b.write('sexProved', animal('X'), -8, { proof: 'ultrasound', says: 'female' })
    expect(fold(b.records()).animals.X!.sex).toBe('female')
    expect(refusal(b, entryOn(0, 'sexSettled', animal('X'), { sex: 'male' }))).toMatch(
      /proven female; only another proof/,
    )
    expect(refusal(b, entryOn(0, 'sexSettled', animal('X'), { sex: 'female' }))).toBe('')
  })

  it('may be found out after death or sale; a weight may not be written then', () => {
    const b = new HouseBuilder(today).animal('X', 'corn-snake')
    b.write('died', animal('X'), -5, {})
    expect(refusal(b, entryOn(0, 'sexProved', animal('X'), { proof: 'dna', says: 'male' }))).toBe('')
    expect(refusal(b, entryOn(0, 'weighed', animal('X'), { massG: 300 }))).toMatch(/X died before this/)
  })

  it('of a later clutch and an earlier proof the later rules', () => {
    const b = new HouseBuilder(today).animal('X', 'corn-snake').animal('M', 'corn-snake', { sex: 'male' })
    b.pair('X', 'M', -80, 'P')
    b.write('laid', pairing('P'), -40, { tag: 'C', eggs: 5, slugs: 0, tempC: 28, placeId: null }, 'C')
    expect(fold(b.records()).animals.X!.sex).toBe('female')
    b.write('sexProved', animal('X'), -10, { proof: 'dna', says: 'male' })
    expect(fold(b.records()).animals.X!.sex).toBe('male')
  })
})

describe('parents', () => {
  it('stands over what the card says, with its doubt; one certain sire is the sire', () => {
    const b = new HouseBuilder(today)
      .animal('D', 'corn-snake', { sex: 'female', bornDay: today - 3000 })
      .animal('S', 'corn-snake', { bornDay: today - 3000 })
      .animal('T', 'corn-snake', { bornDay: today - 3000 })
      .animal('X', 'corn-snake', { damId: 'D', sireId: 'S', bornDay: today - 400 })
    expect(fold(b.records()).animals.X).toMatchObject({ origin: 'bred', sires: [{ id: 'S', chance: 1 }] })
    b.write('parentsStated', animal('X'), -2, {
      damId: 'D',
      sires: [
        { id: 'S', chance: 0.5 },
        { id: 'T', chance: 0.5 },
      ],
      origin: 'bred',
      clonal: false,
    })
    expect(fold(b.records()).animals.X).toMatchObject({
      sireId: null,
      sires: [
        { id: 'S', chance: 0.5 },
        { id: 'T', chance: 0.5 },
      ],
    })
    b.write('parentsStated', animal('X'), -1, { damId: null, sires: [], origin: 'wild', clonal: false })
    expect(fold(b.records()).animals.X).toMatchObject({ damId: null, sires: [], origin: 'wild' })
  })

  it.each<[string, Record<string, unknown>, RegExp]>([
    ['not in the house', { damId: 'nobody' }, /data.damId: The dam is not in the house; add it first/],
    ['of another species', { damId: 'L' }, /different species/],
    ['of the wrong sex', { damId: 'M' }, /M is a male and cannot be the dam/],
    ['younger', { sires: [{ id: 'Y' }] }, /data.sires.0: Y is not older than X/],
    ['dead before the egg', { damId: 'Z' }, /Z was dead for 1600 days/],
  ])('a dam or sire %s is refused', (_, data, message) => {
    const b = new HouseBuilder(today)
      .animal('X', 'corn-snake', { bornDay: today - 400 })
      .animal('M', 'corn-snake', { sex: 'male', bornDay: today - 3000 })
      .animal('L', 'milk-snake', { bornDay: today - 3000 })
      .animal('Y', 'corn-snake', { bornDay: today - 300 })
      .animal('Z', 'corn-snake', { sex: 'female', bornDay: today - 5000 })
    b.write('died', animal('Z'), -2000)
    expect(
      refusal(
        b,
        entryOn(0, 'parentsStated', animal('X'), { damId: null, sires: [], origin: 'bred', clonal: false, ...data }),
      ),
    ).toMatch(message)
  })

  it('one kept elsewhere lives nowhere here, yet may be a parent and have genes', () => {
    const b = new HouseBuilder(today)
      .animal('K', 'corn-snake', { sex: 'female', placeId: 't', bornDay: today - 3000 })
      .animal('X', 'corn-snake', { bornDay: today - 400 })
    b.write('keptElsewhere', animal('K'), -5)
    expect(fold(b.records()).animals.K).toMatchObject({ status: 'elsewhere', placeId: null })
    expect(refusal(b, entryOn(0, 'parentsStated', animal('X'), { damId: 'K' }))).toBe('')
    expect(refusal(b, entryOn(0, 'fed', animal('K'), { prey: 'mouse.adult', offered: 1, taken: 1 }))).toMatch(
      /K is not kept here/,
    )
    b.animal('M', 'corn-snake', { sex: 'male' })
    expect(refusal(b, entryOn(0, 'paired', pairing('new-paired'), { tag: 'P', damId: 'K', sireId: 'M' }))).toMatch(
      /K is not kept here/,
    )
  })
})

describe('loci', () => {
  const ash = {
    name: 'Ash',
    speciesId: 'corn-snake',
    linkage: 'autosomal',
    alleles: [{ sign: 'a', mode: 'recessive', look: 'ash', doubleLook: null, double: 'well' }],
    note: null,
  }
  const named = () => {
    const b = new HouseBuilder(today).animal('X', 'corn-snake').animal('K', 'milk-snake')
    b.write('locusNamed', { type: 'locus', id: 'L' }, -20, ash, 'L')
    return b
  }

  it('an allele that is stated of an animal cannot be taken out; one that is not can', () => {
    const b = named()
    const without = { ...ash, alleles: [{ ...ash.alleles[0]!, sign: 'b', look: 'birch' }] }
    expect(refusal(b, entryOn(0, 'locusChanged', { type: 'locus', id: 'L' }, without))).toBe('')
    b.write('geneStated', animal('X'), -3, { locusId: 'L', alleles: ['+', 'a'], chance: 1 })
    expect(refusal(b, entryOn(0, 'locusChanged', { type: 'locus', id: 'L' }, without))).toMatch(
      /The allele a is stated of animals/,
    )
    expect(
      refusal(b, entryOn(0, 'locusChanged', { type: 'locus', id: 'L' }, { ...ash, speciesId: 'milk-snake' })),
    ).toMatch(/stays with its species/)
  })

  it('is of its species, and gone once dropped; undo of the naming takes it away', () => {
    const b = named()
    expect(refusal(b, entryOn(0, 'lookSeen', animal('K'), { locusId: 'L', look: '' }))).toMatch(
      /locus of another species/,
    )
    expect(fold(withEntry(b.records(), entryOn(0, 'void', { type: 'entry', id: 'L' }))).loci.L).toBeUndefined()
    b.write('locusDropped', { type: 'locus', id: 'L' }, -1)
    expect(refusal(b, entryOn(0, 'lookSeen', animal('X'), { locusId: 'L', look: 'ash' }))).toMatch(/no such locus/)
  })

  it('counts of looks: never more than came out, only looks it can make, a later count in place of the earlier', () => {
    const b = named().animal('D', 'corn-snake', { sex: 'female' })
    b.pair('D', 'X', -90, 'P')
    b.write('laid', pairing('P'), -70, { tag: 'C', eggs: 10, slugs: 0, tempC: 28, placeId: null }, 'C')
    b.write('hatched', { type: 'clutch', id: 'C' }, -8, { count: 8 })
    const count = (wild: number, look: string, n: number) =>
      entryOn(
        0,
        'looksCounted',
        { type: 'clutch', id: 'C' },
        {
          locusId: 'L',
          counts: [
            { look: '', count: wild },
            { look, count: n },
          ],
        },
      )
    expect(refusal(b, count(6, 'ash', 2))).toBe('')
    expect(refusal(b, count(6, 'ash', 3))).toMatch(/9 counted, but 8 came out of C/)
    expect(refusal(b, count(6, 'blue', 2))).toMatch(/data.counts.1.look: Ash cannot make the look “blue”/)
    b.write('looksCounted', { type: 'clutch', id: 'C' }, -5, { locusId: 'L', counts: [{ look: '', count: 8 }] })
    b.write('looksCounted', { type: 'clutch', id: 'C' }, -4, { locusId: 'L', counts: [{ look: 'ash', count: 8 }] })
    expect(fold(b.records()).clutches.C!.looksCounted.map(c => c.counts)).toEqual([[{ look: 'ash', count: 8 }]])
  })
})

describe('many entries at once', () => {
  it('stand where one after the other would put them', () => {
    const b = pair()
    const more = [
      entryOn(-2, 'weighed', animal('F'), { massG: 400 }, 'w1'),
      entryOn(-4, 'weighed', animal('F'), { massG: 390 }, 'w2'),
      entryOn(-1, 'shed', animal('M'), {}, 's1'),
    ]
    const oneByOne = more.reduce(withEntry, b.records())
    const atOnce = withEntries(b.records(), more)
    expect([...atOnce.entries].sort()).toEqual([...oneByOne.entries].sort())
    expect(fold(atOnce).animals.F!.weights.map(w => w.massG)).toEqual([390, 400])
  })
})
