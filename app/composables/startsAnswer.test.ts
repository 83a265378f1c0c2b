import { describe, expect, it } from 'vitest'
import { dayFromIso } from '#core/units'
import { startsAnswer } from './startsAnswer'

const today = dayFromIso('2026-11-25')
const task = (what: string, days: number) => ({ what, due: today + days })

describe('what is to be started, in a sentence', () => {
  it('says each verb once, today by its name, and how many more there are', () => {
    const tasks = [
      task('Order 2 cups of small flies about to yield', 0),
      task('Order 1 tub of 500 crickets', 0),
      task('Start 4 cups of large flies', 4),
      task('Start 1 cup of small flies', 4),
    ]
    expect(startsAnswer(tasks, today)).toBe(
      'Today: order 2 cups of small flies about to yield, 1 tub of 500 crickets, start 4 cups of large flies, and 1 more.',
    )
    expect(startsAnswer(tasks.slice(2), today)).toBe(
      'By Sun 29 Nov: start 4 cups of large flies, 1 cup of small flies.',
    )
    expect(startsAnswer([], today)).toBeNull()
  })
})
