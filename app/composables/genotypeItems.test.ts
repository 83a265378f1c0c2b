import { describe, expect, it } from 'vitest'
import { LocusData } from '#core/genetics'
import { genotypeItems, tellBelief } from './genotypeItems'

const allele = (sign: string, look: string) => ({ sign, mode: 'recessive', look })
const ash = LocusData.parse({ name: 'Ash', speciesId: 'x', alleles: [allele('a', 'ash')] })
const cobalt = LocusData.parse({ name: 'Cobalt', speciesId: 'x', linkage: 'Z', alleles: [allele('k', 'cobalt')] })

describe('genotypes to choose from', () => {
  it('shows each with its look; a sex that has one copy gets one', () => {
    expect(genotypeItems(ash, 'unknown').map(i => i.label)).toEqual(['+/+ wild look', '+/a wild look', 'a/a ash'])
    expect(genotypeItems(cobalt, 'female').map(i => [i.value, i.signs])).toEqual([
      ['+/–', ['+']],
      ['k/–', ['k']],
    ])
    expect(genotypeItems(cobalt, 'male')).toHaveLength(3)
    expect(genotypeItems(cobalt, 'unknown')).toHaveLength(5)
  })
})

describe('a belief in words', () => {
  it.each<[number[], string]>([
    [[0, 0, 1], 'a/a'],
    [[0.34, 0.66, 0], '+/a 66 %, +/+ 34 %'],
    [[0.985, 0.015, 0], '+/+ 99 %'],
    [[0.003, 0.997, 0], '+/a over 99 %'],
  ])('%j: %s', (belief, text) => {
    expect(tellBelief(ash, belief)).toBe(text)
  })
})
