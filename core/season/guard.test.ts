import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac, withOverrides } from '../almanac'
import { defaultSettings, houseOf, seasonOfHouse, seasonSteps, type HouseSettings, type Season } from '.'

const today = 20_782
const built = () =>
  new HouseBuilder(today)
    .place('room', { kind: 'room', tempC: 28 })
    .animal('K-1', 'corn-snake', { sex: 'female', placeId: 'room' })
    .animal('K-2', 'corn-snake', { sex: 'male', placeId: 'room' })
    .animal('G-1', 'leopard-gecko')
const seasonOf = (
  b: HouseBuilder,
  settings: HouseSettings = defaultSettings,
  spoil: (house: ReturnType<typeof houseOf>) => void = () => undefined,
): Season => {
  const house = houseOf(b.records())
  spoil(house)
  return seasonOfHouse(house, shippedAlmanac, settings, today).season
}
const broken = (s: Season) => s.alarms.filter(a => a.broken)

describe('what cannot be computed takes nothing else away', () => {
  it('an animal of no known species is told by its tag; the others eat and are weighed', () => {
    const whole = seasonOf(built())
    const s = seasonOf(built().animal('X-1', 'unicorn'))
    expect(broken(s).map(a => [a.id, a.text])).toEqual([
      ['unread:X-1', 'X-1 is of a species that this almanac does not have (“unicorn”), and is left out'],
    ])
    expect(s.tasks.map(t => t.id)).toEqual(whole.tasks.map(t => t.id))
    expect(s.prey.map(p => [p.prey, p.mean])).toEqual(whole.prey.map(p => [p.prey, p.mean]))
  })

  it('a pair whose state is spoilt loses its lane; a second pair keeps its own', () => {
    const b = built().animal('K-3', 'corn-snake', { sex: 'female' })
    b.pair('K-1', 'K-2', -30)
    b.pair('K-3', 'K-2', -30)
    const s = seasonOf(b, defaultSettings, house => {
      house.pairings['pair-K-1']!.seen = null as never
    })
    expect(s.lanes.map(l => l.title)).toEqual(['K-3 × K-2'])
    expect(broken(s).map(a => a.subject)).toContainEqual({ type: 'pairing', id: 'pair-K-1' })
    expect(broken(s)[0]!.todo).toMatch(/take back what cannot be true/)
  })

  it('a culture of a feeder that is gone does not take the food rows away', () => {
    const b = built()
    b.culture('FL-1', 'fly.large', -5)
    b.culture('ZZ-1', 'dragonfly', -5)
    const s = seasonOf(b)
    expect(s.prey.find(p => p.prey === 'fly.large')!.running.some(y => y > 0)).toBe(true)
    expect(broken(s).map(a => a.text)).toEqual(['ZZ-1: its tasks, its alarms cannot be computed and are left out'])
  })

  it('an entry that cannot be read is left out and named, and everything else of its animal stands', () => {
    const b = built()
    b.write('weighed', { type: 'animal', id: 'K-1' }, -3, { massG: 400 })
    const bad = b.write('weighed', { type: 'animal', id: 'K-1' }, -2, null as never)
    b.winter('W-1', 'corn-snake', 10, ['K-1'], { cool: 'some day' })
    const house = houseOf(b.records())
    expect(house.animals['K-1']!.weights.map(w => w.massG)).toEqual([400])
    expect(house.unread.map(u => [u.entryId, u.subject.id])).toEqual([
      [bad, 'K-1'],
      ['W-1', 'W-1'],
    ])
    expect(house.winters['W-1']).toBeUndefined()
    const { season } = seasonOfHouse(house, shippedAlmanac, defaultSettings, today)
    expect(broken(season).map(a => [a.suspectId, a.text])).toEqual([
      [bad, 'K-1: an entry cannot be read and is left out'],
      ['W-1', 'Winter group W-1: an entry cannot be read and is left out'],
    ])
  })

  it('a sound house tells of nothing', () => {
    expect(broken(seasonOf(built()))).toEqual([])
  })

  it('in steps it is the same season', () => {
    const house = houseOf(built().records())
    const steps = seasonSteps(house, shippedAlmanac, defaultSettings, today)
    let count = 0
    let last = steps.next()
    for (; !last.done; last = steps.next()) count++
    expect(count).toBe(5)
    expect((last.value as { season: Season }).season).toEqual(
      seasonOfHouse(house, shippedAlmanac, defaultSettings, today).season,
    )
  })
})

describe('a warm-up that cannot be meant', () => {
  const cold = () => {
    const b = built()
    b.write('cooledDown', { type: 'animal', id: 'K-1' }, -20, {})
    b.pair('K-1', 'K-2', -100)
    return b
  }
  const waking = (settings: HouseSettings) => seasonOf(cold(), settings).winter.cold[0]!.wakeDay

  it.each([
    // the year 2926, as it was once typed
    Math.round(Date.UTC(2926, 2, 1) / 86_400_000),
    today + 401,
    today - 401,
    0,
  ])('on day %s is not followed: the species’ weeks are', warmUpDay => {
    expect(waking({ ...defaultSettings, warmUpDay })).toBe(waking(defaultSettings))
  })

  it('of this winter is followed', () => {
    expect(waking({ ...defaultSettings, warmUpDay: today + 90 })).toBe(today + 90)
  })
})

describe('ids never reach what every object has', () => {
  it.each(['constructor', 'toString', '__proto__', 'valueOf'])('“%s” is no animal, place or species', id => {
    const house = houseOf(built().records())
    expect([
      house.animals[id],
      house.places[id],
      house.stocks[id],
      shippedAlmanac.species[id],
      shippedAlmanac.feeders[id],
    ]).toEqual([undefined, undefined, undefined, undefined, undefined])
    expect(() => withOverrides(shippedAlmanac, [{ path: `species.${id}.fertility.value`, value: 0.5 }])).toThrow(
      /no number/,
    )
    expect(
      withOverrides(shippedAlmanac, [{ path: 'species.corn-snake.fertility.value', value: 0.5 }]).species[id],
    ).toBeUndefined()
  })
})
