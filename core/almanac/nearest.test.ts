import { describe, expect, it } from 'vitest'
import { nearestSpecies, shippedAlmanac as almanac, type ShortForm } from '.'

describe('the nearest of a group by what is known', () => {
  it.each<[string, ShortForm, string]>([
    // a small egg-laying colubrid that is cooled is nearest to a milk snake, a heavy live-bearing boid to the boa
    [
      'a 400 g snake with eggs',
      { group: 'snake', mode: 'egg', eats: 'rodents', winter: 'brumation', adultG: 440 },
      'milk-snake',
    ],
    [
      'a 6 kg live-bearing snake',
      { group: 'snake', mode: 'live', eats: 'rodents', winter: 'dormancy', adultG: 6000 },
      'boa-constrictor',
    ],
    [
      'a 2 g gecko without a winter',
      { group: 'lizard', mode: 'egg', eats: 'insects', winter: 'none', adultG: 2 },
      'mourning-gecko',
    ],
    [
      'a live-bearing chameleon',
      { group: 'lizard', mode: 'live', eats: 'insects', winter: 'none', adultG: 80 },
      'jacksons-chameleon',
    ],
    [
      'a 40 kg tortoise',
      { group: 'tortoise', mode: 'egg', eats: 'plants', winter: 'none', adultG: 40_000 },
      'african-spurred-tortoise',
    ],
  ])('%s', (_, known, id) => {
    expect(nearestSpecies(almanac, known)?.id).toBe(id)
  })

  it('bears its young alike whatever it weighs, and is null where there is none', () => {
    const heavy = nearestSpecies(almanac, { group: 'frog', mode: 'live', eats: 'insects', winter: 'none', adultG: 500 })
    expect(heavy?.mode).toBe('live')
    expect(
      nearestSpecies({ species: {} }, { group: 'frog', mode: 'live', eats: 'insects', winter: 'none', adultG: 5 }),
    ).toBeNull()
  })
})
