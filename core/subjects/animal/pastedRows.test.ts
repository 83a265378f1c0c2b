import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { shippedAlmanac as almanac } from '../../almanac'
import { readPastedRows } from '.'

const read = (text: string) => readPastedRows(text, almanac)

describe('lines as keepers have them in lists', () => {
  it.each([
    [
      'K-1, Corn snake, female, 2022-05-01',
      { tag: 'K-1', speciesId: 'corn-snake', sex: 'female', born: '2022-05-01', left: '' },
    ],
    ['K-1 corn snake f 2022', { tag: 'K-1', speciesId: 'corn-snake', sex: 'female', born: '2022-07-01', left: '' }],
    ['K-1;Pantherophis guttatus;m;01.05.2022', { speciesId: 'corn-snake', sex: 'male', born: '2022-05-01' }],
    ['G7\tleopard gecko\t0.1\t2023-04', { tag: 'G7', speciesId: 'leopard-gecko', sex: 'female', born: '2023-04-15' }],
    ['T1 hermanns tortoise ?', { speciesId: 'hermanns-tortoise', sex: 'unknown', born: null }],
    ['T1 Hermann’s tortoise', { speciesId: 'hermanns-tortoise' }],
    ['"A 1","Boa","male"', { tag: 'A 1', speciesId: 'boa-constrictor', sex: 'male' }],
    ['B-2 hognose', { speciesId: 'western-hognose', left: '' }],
  ])('%s', (line, row) => {
    expect(read(line)).toEqual([expect.objectContaining(row)])
  })

  it('leaves headings and empty lines out', () => {
    expect(read('tag,species,sex,born\n\nK-1,milk snake,f,\n').map(r => r.tag)).toEqual(['K-1'])
  })

  it('guesses nothing: what is not understood is told, what fits several is left open', () => {
    expect(read('K-1, Rosy bear, f')[0]).toMatchObject({ speciesId: null, left: 'Rosy bear' })
    expect(read('K-1 dart frog')[0]).toMatchObject({ speciesId: null, left: 'dart frog' })
    // a 30th of February is no day, and is not brought into the next month
    expect(read('K-1, corn snake, 2022-02-30')[0]).toMatchObject({ born: null, left: '2022-02-30' })
  })

  it('reads any text without failing, one row a line at most, and loses no word', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), text => {
        const rows = read(text)
        expect(rows.length).toBeLessThanOrEqual(text.split(/\r?\n/).length)
        for (const r of rows) expect(r.tag).not.toBe('')
      }),
    )
  })
})
