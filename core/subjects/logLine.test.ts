import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac } from '../almanac'
import { foldHouse, readLogLine } from '.'

const b = new HouseBuilder(20_000)
  .animal('T-14', 'california-kingsnake', { sex: 'female' })
  .animal('T-15', 'california-kingsnake', { sex: 'male' })
  .animal('T-16', 'milk-snake')
const pair = b.pair('T-14', 'T-15', -50)
b.culture('F-1', 'fly.large', -20)
const laid = b.write('laid', { type: 'pairing', id: pair }, -5, { tag: 'C-1', eggs: 6, slugs: 0 })
b.write('fed', { type: 'animal', id: 'T-16' }, -5, { prey: 'mouse.fuzzy', offered: 1, taken: 1 })
const house = foldHouse(b.records())
const read = (line: string) => readLogLine(line, house, shippedAlmanac, 'g', 'C-2')

describe('the log line', () => {
  it.each([
    ['T-14 312 g', 'weighed', { massG: 312 }],
    ['t-14 312', 'weighed', { massG: 312 }],
    ['T-14 11 oz', 'weighed', { massG: 311.84 }],
    ['T-14 took 2 hopper', 'fed', { prey: 'mouse.hopper', offered: 2, taken: 2 }],
    ['T-14 took 12 large flies', 'fed', { prey: 'fly.large', offered: 12, taken: 12 }],
    ['T-16 refused', 'fed', { prey: 'mouse.fuzzy', offered: 1, taken: 0 }],
    ['T-14 shed', 'shed', { complete: true }],
    ['T-14 lock', 'copulation', { confirmed: true }],
    ['T-14 pre-lay shed', 'preLayShed', {}],
    ['T-14 introduced', 'introduced', {}],
    ['T-14 separated', 'separated', {}],
    ['T-14 follicles 14,5 mm', 'folliclesSeen', { mm: 14.5 }],
    ['T-16 probed 9', 'probed', { scales: 9 }],
    ['T-14 laid 8', 'laid', { tag: 'C-2', eggs: 8 }],
    ['C-1 hatched 5', 'hatched', { count: 5 }],
    ['F-1 producing', 'producing', {}],
    ['T-14 note: bites the door', 'noted', { text: 'bites the door' }],
  ])('%s', (line, kind, data) => {
    expect(read(line)).toMatchObject({ ok: true, kind, data })
  })

  it('sends breeding signs to the pair and hatchings to the clutch', () => {
    expect(read('T-14 lock')).toMatchObject({ subject: { type: 'pairing', id: pair } })
    expect(read('C-1 hatched 5')).toMatchObject({ subject: { type: 'clutch', id: laid } })
  })

  it.each([
    ['Z-1 312 g', /No tag Z-1/],
    ['T-14', /what happened/],
    ['T-14 12 in', /not a weight/],
    ['T-14 3 parsec', /not known/],
    ['T-14 took unicorn', /Which feeder/],
    ['T-14 took mouse', /Which feeder/],
    ['T-14 laid', /How many eggs/],
    ['T-14 follicles', /How large/],
    ['T-16 follicles 12', /no open pair/],
    ['T-16 probed', /How many scales/],
    ['C-1 probed 9', /not an animal/],
    ['T-15 laid 5', /male and does not lay/],
    ['T-16 lock', /no open pair/],
    ['F-1 50 g', /not an animal/],
    ['C-1 shed', /cannot be said/],
    ['T-14 sings', /not understood/],
  ])('asks about “%s”', (line, question) => {
    const answer = read(line)
    expect(answer?.ok).toBe(false)
    expect(answer && !answer.ok && answer.ask).toMatch(question)
  })

  it('says nothing to an empty line', () => {
    expect(read('   ')).toBeNull()
  })
})
