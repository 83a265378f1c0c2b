import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac } from '../../core/almanac'
import { defaultSettings, season } from '../../core/season'
import { winterAnswer } from './winterAnswer'

const today = 20_782
const answer = (b: HouseBuilder) =>
  winterAnswer(season(b.records(), shippedAlmanac, defaultSettings, today).season.winter, today)
const animal = (id: string) => ({ type: 'animal' as const, id })
function cold(b: HouseBuilder, id: string, ...weights: number[]): HouseBuilder {
  b.animal(id, 'california-kingsnake')
  weights.forEach((massG, i) => b.write('weighed', animal(id), -60 + i * 29, { massG }))
  b.write('cooledDown', animal(id), -60)
  return b
}

describe('the answer of the Brumation screen', () => {
  it('an empty house, and one where all is well', () => {
    expect(answer(new HouseBuilder(today))).toBe('Nothing is in the cold, and no winter is planned.')
    expect(answer(cold(new HouseBuilder(today), 'K-1', 600, 597, 594))).toBe('All 1 in the cold are as expected.')
  })

  it('names no more than one can read', () => {
    const b = new HouseBuilder(today)
    for (let i = 1; i <= 9; i++) cold(b, `K-${i}`, 600, 575, 561)
    expect(answer(b)).toMatch(/^Offer water to K-1, K-2, K-3, K-4, K-5, K-6 and 3 more\./)
  })

  it('names those in trouble first, then who wakes and who is next', () => {
    const b = cold(
      cold(cold(new HouseBuilder(today), 'K-1', 600, 570, 535), 'K-2', 600, 580, 562),
      'K-3',
      600,
      598,
      596,
    )
    b.winter('W-1', 'california-kingsnake', -60, ['K-1', 'K-2', 'K-3'], { ways: { holdDays: 62 } })
    b.animal('R-1', 'rosy-boa').write('weighed', animal('R-1'), -2, { massG: 300 })
    b.animal('R-2', 'rosy-boa')
    b.winter('W-2', 'rosy-boa', 4, ['R-1', 'R-2'])
    expect(answer(b)).toBe(
      'Take out K-1 now. Offer water to K-2. W-1 wakes by Fri 27 Nov. Next: W-2, 2 from Sun 29 Nov; R-2 not fit yet.',
    )
  })
})
