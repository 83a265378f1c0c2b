import { describe, expect, it } from 'vitest'
import { withOwn, type Almanac } from '#core/almanac'
import { shipped } from '#core/almanac/data'
import { checkEntry, draftOf, ownRows, recordsFrom, type House } from '#core/subjects'
import { houseOf, season } from '#core/season'
import { calendarOf } from '#core/units'
import { alderYard } from './alderYard'

/** With the species that the house added itself. */
const almanacOf = (house: House): Almanac => withOwn(shipped, { ...ownRows(house, 0), numbers: [] }).almanac

/** Subjects that change what is known; making an almanac for every entry would take most of the time. */
const OF_ALMANAC = new Set(['species', 'feeder', 'number', 'supplier', 'settings'])

describe.each([20_000, 20_782])('Alder Yard on day %d', today => {
  const demo = alderYard(today)

  it('could have happened: every entry passes the checks of the logbook in order', () => {
    const draft = draftOf(recordsFrom([]), houseOf(recordsFrom([])))
    let almanac = almanacOf(draft.house)
    for (const entry of [...demo.entries].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0))) {
      expect(calendarOf(demo.settings.timeZone)(entry.at)).toBe(entry.day)
      // every subject is looked up in the house as it stood by then
      const { records, house } = draft
      const context = { records, house, almanac, today }
      expect(checkEntry(entry, context), `${entry.kind} ${entry.at}`).toEqual([])
      draft.add(entry)
      if (OF_ALMANAC.has(entry.subject.type)) almanac = almanacOf(draft.house)
    }
    expect(almanac).toEqual(almanacOf(draft.house))
    // entry by entry it has become the house that is read at a start
    expect(houseOf(draft.records)).toEqual(houseOf(recordsFrom(demo.entries)))
  }, 60_000)

  it('is a house of about 65 grown animals, 40 young, 16 pairs, 12 clutches and 14 cultures in 3 rooms, with its troubles', () => {
    const records = recordsFrom(demo.entries)
    const house = houseOf(records)
    const { season: s } = season(records, almanacOf(house), demo.settings, today)
    const young = Object.values(house.animals).filter(a => a.status === 'alive' && today - a.bornDay! < 365)
    const here = Object.values(house.animals).filter(a => a.status === 'alive')
    expect(young).toHaveLength(40)
    expect(here.length - young.length).toBe(65)
    expect(new Set(Object.values(house.animals).map(a => a.speciesId)).size).toBe(8)
    expect(Object.keys(house.pairings)).toHaveLength(16)
    expect(Object.keys(house.clutches)).toHaveLength(12)
    expect(Object.keys(house.cultures)).toHaveLength(14)
    expect(Object.values(house.places).filter(p => p.kind === 'room')).toHaveLength(3)
    const alarms = s.alarms.map(a => a.id.split(':')[0])
    expect(alarms).toEqual(expect.arrayContaining(['refuser', 'failed', 'lamp', 'cold']))
    expect(new Set(s.lanes.map(l => l.kind))).toEqual(new Set(['pair', 'eggs', 'spawn']))
    // the two in trouble, and no third
    expect(
      s.winter.cold
        .filter(c => ['takeOut', 'offerWater'].includes(c.verdict.value.action))
        .map(c => [c.tag, c.verdict.value.action]),
    ).toEqual([
      ['M-09', 'takeOut'],
      ['K-02', 'offerWater'],
    ])
    expect(s.winter.cold.length).toBeGreaterThanOrEqual(20)
    expect(s.winter.recovering.find(r => r.tag === 'K-08')!.readiness).toMatchObject({ since: null })
    expect(s.tasks.length).toBeGreaterThan(12)
    expect(s.tasks.length).toBeLessThan(60)
  })
})
