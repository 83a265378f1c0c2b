import { describe, expect, it } from 'vitest'
import { entryKinds, kindOf } from '.'

const parses = (kind: string, data: object) => kindOf(kind).data.safeParse(data).success

describe('what each kind of entry may hold', () => {
  it.each([
    ['weighed', { massG: 0.1 }, true],
    ['weighed', { massG: 0 }, false],
    ['weighed', { massG: Number.NaN }, false],
    ['weighed', { massG: 1e7 }, false],
    ['weighed', {}, false],
    ['fed', { prey: 'mouse.pinky', offered: 2, taken: 0 }, true],
    ['fed', { prey: 'mouse.pinky', offered: 1.5, taken: 1 }, false],
    ['fed', { prey: '', offered: 1, taken: 1 }, false],
    ['shed', {}, true],
    ['checked', { well: false }, true],
    ['moved', {}, false],
    ['noted', { text: '' }, false],
    ['noted', { text: 'x'.repeat(2001) }, false],
    ['paired', { tag: 'P-1', damId: 'a', sireId: null }, true],
    ['paired', { tag: ' ', damId: 'a', sireId: null }, false],
    ['paired', { tag: 'P-1', damId: 'a' }, false],
    ['copulation', {}, true],
    ['laid', { tag: 'C-1', eggs: 5 }, true],
    ['laid', { tag: 'C-1', eggs: 0 }, false],
    ['laid', { tag: 'C-1', eggs: 3, slugs: 4 }, false],
    ['laid', { tag: 'C-1', eggs: 3, tempC: 84 }, false],
    ['born', { tag: 'L-1', live: 0, still: 0, slugs: 2 }, true],
    ['born', { tag: 'L-1', live: 0 }, false],
    ['candled', { good: 0 }, true],
    ['candled', { good: -1 }, false],
    ['hatched', { count: 0 }, false],
    ['groupFed', { prey: 'flake', each: 0 }, false],
    ['cultureStarted', { tag: 'F-1', feederId: 'fly.large' }, true],
    ['cultureStarted', { feederId: 'fly.large' }, false],
    ['harvested', { count: -1 }, false],
    ['cooledDown', { placeId: 'p' }, true],
    ['warmedUp', { early: 'yes' }, false],
    ['checked', { well: true, signs: ['thin'] }, false],
    ['checked', { well: false, signs: ['tired'] }, false],
    ['measured', { mm: 182 }, true],
    ['measured', { mm: 0 }, false],
    ['winterPlanned', { tag: 'W-1', speciesId: 'x', cool: '2026-12-01' }, true],
    ['winterPlanned', { tag: 'W-1', speciesId: 'x', cool: '1.12.2026' }, false],
    ['winterChanged', { ways: { holdC: 12 } }, true],
    ['winterChanged', { ways: { holdC: 55 } }, false],
    ['winterChanged', { ways: { holdDays: -1 } }, false],
    ['probed', { scales: 9 }, true],
    ['probed', { scales: 40 }, false],
    ['probed', { scales: 2.5 }, false],
    ['subcaudalsCounted', { scales: 2 }, false],
    ['tailMeasured', { tailMm: 90, totalMm: 700 }, true],
    ['tailMeasured', { tailMm: 700, totalMm: 90 }, false],
    ['sexSignSeen', { sign: 'spurs', says: 'male' }, true],
    ['sexSignSeen', { sign: 'colour', says: 'male' }, false],
    ['sexProved', { proof: 'eggs', says: 'female' }, true],
    ['sexProved', { proof: 'eggs', says: 'male' }, false],
    ['sexProved', { proof: 'dna', says: 'male' }, true],
    ['parentsStated', { damId: 'd', sires: [{ id: 's' }] }, true],
    [
      'parentsStated',
      {
        sires: [
          { id: 's', chance: 0.7 },
          { id: 't', chance: 0.6 },
        ],
      },
      false,
    ],
    ['parentsStated', { origin: 'wild', damId: 'd' }, false],
    ['parentsStated', { clonal: true, damId: 'd', sires: [{ id: 's' }] }, false],
    ['parentsStated', { sires: [{ id: 's', chance: 1.2 }] }, false],
    ['geneStated', { locusId: 'l', alleles: ['+', 'a'], chance: 0.66 }, true],
    ['geneStated', { locusId: 'l', alleles: ['+', 'a'], chance: 66 }, false],
    ['geneStated', { locusId: 'l', alleles: [] }, false],
    ['folliclesSeen', { mm: 14 }, true],
    ['folliclesSeen', { mm: 0 }, false],
    ['injured', { who: 'keeper' }, false],
    ['preyCounted', { count: 0 }, true],
    ['preyCounted', { count: 2.5 }, false],
    ['lampFitted', { tag: 'U-1', lamp: 'tube', lifeDays: 0 }, false],
  ])('%s %j: %s', (kind, data, possible) => {
    expect(parses(kind, data)).toBe(possible)
  })

  it('84 degrees of incubation is questioned as a unit slip', () => {
    const result = kindOf('laid').data.safeParse({ tag: 'C-1', eggs: 3, tempC: 84 })
    expect(result.error!.issues[0]!.message).toMatch(/check the unit/)
  })

  it('every kind says what it is about in a sentence', () => {
    const example: Record<string, object> = {
      weighed: { massG: 12 },
      measured: { mm: 182 },
      winterPlanned: { tag: 'W', speciesId: 'x', cool: '2026-12-01' },
      winterMember: { animalId: 'a' },
      winterMemberLeft: { animalId: 'a' },
      fed: { prey: 'x', offered: 1, taken: 1 },
      shed: { complete: false },
      checked: { well: false },
      moved: { placeId: 'p' },
      noted: { text: 'hello' },
      died: { cause: 'age' },
      paired: { tag: 'P', damId: 'a', sireId: null },
      copulation: { confirmed: false },
      laid: { tag: 'C', eggs: 4, slugs: 1 },
      born: { tag: 'L', live: 3, still: 1, slugs: 1 },
      pairingEnded: { why: 'rest' },
      candled: { good: 2 },
      eggsLost: { count: 1 },
      hatched: { count: 1 },
      metamorphosed: { count: 1 },
      groupFed: { prey: 'flake', each: 1 },
      youngLost: { count: 1 },
      youngSold: { count: 1 },
      tagged: { count: 1 },
      probed: { scales: 8 },
      subcaudalsCounted: { scales: 50 },
      tailMeasured: { tailMm: 90, totalMm: 700 },
      sexSignSeen: { sign: 'tailShape', says: 'female' },
      sexProved: { proof: 'dna', says: 'female' },
      sexSettled: { sex: 'female' },
      parentsStated: { damId: 'd' },
      locusNamed: { name: 'pale', speciesId: 'x', alleles: [{ sign: 'p', mode: 'recessive', look: 'pale' }] },
      locusChanged: { name: 'pale', speciesId: 'x', alleles: [{ sign: 'p', mode: 'recessive', look: 'pale' }] },
      geneStated: { locusId: 'l', alleles: ['+', 'p'], chance: 0.5 },
      lookSeen: { locusId: 'l', look: '' },
      looksCounted: { locusId: 'l', counts: [{ look: '', count: 3 }] },
      folliclesSeen: { mm: 12 },
      injured: {},
      cultureStarted: { tag: 'F', feederId: 'x' },
      harvested: { count: 0 },
      cultureFailed: { why: 'mould' },
      preyCounted: { count: 1 },
      preyOrdered: { count: 1 },
      preyReceived: { count: 1 },
      lampFitted: { tag: 'U', lamp: 'tube', lifeDays: 9 },
      animalAdded: { tag: 'A', speciesId: 'x' },
      animalCorrected: { tag: 'B' },
      placeAdded: { name: 'Shelf', kind: 'shelf' },
      placeChanged: { tempC: 24 },
      placeRead: { channel: 'humidity', value: 62 },
      alarmAnswered: { alarm: 'place:low:p', why: 'Drying on purpose' },
      settingsChanged: { appetite: 1.2 },
      numberSet: { value: 3 },
      speciesAdded: { name: 'Rat snake', from: 'corn-snake' },
      speciesChanged: { parts: { winter: 'none' } },
      speciesMerged: { into: 'corn-snake' },
      feederAdded: { name: 'Moth', one: 'moth', many: 'moths', from: 'waxworm' },
      feederChanged: { name: 'Wax moth' },
    }
    for (const kind of entryKinds.values()) {
      const data = kind.data.parse(example[kind.kind] ?? {})
      expect(kind.wording(data as never).length, kind.kind).toBeGreaterThan(3)
    }
    expect(kindOf('laid').wording({ eggs: 4, slugs: 1 } as never)).toBe('Laid 4, 1 of them slugs')
    expect(kindOf('born').wording({ live: 3, still: 1, slugs: 0 } as never)).toBe('Gave birth to 3 live, 1 still')
  })

  it('what founds something says so', () => {
    expect([...entryKinds.values()].filter(k => k.founds).map(k => [k.kind, k.founds])).toEqual([
      ['feederAdded', 'feeder'],
      ['speciesAdded', 'species'],
      ['placeAdded', 'place'],
      ['animalAdded', 'animal'],
      ['paired', 'pairing'],
      ['laid', 'clutch'],
      ['born', 'clutch'],
      ['cultureStarted', 'culture'],
      ['lampFitted', 'lamp'],
      ['winterPlanned', 'winter'],
      ['locusNamed', 'locus'],
    ])
  })
})
