import { describe, expect, it } from 'vitest'
import { z } from 'zod'
import { lineOfText, reference, referencesIn } from './reference'

describe('references in a value', () => {
  const schema = z
    .strictObject({
      damId: reference('animal', 'No such dam'),
      placeId: reference('place').nullable().default(null),
      name: z.string().optional(),
      sires: z.array(z.strictObject({ id: reference('animal'), chance: z.number() })).default([]),
    })
    .refine(() => true)

  it('are found with their paths, through lists, defaults and null', () => {
    expect(
      referencesIn(
        schema,
        {
          damId: 'a',
          placeId: null,
          name: 'x',
          sires: [
            { id: 'b', chance: 1 },
            { id: 'c', chance: 0 },
          ],
        },
        ['data'],
      ),
    ).toEqual([
      { to: 'animal', id: 'a', path: ['data', 'damId'], missing: 'No such dam' },
      { to: 'animal', id: 'b', path: ['data', 'sires', 0, 'id'], missing: 'There is no such animal' },
      { to: 'animal', id: 'c', path: ['data', 'sires', 1, 'id'], missing: 'There is no such animal' },
    ])
    expect(referencesIn(schema, { damId: 'a', placeId: 'tub', sires: [] }).map(r => r.to)).toEqual(['animal', 'place'])
  })
})

describe('a text of one line', () => {
  it.each(['Moss\r\nEND:VEVENT', 'a\tb', 'nul\u0000', 'bell\u0007'])('refuses control characters: %j', text => {
    expect(lineOfText(60, 'A name is needed').safeParse(text).error!.issues[0]!.message).toMatch(
      /Line breaks and control characters/,
    )
  })

  it('takes any script, and is trimmed', () => {
    expect(lineOfText(60, 'A name is needed').parse('  Grüner Wächter 🐍 ')).toBe('Grüner Wächter 🐍')
    expect(lineOfText(60, 'A name is needed').safeParse('  ').error!.issues[0]!.message).toBe('A name is needed')
    expect(lineOfText(60).parse('')).toBe('')
  })
})
