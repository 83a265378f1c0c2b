import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac } from '../almanac'
import { defaultSettings, houseOf, seasonOfHouse } from '../season'
import { tellTotals, walkOf } from '.'

const today = 20_000

/** A walk of this house today. */
function walked(b: HouseBuilder) {
  const house = houseOf(b.records())
  const { season } = seasonOfHouse(house, shippedAlmanac, defaultSettings, today)
  return { tasks: season.tasks, rooms: walkOf(season.tasks, house) }
}
const linesOf = (b: HouseBuilder) => walked(b).rooms.flatMap(r => r.stops.flatMap(s => s.lines))

/** A clutch whose young were tagged, all in one rack, and have eaten a week ago. */
function siblings(count: number): HouseBuilder {
  const b = new HouseBuilder(today)
    .place('Rack room', { kind: 'room' })
    .place('R-1', { kind: 'rack', parentId: 'Rack room' })
    .animal('A-1', 'corn-snake', { sex: 'female' })
  b.pair('A-1', null, -200)
  b.write('laid', { type: 'pairing', id: 'pair-A-1' }, -110, { tag: 'C-1', eggs: count }, 'clutch')
  b.write('hatched', { type: 'clutch', id: 'clutch' }, -50, { count })
  for (let i = 1; i <= count; i++) {
    b.animal(`Y-${i}`, 'corn-snake', { bornDay: today - 50, clutchId: 'clutch', placeId: 'R-1' })
    b.write('fed', { type: 'animal', id: `Y-${i}` }, -9, { prey: 'mouse.pinky', offered: 1, taken: 1 })
  }
  return b
}

describe('the walk', () => {
  it('makes 300 hatchlings of one clutch one line for each thing to do, and loses none', () => {
    const { tasks, rooms } = walked(siblings(300))
    const feeds = tasks.filter(t => t.kind === 'feed' && t.tag.startsWith('Y-'))
    expect(feeds).toHaveLength(300)
    const many = rooms.flatMap(r => r.stops.flatMap(s => s.lines)).filter(l => 'clutchTag' in l)
    const fed = many.find(l => l.tasks[0]!.kind === 'feed')
    expect(fed).toMatchObject({ clutchTag: 'C-1' })
    expect(new Set(fed!.tasks.map(t => t.id))).toEqual(new Set(feeds.map(t => t.id)))
    expect(rooms.flatMap(r => r.tasks)).toHaveLength(tasks.length)
    expect(rooms.reduce((n, r) => n + r.lines, 0)).toBeLessThan(6)
  })

  it('keeps one that refuses on a line of its own, and few siblings on theirs', () => {
    const b = siblings(8)
    for (const days of [-8, -7])
      b.write('fed', { type: 'animal', id: 'Y-3' }, days, { prey: 'mouse.pinky', offered: 1, taken: 0 })
    const feeds = linesOf(b).filter(l => l.tasks[0]!.kind === 'feed')
    expect(feeds.filter(l => 'clutchTag' in l).map(l => l.tasks.length)).toEqual([7])
    expect(feeds.find(l => l.tasks.some(t => t.tag === 'Y-3'))).toMatchObject({
      tasks: [{ detail: expect.stringMatching(/^refused 2 in a row; in a small dark box/) as string }],
    })
    expect(linesOf(siblings(5)).every(l => l.tasks.length === 1)).toBe(true)
  })

  it('folds 300 for whom there are 100 into those that are fed and those that can wait', () => {
    const b = siblings(300)
    // as many again stand without tags in the clutch, and never ate: they are first
    b.write('preyCounted', { type: 'prey', id: 'mouse.pinky' }, 0, { count: 300 + 100 })
    const feeds = linesOf(b).filter(l => l.tasks[0]!.kind === 'feed' && 'clutchTag' in l)
    expect(feeds.map(l => l.tasks.length).sort((a, b) => a - b)).toEqual([100, 200])
    expect(new Set(feeds.map(l => l.id)).size).toBe(2)
    const waiting = feeds.find(l => l.tasks.length === 200)!
    expect(waiting.tasks[0]!.detail).toMatch(/^too few .* for all; it can wait until /)
  })

  it('goes room by room in walking order, what has no place last or first by itself', () => {
    const b = new HouseBuilder(today)
      .place('Rooms', { kind: 'room' })
      .place('Upper', { kind: 'room', order: 9 })
      .place('T-1', { parentId: 'Upper' })
      .animal('K-1', 'corn-snake', { placeId: 'T-1' })
      .animal('K-2', 'corn-snake', { placeId: 'Rooms' })
      .animal('K-3', 'corn-snake')
    const { rooms } = walked(b)
    expect(rooms.map(r => r.name).sort()).toEqual(['Anywhere', 'Rooms', 'Upper'])
    expect(rooms.find(r => r.name === 'Upper')!.stops.map(s => s.place)).toEqual(['T-1'])
    expect(rooms.find(r => r.name === 'Rooms')!.stops.map(s => s.place)).toEqual([''])
  })

  it('says how much there is of each kind, the most first', () => {
    const { tasks } = walked(siblings(30))
    expect(tellTotals(tasks)).toMatch(/^\d+ to (feed|weigh), \d+ to (feed|weigh)/)
    expect(tellTotals([])).toBe('')
    const of = (...kinds: string[]) => tellTotals(kinds.map(kind => ({ kind }) as never))
    expect(of('eggs', 'lamp', 'tadpoles')).toBe('1 egg box to see to, 1 lamp, 1 with tadpoles')
    expect(of('eggs', 'eggs', 'feed')).toBe('2 egg boxes to see to, 1 to feed')
  })

  it('says the most of many kinds and how many more there are; what is for the vet is never among those', () => {
    const of = (most: number, ...kinds: string[]) =>
      tellTotals(
        kinds.map(kind => ({ kind }) as never),
        most,
      )
    const kinds = ['feed', 'feed', 'feed', 'weigh', 'weigh', 'count', 'vet', 'lamp']
    expect(of(3, ...kinds)).toBe('3 to feed, 2 to weigh, 1 to the vet, 2 more')
    // a single kind beyond them is told as it is
    expect(of(4, ...kinds)).toBe('3 to feed, 2 to weigh, 1 to count, 1 to the vet, 1 lamp')
    expect(of(1, 'vet', 'feed', 'treat')).toMatch(/^1 to the vet, 2 more$/)
    for (const most of [1, 2, 3, 4, 5]) {
      const numbers = of(most, ...kinds).match(/\d+/g)!
      expect(numbers.reduce((sum, n) => sum + Number(n), 0)).toBe(kinds.length)
    }
  })
})
