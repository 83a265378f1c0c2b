import { describe, expect, it } from 'vitest'
import { feederOf, shippedAlmanac as almanac, speciesOf } from '../../almanac'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { SeasonMemory, defaultSettings, houseOf, season, seasonOfHouse, type HouseSettings } from '..'

const today = 20_560
const animal = (id: string) => ({ type: 'animal' as const, id })
const of = (b: HouseBuilder, settings: HouseSettings = defaultSettings) =>
  season(b.records(), almanac, settings, today).season
const sum = (xs: readonly number[]) => xs.reduce((a, b) => a + b, 0)

describe('the need of the house', () => {
  it('a gravid female eats smaller prey until she lays, in the need as in the Round', () => {
    const made = (gravid: boolean) => {
      const b = new HouseBuilder(today)
        .animal('F', 'corn-snake', { sex: 'female' })
        .animal('M', 'corn-snake', { sex: 'male', bornDay: today - 4000 })
      for (const id of ['F', 'M']) b.write('weighed', animal(id), -3, { massG: 500 })
      b.pair('F', 'M', -30, 'P')
      if (gravid) b.write('copulation', { type: 'pairing', id: 'P' }, -2, { confirmed: true })
      return of(b)
    }
    /** Grams of rodents in the next five weeks. */
    const grams = (s: ReturnType<typeof made>) =>
      sum(
        s.prey
          .filter(p => /^(mouse|rat)\./.test(p.prey))
          .map(p => sum(p.mean.slice(0, 35)) * feederOf(almanac, p.prey).massG.likely),
      )
    // the male eats on as before; of hers about half is left
    const [plain, gravid] = [grams(made(false)), grams(made(true))]
    expect(gravid).toBeLessThan(plain * 0.85)
    expect(gravid).toBeGreaterThan(plain * 0.5)
  })

  it('stays the same object where it says the same, and is another as soon as anything of it is', () => {
    const memory = new SeasonMemory()
    const preyOf = (b: HouseBuilder) => seasonOfHouse(houseOf(b.records()), almanac, defaultSettings, today, memory)
    const b = new HouseBuilder(today)
      .animal('K', 'corn-snake', { sex: 'male', bornDay: today - 4000 })
      .animal('G', 'bearded-dragon', { bornDay: today - 100 })
    for (const id of ['K', 'G']) b.write('weighed', animal(id), -3, { massG: id === 'K' ? 500 : 40 })
    const before = preyOf(b).season.prey
    const byPrey = (list: typeof before) => new Map(list.map(p => [p.prey, p]))
    // a shed changes nothing of what is needed
    b.write('shed', animal('K'), 0, {})
    const after = byPrey(preyOf(b).season.prey)
    expect(before.length).toBeGreaterThan(1)
    for (const look of before) expect(after.get(look.prey), look.prey).toBe(look)

    b.write('preyCounted', { type: 'prey', id: before[0]!.prey }, 0, { count: 31 })
    const counted = byPrey(preyOf(b).season.prey)
    expect(counted.get(before[0]!.prey)).toMatchObject({ prey: before[0]!.prey, stock: 31 })
    expect(counted.get(before[0]!.prey)).not.toBe(before[0])
    for (const look of before.slice(1)) expect(counted.get(look.prey), look.prey).toBe(look)
  })

  it('the school that keeps some in reach raises the need by what it says, and the Round by as much', () => {
    const b = new HouseBuilder(today)
    for (let i = 0; i < 5; i++) b.animal(`G${i}`, 'bearded-dragon', { bornDay: today - 100 })
    const school = almanac.schools.insectRation!.choices.find(c => c.id === 'cafeteria')!
    const more = { ...defaultSettings, schools: { insectRation: 'cafeteria' } }
    const need = (settings: HouseSettings) => sum(of(b, settings).prey.find(p => p.prey === 'cricket.half')!.mean)
    expect(need(more) / need(defaultSettings)).toBeCloseTo(school.fact!.value, 6)
    const asked = (settings: HouseSettings) =>
      Number(of(b, settings).tasks.find(t => t.id === 'feed:G0')!.actions[0]!.data.offered)
    expect(asked(more)).toBe(Math.round(asked(defaultSettings) * school.fact!.value))
  })

  describe('live prey of young that do not take thawed yet', () => {
    const young = (count: number, meals: (b: HouseBuilder, id: string) => void = () => {}) => {
      const b = new HouseBuilder(today)
      for (let i = 0; i < count; i++) {
        b.animal(`Y${i}`, 'milk-snake', { bornDay: today - 14, clutchId: 'C' })
        meals(b, `Y${i}`)
      }
      return b
    }
    const need = (b: HouseBuilder, prey: string, settings = defaultSettings) =>
      sum(of(b, settings).prey.find(p => p.prey === prey)?.mean ?? [])
    const both = (b: HouseBuilder, settings = defaultSettings) =>
      need(b, 'mouse.pinky', settings) + need(b, 'mouse.pinky.live', settings)
    const thawedFirst = { ...defaultSettings, schools: { firstPrey: 'thawed' } }

    it('is in the need beside the dead, and both together are what the ladder asks', () => {
      const b = young(4)
      // three live meals each start them; some of a middling sort want more
      expect(need(b, 'mouse.pinky.live')).toBeGreaterThan(4 * 3)
      expect(need(b, 'mouse.pinky.live')).toBeLessThan(4 * 5)
      expect(need(b, 'mouse.pinky.live', thawedFirst)).toBeLessThan(need(b, 'mouse.pinky.live') - 4 * 2)
      expect(both(b)).toBeCloseTo(both(b, thawedFirst), 6)
    })

    it('ends with the thawed meals that are taken, and rises where mates refuse', () => {
      const offer = (state: string, taken: number) => (b: HouseBuilder, id: string) => {
        for (const day of [-8, -6, -4])
          b.write('fed', animal(id), day, { prey: 'mouse.pinky', offered: 1, taken: 1, state: 'live' })
        b.write('fed', animal(id), -2, { prey: 'mouse.pinky', offered: 1, taken, state })
      }
      expect(need(young(4, offer('thawed', 1)), 'mouse.pinky.live')).toBe(0)
      const waiting = need(young(4, offer('live', 1)), 'mouse.pinky.live')
      expect(need(young(4, offer('thawed', 0)), 'mouse.pinky.live')).toBeGreaterThan(waiting)
    })

    it('is counted for young that are still to come, and changes no sum', () => {
      const b = new HouseBuilder(today)
        .animal('F', 'milk-snake', { sex: 'female' })
        .animal('M', 'milk-snake', { sex: 'male' })
      b.pair('F', 'M', -60, 'P')
      b.write('laid', { type: 'pairing', id: 'P' }, -50, { tag: 'C', eggs: 8, slugs: 0, tempC: 28, placeId: null })
      expect(need(b, 'mouse.pinky.live')).toBeGreaterThan(6)
      expect(both(b)).toBeCloseTo(both(b, thawedFirst), 6)
    })

    it('comes off the live ones from when these are counted, and off all of the prey before', () => {
      const b = young(1)
      const stocks = () => houseOf(b.records()).stocks
      b.write('preyCounted', { type: 'prey', id: 'mouse.pinky' }, -9, { count: 20 })
      const live = { prey: 'mouse.pinky', offered: 1, taken: 1, state: 'live' }
      b.write('fed', animal('Y0'), -8, live)
      b.write('preyCounted', { type: 'prey', id: 'mouse.pinky.live' }, -7, { count: 5 })
      b.write('fed', animal('Y0'), -6, live)
      b.write('fed', animal('Y0'), -4, { ...live, state: 'thawed' })
      expect(stocks()['mouse.pinky']!.left).toBe(18)
      expect(stocks()['mouse.pinky.live']!.left).toBe(4)
    })
  })

  it('of what is there, or on its way, and eaten by nobody is nothing; it is listed all the same', () => {
    const b = new HouseBuilder(today).animal('D', 'bearded-dragon', { bornDay: today - 100 })
    b.write('preyCounted', { type: 'prey', id: 'rat.large' }, -1, { count: 7 })
    b.write('preyOrdered', { type: 'prey', id: 'mouse.pinky.live' }, 0, { count: 8 })
    b.write('preyCounted', { type: 'prey', id: 'rat.small' }, -1, { count: 0 })
    const row = (id: string) => of(b).prey.find(p => p.prey === id)
    expect(row('rat.large')).toMatchObject({ stock: expect.closeTo(7, 0) as number })
    expect(sum(row('rat.large')!.high)).toBe(0)
    expect(row('mouse.pinky.live')!.arriving).toMatchObject([{ count: 8 }])
    expect(row('rat.small')).toBeUndefined()
  })

  it('a meal of two sorts writes both, and both leave the stock', () => {
    const b = new HouseBuilder(today).animal('D', 'bearded-dragon', { bornDay: today - 100 })
    b.write('preyCounted', { type: 'prey', id: 'cricket.half' }, -1, { count: 100 })
    const took = of(b).tasks.find(t => t.id === 'feed:D')!.actions[0]!
    const written = [took.data, ...(took.also ?? [])]
    expect(written.map(d => d.prey)).toEqual(speciesOf(almanac, 'bearded-dragon').ladder[1]!.meal.map(m => m.prey))
    for (const data of written) b.write('fed', animal('D'), 0, data as Record<string, unknown>)
    const { stocks, animals } = houseOf(b.records())
    expect(stocks['cricket.half']!.left).toBe(100 - Number(written[0]!.offered))
    expect(animals.D!.meals).toHaveLength(written.length)
  })
})
