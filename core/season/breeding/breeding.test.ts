import { describe, expect, it } from 'vitest'
import { shippedAlmanac as almanac } from '../../almanac'
import { checkEntry, completeEntry, withEntry, type DatedEntry, type Records } from '../../subjects'
import { HouseBuilder, dated } from '../../../tests/fixtures/records'
import {
  benchCell,
  benchOf,
  defaultSettings,
  geneOf,
  houseOf,
  inbreedingOf,
  kinOf,
  lineOf,
  lociOf,
  roomForYoung,
  season,
  type HouseSettings,
} from '..'

const today = 20_550
const settings: HouseSettings = { ...defaultSettings, latitude: 50 }
const of = (records: Records, day = today) => season(records, almanac, settings, day).season
const contextOf = (records: Records, day = today) => ({
  house: houseOf(records),
  almanac,
  settings,
  today: day,
})
const animal = (id: string) => ({ type: 'animal' as const, id })

/** Twelve females and five males of a species that is not cooled here, well, weighed and fed. */
function group(females = 12, males = 5, speciesId = 'corn-snake'): HouseBuilder {
  const b = new HouseBuilder(today)
  for (let i = 1; i <= females + males; i++) {
    const id = i <= females ? `F-${String(i).padStart(2, '0')}` : `M-${i - females}`
    b.place(`tub ${id}`).animal(id, speciesId, {
      sex: i <= females ? 'female' : 'male',
      placeId: `tub ${id}`,
      bornDay: today - 1400,
    })
    b.write('weighed', animal(id), -6, { massG: 420 + 9 * i })
    b.write('fed', animal(id), -6, { prey: 'mouse.adult', offered: 1, taken: 1 })
  }
  return b
}

describe('the bench', () => {
  it('a 12 × 5 group: every cell judged, with reasons on each', () => {
    const context = contextOf(group().records())
    const bench = benchOf(context, 'corn-snake', [])!
    expect([bench.dams.length, bench.sires.length, bench.worths.length]).toEqual([12, 5, 60])
    expect(bench.worths.every(w => w > 0 && w <= 1)).toBe(true)
    const cell = benchCell(context, 'F-01', 'M-1', [])!
    expect(cell.value.worth).toBeCloseTo(bench.worths[0]!, 4)
    expect(cell.reasons.length).toBeGreaterThan(5)
    expect(benchCell(context, 'F-01', 'nobody', [])).toBeNull()
  })

  it('kin, an open sex and a wish change the cells; unknown sexes stand on neither side', () => {
    const b = group(2, 2).animal('U-1', 'corn-snake', { bornDay: today - 1400 })
    b.animal('D', 'corn-snake', { sex: 'female', bornDay: today - 4000 }).write('keptElsewhere', animal('D'), -30)
    for (const id of ['F-01', 'M-1'])
      b.write('parentsStated', animal(id), -20, { damId: 'D', sires: [], origin: 'bred', clonal: false })
    b.write(
      'locusNamed',
      { type: 'locus', id: 'L' },
      -50,
      {
        name: 'pale',
        speciesId: 'corn-snake',
        linkage: 'autosomal',
        alleles: [{ sign: 'p', mode: 'recessive', look: 'pale', doubleLook: null, double: 'well' }],
        note: null,
      },
      'L',
    )
    b.write('geneStated', animal('F-01'), -10, { locusId: 'L', alleles: ['p', 'p'], chance: 1 })
    b.write('geneStated', animal('M-2'), -10, { locusId: 'L', alleles: ['+', 'p'], chance: 0.5 })
    const records = b.records()
    const context = contextOf(records)
    const plain = benchOf(context, 'corn-snake', [])!
    // half sibs: inbred by one eighth, past the usual limit
    expect(plain.kinships[0]).toBe(0.125)
    expect(plain.levels[0]).toBe(3)
    expect(plain.unsexed).toEqual(['U-1'])
    expect(plain.dams.map(d => d.id)).not.toContain('D')
    const wished = benchOf(context, 'corn-snake', [{ locusId: 'L', look: 'pale' }])!
    expect(wished.wishes[1]).toBeCloseTo(0.25, 3)
    const [pale, ...others] = lociOf(context.house, context.almanac, 'corn-snake')
    expect([pale!.name, others]).toEqual(['pale', []])
    // where nothing is said of the locus, the almanac of the house counts
    expect(pale!.unstatedShare).toBe(context.almanac.common.unstatedShare!.value)
    const common = { ...context.almanac.common, unstatedShare: { value: 0.02, unit: 'share', mark: 'own' as const } }
    expect(lociOf(context.house, { common }, 'corn-snake')[0]!.unstatedShare).toBe(0.02)
    expect(geneOf(context.house, pale!, context.house.animals['M-2']!).belief[1]).toBeCloseTo(0.5, 9)
    expect(inbreedingOf(kinOf(context.house), 'F-01')).toBe(0)
    expect(lineOf(context.house, 'corn-snake')!.founders[0]!.id).toBe('D')
    expect(lineOf(context.house, 'boa-constrictor')).toBeNull()
  })

  it('tells what may be placed before a pair is set', () => {
    const b = group(2, 1)
    for (let i = 0; i < 22; i++) b.place(`box ${i}`)
    const records = b.records()
    const s = of(records)
    const room = roomForYoung(contextOf(records), 'corn-snake', s).value
    expect(room.left).toBe(22)
    // 8–24 eggs, of which 0.9 · 0.9 come out
    expect(room.brings).toEqual({ low: 6, likely: 12, high: 19 })
    expect(room.text).toMatch(/You can place 22; this pair brings 6–19 more/)
  })
})

/**
 * One day of the Round: everything the rota asks is done and written, feeding too; each lock is seen on the second
 * look.
 */
function walk(start: Records, day: number): { records: Records; done: string[] } {
  let records = start
  const done: string[] = []
  const write = (id: string, subject: DatedEntry['subject'], kind: string, data: Record<string, unknown>) => {
    const house = houseOf(records)
    const entry = completeEntry(house, dated(day, { id, kind, subject, data }))
    if ('message' in entry) throw new Error(entry.message)
    const problems = checkEntry(entry, { records, house, almanac, today: day })
    if (problems.length) throw new Error(`${id}: ${problems[0]!.message}`)
    records = withEntry(records, entry)
    done.push(id)
  }
  const tasks = of(records, day).tasks.filter(t => /^(introduce|visit|feed):/.test(t.id))
  // out before in: a male goes from one to the next
  for (const t of tasks.sort((a, b) => Number(a.id.startsWith('introduce')) - Number(b.id.startsWith('introduce')))) {
    const action = t.actions[0]!
    write(`${t.id}@${day}`, t.subject, action.kind, action.data)
  }
  return { records, done }
}

describe('two weeks of the rota in the Round', () => {
  it('walks a 12 × 5 group without one refused entry: nobody in two places, every female visited, locks seen', () => {
    const b = group()
    for (let i = 1; i <= 12; i++) b.pair(`F-${String(i).padStart(2, '0')}`, `M-${((i - 1) % 5) + 1}`, -1, `P-${i}`)
    let records = b.records()
    const introduced: string[] = []
    for (let day = today; day < today + 14; day++) {
      const walked = walk(records, day)
      records = walked.records
      introduced.push(...walked.done.filter(d => d.startsWith('introduce')))
      const together = Object.values(houseOf(records).pairings).filter(p => p.together)
      expect(new Set(together.map(p => p.sireId)).size).toBe(together.length)
    }
    const { pairings } = houseOf(records)
    // five males, visits of two days with two of rest, in two weeks around meals: each goes out at least twice
    expect(introduced.length).toBeGreaterThanOrEqual(8)
    expect(Object.values(pairings).filter(p => p.locks.length).length).toBeGreaterThanOrEqual(6)
    for (const p of Object.values(pairings)) for (const v of p.visits) expect(v.to - v.from).toBeLessThanOrEqual(3)
  }, 60_000)

  it('is planned anew when something happens: a rejection ends the visit, a pre-lay shed ends the visits', () => {
    const b = group(1, 1)
    b.pair('F-01', 'M-1', -10, 'P')
    const rota = (x: HouseBuilder) => of(x.records()).breeding.rota
    expect(rota(b)[0]).toMatchObject({ pairingId: 'P', running: false })
    b.write('introduced', { type: 'pairing', id: 'P' }, -1)
    expect(rota(b)[0]).toMatchObject({ running: true, to: today + 1 })
    b.write('rejected', { type: 'pairing', id: 'P' }, 0)
    expect(rota(b)[0]!.from).toBeGreaterThan(today + 2)
    b.write('preLayShed', { type: 'pairing', id: 'P' }, 0)
    expect(rota(b)).toEqual([])
  })

  it('a gecko gets the male again after her clutch, unless she is worn out', () => {
    const make = (massG: number) => {
      const b = group(1, 1, 'fat-tailed-gecko')
      b.write('weighed', animal('F-01'), -25, { massG: 430 })
      b.pair('F-01', 'M-1', -60, 'P')
      b.write('copulation', { type: 'pairing', id: 'P' }, -30, { confirmed: true })
      b.write('laid', { type: 'pairing', id: 'P' }, -2, { tag: 'C', eggs: 2, slugs: 0, tempC: 28, placeId: null }, 'C')
      b.write('weighed', animal('F-01'), -1, { massG })
      return of(b.records())
    }
    const well = make(425)
    expect(well.tasks.find(t => t.id.startsWith('introduce:'))!.detail).toMatch(/male in again/)
    expect(well.breeding.due[0]!.load!.value.action).toBe('again')
    const worn = make(300)
    expect(worn.tasks.some(t => t.id.startsWith('introduce:'))).toBe(false)
    expect(worn.tasks.find(t => t.id.startsWith('rest:'))!.actions[0]!.kind).toBe('pairingEnded')
  })
})

describe('in the season', () => {
  it('a sex past the threshold becomes a task, a contradiction an alarm', () => {
    const b = new HouseBuilder(today).animal('X', 'corn-snake', { bornDay: today - 900 })
    b.write('weighed', animal('X'), -9, { massG: 300 })
    b.write('sexSignSeen', animal('X'), -3, { sign: 'bulge', says: 'male' })
    expect(of(b.records()).tasks.some(t => t.id === 'sex:X')).toBe(false)
    b.write('probed', animal('X'), -2, { scales: 10 })
    const task = of(b.records()).tasks.find(t => t.id === 'sex:X')!
    expect(task.actions[0]!.data).toEqual({ sex: 'male' })
    b.write('sexProved', animal('X'), -1, { proof: 'eggs', says: 'female' })
    const s = of(b.records())
    expect(s.tasks.some(t => t.id === 'sex:X')).toBe(false)
    expect(s.alarms.find(a => a.id === 'sex:X')!.text).toMatch(/yet it laid eggs/)
  })

  it('follicles seen move the laying', () => {
    const b = group(1, 1)
    b.pair('F-01', 'M-1', -40, 'P')
    b.write('copulation', { type: 'pairing', id: 'P' }, -25, { confirmed: true })
    const laid = (x: HouseBuilder) =>
      of(x.records())
        .lanes.find(l => l.kind === 'pair')!
        .events.find(e => e.event === 'laid')!
    expect(laid(b).reasons[0]!.rule).toMatch(/lock to laying/)
    b.write('folliclesSeen', { type: 'pairing', id: 'P' }, -1, { mm: 16 })
    expect(laid(b).reasons[0]!.rule).toMatch(/ovulation to laying/)
  })
})
