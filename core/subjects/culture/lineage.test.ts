import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shippedAlmanac as almanac } from '../../almanac'
import { checkEntry, foldHouse, foundedFrom, strainOf, type CultureState } from '..'

const today = 20_000
function start(b: HouseBuilder, id: string, day: number, data: object = {}, feederId = 'fly.small'): HouseBuilder {
  b.write('cultureStarted', { type: 'culture', id }, day, { tag: id, feederId, placeId: null, ...data }, id)
  return b
}
const problem = (b: HouseBuilder, data: object) => {
  const records = b.records()
  return checkEntry(
    {
      ...{ id: 'n', at: new Date(today * 86_400_000).toISOString(), day: today, source: 'keeper' as const },
      ...{ kind: 'cultureStarted', subject: { type: 'culture' as const, id: 'n' } },
      data: { tag: 'N', feederId: 'fly.small', ...data },
    },
    { records, house: foldHouse(records), almanac, today },
  )[0]
}

describe('what a culture was founded from', () => {
  it('is of its own kind and exists; it is never founded from itself, nor twice from one', () => {
    const b = start(start(new HouseBuilder(today), 'F-1', -20), 'BB-1', -20, {}, 'beanBeetle')
    expect(problem(b, { parentIds: ['F-1'] })).toBeUndefined()
    expect(problem(b, { parentIds: ['n'] })?.message).toBe('There is no such culture')
    expect(problem(b, { parentIds: ['F-1', 'F-1'] })?.message).toBe('A culture is named twice')
    expect(problem(b, { parentIds: ['BB-1'] })).toMatchObject({
      path: 'data.parentIds',
      message: 'BB-1 is one of bean beetles: nothing else comes of it',
    })
  })

  it('mites go with the founders, and strains are not mixed unawares: both are asked about', () => {
    const b = start(start(new HouseBuilder(today), 'F-1', -20, { strain: 'wingless' }), 'F-2', -20, { strain: 'curly' })
    b.write('cultureFound', { type: 'culture', id: 'F-2' }, -2, { what: 'mites' })
    expect(problem(b, { parentIds: ['F-2'] })).toMatchObject({
      path: 'data.sure',
      message: expect.stringMatching(/F-2 carries mites/),
    })
    expect(problem(b, { parentIds: ['F-2'], sure: true })).toBeUndefined()
    expect(problem(b, { parentIds: ['F-1'], strain: 'curly' })?.message).toBe(
      'That mixes curly with wingless. Start it all the same?',
    )
    expect(problem(b, { parentIds: ['F-1'], strain: 'wingless' })).toBeUndefined()
  })

  it('hands its strain down until another is said', () => {
    const b = start(new HouseBuilder(today), 'F-1', -60, { strain: 'wingless' })
    start(b, 'F-2', -40, { parentIds: ['F-1'] })
    start(b, 'F-3', -20, { parentIds: ['F-2'] })
    start(b, 'F-4', -10, { parentIds: ['F-3'], strain: 'curly' })
    start(b, 'F-5', -5)
    const { cultures } = foldHouse(b.records())
    expect(Object.values(cultures).map(c => strainOf(c, cultures))).toEqual([
      'wingless',
      'wingless',
      'wingless',
      'curly',
      null,
    ])
    expect(foundedFrom({ id: 'F-2' }, cultures).map(c => c.id)).toEqual(['F-3', 'F-4'])
    expect(foundedFrom({ id: 'F-5' }, cultures)).toEqual([])
  })

  it('is corrected: not by itself, its young, one of its age, or another kind; what was ordered has no parents', () => {
    const b = start(start(new HouseBuilder(today), 'F-1', -60, { strain: 'wingless' }), 'F-2', -40, {
      parentIds: ['F-1'],
    })
    start(b, 'F-3', -20, { parentIds: ['F-2'], strain: 'curly' })
    start(b, 'F-4', -20, { bought: true })
    start(b, 'BB-1', -60, {}, 'beanBeetle')
    const correct = (id: string, data: Record<string, unknown>) => {
      const records = b.records()
      return checkEntry(
        {
          ...{ id: 'n', at: new Date(today * 86_400_000).toISOString(), day: today, source: 'keeper' as const },
          ...{ kind: 'cultureCorrected', subject: { type: 'culture' as const, id }, data },
        },
        { records, house: foldHouse(records), almanac, today },
      )[0]?.message
    }
    expect(correct('F-2', { parentIds: ['F-2'] })).toBe('F-2 was not founded from itself')
    expect(correct('F-2', { parentIds: ['F-3'] })).toBe('F-3 was started no earlier than F-2')
    expect(correct('F-3', { parentIds: ['F-4'] })).toBe('F-4 was started no earlier than F-3')
    expect(correct('F-2', { parentIds: ['BB-1'] })).toBe('BB-1 is of another kind: F-2 did not come of it')
    expect(correct('F-4', { parentIds: ['F-1'] })).toMatch(/was ordered/)
    expect(correct('F-3', { tag: 'F-1' })).toBe('The tag F-1 is already in use')
    expect(correct('F-3', {})).toBe('Nothing is corrected by this')
    expect(correct('F-3', { parentIds: ['F-1'], strain: null })).toBeUndefined()
    b.write('cultureCorrected', { type: 'culture', id: 'F-3' }, 0, { parentIds: ['F-1'], strain: null })
    const { cultures } = foldHouse(b.records())
    expect(cultures['F-3']!.parentIds).toEqual(['F-1'])
    // its own strain taken back, it is that of what it came of
    expect(strainOf(cultures['F-3']!, cultures)).toBe('wingless')
    b.write('cultureCorrected', { type: 'culture', id: 'F-3' }, 0, { parentIds: [] }, 'z-again')
    expect(foldHouse(b.records()).cultures['F-3']!.parentIds).toBeUndefined()
  })

  it('ends, whatever is said to come from what', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.integer({ min: 0, max: 7 }), { maxLength: 3 }), { minLength: 8, maxLength: 8 }),
        links => {
          const cultures = Object.fromEntries(
            links.map((to, i) => [
              `${i}`,
              { id: `${i}`, startDay: i, parentIds: to.map(String) } as unknown as CultureState,
            ]),
          )
          for (const c of Object.values(cultures)) {
            expect(strainOf(c, cultures)).toBeNull()
            const below = foundedFrom(c, cultures).map(x => x.id)
            // a child of one that is below it is below it too
            for (const other of Object.values(cultures))
              if (other.id !== c.id && other.parentIds!.some(p => below.includes(p))) expect(below).toContain(other.id)
          }
        },
      ),
    )
  })
})
