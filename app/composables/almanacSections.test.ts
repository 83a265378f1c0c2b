import { describe, expect, it } from 'vitest'
import { shippedAlmanac } from '#core/almanac'
import { commonSections, speciesSections } from './almanacSections'

describe('numbers for every species', () => {
  it('stand each in one section under a name of its own, but those of sexing, which stand with the species', () => {
    const rows = commonSections(shippedAlmanac).flatMap(([, list]) => list)
    const paths = rows.flatMap(r => r.numbers.map(n => n.path))
    const all = Object.keys(shippedAlmanac.common).map(key => `common.${key}.value`)
    const ofSexing = ['common.sexSlip.value', 'common.sexStated.value']
    expect([...paths, ...ofSexing].sort()).toEqual(all.sort())
    expect(new Set(rows.map(r => r.label)).size).toBe(rows.length)
    expect(rows.filter(r => !r.label.trim())).toEqual([])
  })

  it('are not repeated on the sheet of each species', () => {
    const sheet = speciesSections(shippedAlmanac.species['california-kingsnake']!, shippedAlmanac)
    const common = sheet.flatMap(([, rows]) => rows).filter(r => r.numbers.some(n => n.path.startsWith('common.')))
    expect(common.map(r => r.numbers[0]!.path)).toEqual(['common.sexSlip.value', 'common.sexStated.value'])
  })
})
