import { describe, expect, it } from 'vitest'
import { dayProblem } from './dayProblem'

describe('a day that is to be written', () => {
  it.each<[number | null, Parameters<typeof dayProblem>[1], RegExp | undefined]>([
    [100, { max: 100 }, undefined],
    [101, { max: 100 }, /still to come/],
    [99, { min: 100 }, /past/],
    [null, {}, /Write a day/],
    [null, { optional: true }, undefined],
    [5, {}, undefined],
  ])('%s within %o', (day, limits, said) => {
    const problem = dayProblem(day, limits)
    if (said) expect(problem).toMatch(said)
    else expect(problem).toBeUndefined()
  })
})
