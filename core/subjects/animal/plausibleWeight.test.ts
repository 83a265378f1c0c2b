import { shippedAlmanac } from '../../almanac'
import { describe, expect, it } from 'vitest'
import { HouseBuilder, dated } from '../../../tests/fixtures/records'
import { checkEntry, foldHouse } from '..'

const today = 20_000
const animal = (id: string) => ({ type: 'animal' as const, id })

function ask(massG: number, build: (b: HouseBuilder) => void, sure = false): string | null {
  const b = new HouseBuilder(today)
    .place('chest', { kind: 'cold' })
    .animal('K-1', 'corn-snake', { placeId: 'chest', sex: 'male' })
    .animal('K-2', 'corn-snake', { placeId: 'chest', sex: 'male' })
  build(b)
  const records = b.records()
  const entry = dated(today, {
    id: 'new',
    kind: 'weighed',
    subject: animal('K-1'),
    data: { massG, ...(sure && { sure }) },
  })
  const house = foldHouse(records)
  const problems = checkEntry(entry, { records, house, almanac: shippedAlmanac, today })
  return problems[0] ? `${problems[0].path}: ${problems[0].message}` : null
}
const cold = (b: HouseBuilder) => {
  b.write('weighed', animal('K-1'), -32, { massG: 500 })
  b.write('cooledDown', animal('K-1'), -30)
}

describe('an impossible weight is questioned before it is written', () => {
  it('a loss that can be, passes', () => {
    expect(ask(485, cold)).toBeNull()
    expect(ask(440, cold)).toBeNull()
  })

  it('nothing is eaten in the cold, so a gain is the tub weighed with it', () => {
    expect(ask(640, cold)).toMatch(/^data\.sure: .*Was the tub weighed/)
    expect(ask(500, cold)).toBeNull()
    // a cup of 12 g on the scale after a loss, and the same with a drink
    const lost = (b: HouseBuilder) => {
      cold(b)
      b.write('weighed', animal('K-1'), -7, { massG: 465 })
    }
    expect(ask(477, lost)).toMatch(/more than can well be/)
    expect(
      ask(477, b => {
        lost(b)
        b.write('watered', animal('K-1'), -3)
      }),
    ).toBeNull()
  })

  it.each([
    [50, /decimal point/],
    [17.6, /ounces/],
    [0.5, /kilograms/],
    [14175, /ounces/],
  ])('%d g against 500 g: a slip is named', (massG, question) => {
    expect(ask(massG, cold)).toMatch(question)
  })

  it('the animal beside it is named when the weight is its', () => {
    expect(
      ask(640, b => {
        cold(b)
        b.write('weighed', animal('K-2'), -30, { massG: 645 })
      }),
    ).toMatch(/is this K-2\?/)
  })

  it('the same weight on the same day is asked about, and so is one that does not fit a later one', () => {
    expect(
      ask(500, b => {
        b.write('weighed', animal('K-1'), 0, { massG: 500 })
      }),
    ).toMatch(/already/)
    expect(
      ask(800, b => {
        b.write('weighed', animal('K-1'), -1, { massG: 500 })
      }),
    ).toMatch(/more than can well be/)
  })

  it('one who is sure may write it, and a first weight is never questioned', () => {
    expect(ask(640, cold, true)).toBeNull()
    expect(ask(9, () => undefined)).toBeNull()
  })
})
