import { describe, expect, it } from 'vitest'
import { numberHeld, withPoint } from './numberHeld'

describe('a number field that cannot hold what was typed', () => {
  it('says what stands instead, and why', () => {
    expect(numberHeld('400', { min: 1, max: 40 }, '40')).toBe('At most 40 here: 40 stands, not 400')
    expect(numberHeld('0', { min: 1, max: 40 }, '1')).toBe('At least 1 here: 1 stands, not 0')
    expect(numberHeld('-7', { min: -5, max: 120 }, '−5')).toBe('At least -5 here: -5 stands, not -7')
    expect(numberHeld('12.3', { min: 0, max: 24 }, '12.5')).toBe('Rounded here: 12.5 stands, not 12.3')
    expect(numberHeld('4000', { max: 3000 }, '3,000')).toBe('At most 3,000 here: 3,000 stands, not 4,000')
  })

  it('is silent where it holds what was typed, however it shows it, and of what is no number', () => {
    expect(numberHeld('2500', { max: 3000 }, '2,500')).toBeNull()
    expect(numberHeld('1,200', {}, '1200')).toBeNull()
    expect(numberHeld('', { min: 1 }, '1')).toBeNull()
    expect(numberHeld('many', { min: 1 }, '')).toBeNull()
    expect(numberHeld('5', { min: 1 }, '')).toBeNull()
  })
})

describe('a comma in a number field', () => {
  it('is a decimal one, as in the other fields of the house', () => {
    const decimal = ['2,5', '0,5', ',5', '-3,25', '28,15', '0,125', '12,3456']
    expect(decimal.map(withPoint)).toEqual(['2.5', '0.5', '.5', '-3.25', '28.15', '0.125', '12.3456'])
    expect(numberHeld('2,5', { min: 0 }, '2.5')).toBeNull()
    expect(numberHeld('2,5', { min: 0 }, '3')).toBe('Rounded here: 3 stands, not 2.5')
  })

  it('parts thousands where the field itself would show it so; nothing else is touched', () => {
    const left = ['9,999', '-1,200', '120,000', '1,234,567', '2500', '2.5', '', '5,', 'many, or 5']
    expect(left.map(withPoint)).toEqual(left)
  })
})
