import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { shippedAlmanac as almanac } from '../../almanac'
import { readAmount, readPriceList } from '..'

const row = (feeder: string, pieces: string, price: string) => ({ Feeder: feeder, Pieces: pieces, Price: price })

describe('a price list', () => {
  it('is read line by line, by any name of a feeder, however the numbers are written', () => {
    const { offers, problems } = readPriceList(
      [
        row('Cricket, half-inch', '1,000', '€ 24.00'),
        row('pinhead crickets', '500', '9,50'),
        row('adult mouse', '25', '24'),
      ],
      almanac,
    )
    expect(problems).toEqual([])
    expect(offers).toEqual([
      { prey: 'cricket.half', pieces: 1000, price: 24 },
      { prey: 'cricket.pinhead', pieces: 500, price: 9.5 },
      { prey: 'mouse.adult', pieces: 25, price: 24 },
    ])
  })

  it('with a bad line is not taken at all, and each bad line is named', () => {
    const { offers, problems } = readPriceList(
      [
        row('Cricket, half-inch', '250', '7.90'),
        row('unicorn', '10', '5'),
        row('adult mouse', 'a bag', '24'),
        row('adult mouse', '25', '3 kg'),
        row('adult mouse', '2.5', '24'),
        row('adult mouse', '0', '24'),
        row('Cricket, half-inch', '250', '8'),
        row('', '10', '5'),
      ],
      almanac,
    )
    expect(offers).toEqual([])
    expect(problems.map(p => [p.line, p.message])).toEqual([
      [3, 'No feeder is called “unicorn”, or several are'],
      [4, 'How many in a pack? “a bag” is no number'],
      [5, 'What does it cost? “3 kg” is no sum'],
      [6, 'The number in a pack must be a whole number'],
      [7, 'A pack holds one at least'],
      [8, 'Cricket, half-inch by 250 stands twice'],
      [9, 'No feeder is named'],
    ])
  })

  it.each([
    ['12.50', 12.5],
    ['12,50', 12.5],
    ['1,250', 1250],
    ['1.250,75', 1250.75],
    ['1,250.75', 1250.75],
    ['€12', 12],
    ['12 EUR', 12],
    ['-3', null],
    ['12g', null],
    ['', null],
    ['1e3', null],
  ])('reads %s as %s', (text, value) => {
    expect(readAmount(text)).toBe(value)
  })

  it('never throws, whatever stands in its cells', () => {
    fc.assert(
      fc.property(
        fc.array(fc.dictionary(fc.constantFrom('Feeder', 'price', 'PACK', '__proto__', 'x'), fc.string()), {
          maxLength: 6,
        }),
        rows => {
          const { offers, problems } = readPriceList(rows, almanac)
          expect(offers.length === 0 || problems.length === 0).toBe(true)
        },
      ),
    )
  })
})
