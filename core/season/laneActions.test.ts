import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac, withOverrides } from '../almanac'
import { entryKinds } from '../subjects'
import { defaultSettings, houseOf, laneActions, laneNeed, seasonOfHouse } from '.'

const today = 20_000

function actions(b: HouseBuilder, title: string, almanac = shippedAlmanac): string[] {
  const house = houseOf(b.records())
  const lane = seasonOfHouse(house, almanac, defaultSettings, today).season.lanes.find(l => l.title === title)!
  return laneActions(lane, house, almanac, today).map(a => a.label)
}

function paired(speciesId: string) {
  const b = new HouseBuilder(today).animal('A-1', speciesId, { sex: 'female' })
  return { b, pair: { type: 'pairing' as const, id: b.pair('A-1', null, -100) } }
}

describe('what can be recorded of a lane', () => {
  it('says of each button what its entry brings into being, as its kind does', () => {
    for (const speciesId of ['milk-snake', 'rosy-boa', 'fire-bellied-toad']) {
      const house = houseOf(paired(speciesId).b.records())
      const { lanes } = seasonOfHouse(house, shippedAlmanac, defaultSettings, today).season
      const all = lanes.flatMap(l => laneActions(l, house, shippedAlmanac, today))
      expect(all.filter(a => a.founds).map(a => a.kind)).toEqual([speciesId === 'rosy-boa' ? 'born' : 'laid'])
      for (const a of all) expect(a.founds).toBe(entryKinds.get(a.kind)!.founds === 'clutch' ? 'clutch' : undefined)
    }
  })

  it('an egg layer sheds and lays, a live-bearer has its own shed and gives birth, a frog spawns', () => {
    expect(actions(paired('milk-snake').b, 'A-1 × unknown')).toEqual([
      'Introduced',
      'Lock',
      'Lay together',
      'Follicles',
      'Ovulation',
      'Pre-lay shed',
      'Laid',
      'End season',
    ])
    expect(actions(paired('rosy-boa').b, 'A-1 × unknown')).toContain('Post-ovulation shed')
    expect(actions(paired('rosy-boa').b, 'A-1 × unknown')).toContain('Gave birth')
    expect(actions(paired('golden-mantella').b, 'A-1 × unknown')).toEqual([
      'Introduced',
      'Lock',
      'Lay together',
      'Spawned',
      'End season',
    ])
  })

  it('eggs are candled, pip and hatch, and late ones are still asked for; spawn is not, two weeks after the first', () => {
    const { b, pair } = paired('milk-snake')
    const id = b.write('laid', pair, -70, { tag: 'C-1', eggs: 6, slugs: 0, tempC: 28 })
    expect(actions(b, 'C-1')).toEqual(['Hatched', 'Pipped', 'Candled', 'Lost eggs', 'Close'])
    b.write('hatched', { type: 'clutch', id }, -3, { count: 4 })
    expect(actions(b, 'C-1')).toContain('Hatched')
    expect(actions(b, 'C-1')).toContain('Sold')
    const old = paired('milk-snake')
    const oldId = old.b.write('laid', old.pair, -90, { tag: 'C-1', eggs: 6, slugs: 0, tempC: 28 })
    old.b.write('hatched', { type: 'clutch', id: oldId }, -20, { count: 4 })
    expect(actions(old.b, 'C-1')).toEqual(['Hatched', 'Pipped', 'Candled', 'Lost eggs', 'Lost young', 'Sold', 'Close'])
    const spawn = paired('fire-bellied-toad')
    const spawnId = spawn.b.write('laid', spawn.pair, -30, { tag: 'S-1', eggs: 40, slugs: 0 })
    spawn.b.write('hatched', { type: 'clutch', id: spawnId }, -20, { count: 30 })
    expect(actions(spawn.b, 'S-1')).not.toContain('Tadpoles hatched')
    // the house may wait longer for the rest of it
    const patient = withOverrides(shippedAlmanac, [{ path: 'common.lastHatch.value', value: 30 }])
    expect(actions(spawn.b, 'S-1', patient)).toContain('Tadpoles hatched')
  })

  it('tadpoles come on land', () => {
    const { b, pair } = paired('fire-bellied-toad')
    const id = b.write('laid', pair, -60, { tag: 'S-1', eggs: 40, slugs: 0 })
    b.write('hatched', { type: 'clutch', id }, -55, { count: 30 })
    expect(actions(b, 'S-1')).toEqual(['Came on land', 'Lost young', 'Close'])
  })

  it('a litter that was born is not hatched', () => {
    const { b, pair } = paired('rosy-boa')
    b.write('born', pair, -2, { tag: 'L-1', live: 4, still: 0, slugs: 0 })
    expect(actions(b, 'L-1')).toEqual(['Lost young', 'Sold', 'Close'])
  })
})

describe('the need one lane causes', () => {
  it('is its share of the whole, and all lanes with the animals make the whole', () => {
    const { b, pair } = paired('ocellated-lizard')
    b.write('laid', pair, -60, { tag: 'C-1', eggs: 10, slugs: 0, tempC: 28 })
    const { season } = seasonOfHouse(houseOf(b.records()), shippedAlmanac, defaultSettings, today)
    const sum = (row: readonly number[] | undefined) => (row ?? []).reduce((x, y) => x + y, 0)
    // no grown animal eats large flies, so the lanes make up all of it
    const whole = sum(season.prey.find(p => p.prey === 'fly.large')!.mean)
    const parts = season.lanes.map(l => sum(laneNeed(season, l.id, shippedAlmanac, defaultSettings).get('fly.large')))
    expect(whole).toBeGreaterThan(100)
    expect(parts.reduce((x, y) => x + y, 0)).toBeCloseTo(whole, 6)
    expect(laneNeed(season, 'nothing', shippedAlmanac, defaultSettings).size).toBe(0)
  })
})
