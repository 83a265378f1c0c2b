import { describe, expect, it } from 'vitest'
import { shipped, withOwn } from '#core/almanac'
import { withAlmanacNames } from './withAlmanacNames'

describe('a sentence of the log', () => {
  it('names feeders and species by their names, those of the house too; other words stay', () => {
    const id = '01a2236a-5ab9-74fe-b226-73687d71bda3'
    const own = {
      id,
      added: true,
      from: 'mealworm',
      name: 'Wax moth',
      one: 'moth',
      many: 'moths',
      parts: {},
      retired: false,
    }
    const { almanac } = withOwn(shipped, { species: [], feeders: [own], numbers: [] })
    expect(withAlmanacNames('Took 2 × fly.large', almanac)).toBe('Took 2 large flies')
    expect(withAlmanacNames('Refused 1 × fly.large', almanac)).toBe('Refused 1 large fly')
    expect(withAlmanacNames('Took 1 of 4 × fly.large: at once', almanac)).toBe('Took 1 of 4 large flies: at once')
    expect(withAlmanacNames('Took 2 × gone.by', almanac)).toBe('Took 2 gone.by')
    expect(withAlmanacNames(`Took 2 × ${id}`, almanac)).toBe('Took 2 moths')
    expect(withAlmanacNames('Corrected: species corn-snake, sex male', almanac)).toBe(
      'Corrected: species Corn snake, sex male',
    )
    expect(withAlmanacNames('A species gone-by', almanac)).toBe('A species gone-by')
  })
})
