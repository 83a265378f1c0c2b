import { describe, expect, it } from 'vitest'
import { z } from 'zod'
import { dated } from '../../tests/fixtures/records'
import samples from '../../tests/fixtures/entrySamples.json'
import { shippedAlmanac } from '../almanac'
import { registry } from '../subjects'
import { subjects } from '../subjects/list'
import {
  Draft,
  FoldMemory,
  LogbookError,
  checkWith,
  defineKind,
  defineSubject,
  describeEntry,
  foldWith,
  lifted,
  of,
  readLineWith,
  recordsFrom,
  registryOf,
  rule,
  seen,
  versionOf,
  type DatedEntry,
  type Observed,
} from '.'

/** A sort of subject that no breeding house has: added by what stands here, and by one line in a list. */
interface Bell {
  id: string
  tag: string
  strokes: number
  last: Observed | null
}
declare module './house' {
  interface StateOf {
    bell: Bell
  }
  interface House {
    bells: Record<string, Bell>
  }
}
const bell = defineSubject({
  type: 'bell',
  collection: 'bells',
  noun: { one: 'bell', many: 'bells' },
  kinds: [
    defineKind({
      kind: 'bellHung',
      subject: 'bell',
      verb: 'Hang bell',
      founds: 'bell',
      data: z.strictObject({ tag: z.string() }),
      apply() {},
      wording: d => `${d.tag} hung`,
    }),
    defineKind({
      kind: 'bellRung',
      subject: 'bell',
      verb: 'Ring bell',
      // the first version counted peals of eight; the second said whether it was loud
      lifts: [
        ({ peals }) => ({ strokes: 8 * (peals as number), loud: true }),
        ({ strokes, loud }) => ({ strokes, how: loud ? 'loud' : 'soft' }),
      ],
      data: z.strictObject({ strokes: z.number().int().min(1), how: z.enum(['loud', 'soft']).default('loud') }),
      apply(state, { strokes }, entry) {
        if (strokes > 99) throw new LogbookError('No bell is rung a hundred times')
        state.strokes += strokes
        state.last = seen(entry)
      },
      check: (state, d) =>
        d.how === 'soft' && !state.last ? { path: 'data.how', message: `${state.tag} is rung loud first` } : null,
      wording: d => `Rung ${d.strokes}, ${d.how}`,
    }),
  ],
  found: ({ id, data }) => ({ id, tag: (data as { tag: string }).tag, strokes: 0, last: null }),
  tagOf: state => state.tag,
  inLogLine: true,
  lines: [rule('rang (\\d+)', (r, m) => of(r, 'bell', 'bellRung', { strokes: Number(m[1]) }, `rang ${m[1]}`))],
})

const today = 20_000
const known = registryOf([...subjects, bell])
const modeOf = (id: string) => shippedAlmanac.species[id]?.mode ?? null
const subject = { type: 'bell', id: 'b' }
const hung = dated(today - 9, { id: 'b', kind: 'bellHung', subject, data: { tag: 'B-1' } })
const rung = (id: string, data: Record<string, unknown>, more: Partial<DatedEntry> = {}): DatedEntry => ({
  ...dated(today - 2, { id, kind: 'bellRung', subject, data }),
  v: 3,
  ...more,
})
const fold = (log: DatedEntry[]) => foldWith(known, recordsFrom(log), modeOf)
const problems = (log: DatedEntry[], entry: DatedEntry) => {
  const records = recordsFrom(log)
  const house = foldWith(known, records, modeOf)
  return checkWith(known, entry, { records, house, almanac: shippedAlmanac, today }).map(p => `${p.path}: ${p.message}`)
}

describe('a new sort of subject is added by its own folder and one line in a list', () => {
  it('is folded, with its entries in order of time', () => {
    const house = fold([rung('2', { strokes: 3, how: 'soft' }), hung])
    expect(house.bells).toEqual({ b: { id: 'b', tag: 'B-1', strokes: 3, last: { day: today - 2, entryId: '2' } } })
    expect(house.animals).toEqual({})
  })

  it('is checked: its tag is its own, it must be there, and what it forbids is told', () => {
    const again = { ...hung, id: 'c', subject: { type: 'bell', id: 'c' } }
    expect(problems([hung], again)).toEqual(['data.tag: The tag B-1 is already in use'])
    const lamp = dated(today, {
      id: 'l',
      kind: 'lampFitted',
      subject: { type: 'lamp', id: 'l' },
      data: { tag: 'b-1', lamp: 'Tube', lifeDays: 300 },
    })
    expect(problems([hung], lamp)).toEqual(['data.tag: The tag b-1 is already in use'])
    expect(problems([], rung('1', { strokes: 1 }))).toEqual(['subject.id: This is not among the bells of the house'])
    expect(problems([hung], rung('1', { strokes: 1, how: 'soft' }))).toEqual(['data.how: B-1 is rung loud first'])
    expect(problems([hung], rung('1', { strokes: 1 }, { subject: { type: 'lamp', id: 'b' } }))).toEqual([
      'subject.type: “Ring bell” is said of bells, not of lamps',
    ])
    expect(problems([hung], rung('1', { strokes: 2 }))).toEqual([])
  })

  it('is read in a line of the log, told in a timeline, and taken back in order', () => {
    const line = readLineWith(known, 'b1 rang 4', fold([hung]), shippedAlmanac, 'g', 'C-1')
    expect(line).toMatchObject({ ok: true, kind: 'bellRung', subject, data: { strokes: 4 }, says: 'B-1 rang 4' })
    expect(describeEntry(known, rung('1', { strokes: 4 }), { tempUnit: '°C' })).toBe('Rung 4, loud')
    const undo = dated(today, { id: 'v', kind: 'void', subject: { type: 'entry', id: 'b' }, data: {} })
    expect(problems([hung, rung('1', { strokes: 4 })], undo)).toEqual([
      'subject.id: 1 later entry stands on this one; take those back first',
    ])
    expect(fold([hung, undo]).bells).toEqual({})
  })

  it('two kinds, or two sorts, of one name are told as the program starts', () => {
    expect(() => registryOf([bell, bell])).toThrow(LogbookError)
    expect(() => registryOf([bell, { ...bell, type: 'lamp' }])).toThrow(/Two kinds of entry are called “bellHung”/)
  })
})

describe('kinds carry a version', () => {
  it('older ones are lifted step by step, wherever they are read', () => {
    const first = rung('1', { peals: 2 }, { v: 1 })
    const second = rung('2', { strokes: 5, loud: false }, { v: 2 })
    expect(lifted(known, first)).toMatchObject({ v: 3, data: { strokes: 16, how: 'loud' } })
    expect(lifted(known, second)).toMatchObject({ v: 3, data: { strokes: 5, how: 'soft' } })
    expect(fold([hung, first, second]).bells.b!.strokes).toBe(21)
    expect(describeEntry(known, second, { tempUnit: '°C' })).toBe('Rung 5, soft')
    expect(problems([hung], first)).toEqual([])
  })

  it('a newer version, kind or sort of subject is kept, shown as such, and stops nothing', () => {
    const newer = rung('1', { tune: 'x' }, { v: 4 })
    const other = dated(today, { id: 'm', kind: 'moonSeen', subject: { type: 'moon', id: 'm' }, data: {} })
    const house = fold([hung, newer, other, rung('2', { strokes: 1 })])
    expect(house.bells.b!.strokes).toBe(1)
    expect(house.newer.map(n => n.entryId).sort()).toEqual(['1', 'm'])
    expect(describeEntry(known, newer, { tempUnit: '°C' })).toMatch(/^Written by a newer Mantel/)
    // but it is not taken in from a form, where nobody could check it
    expect(problems([hung], newer)).toEqual(['v: This is version 4 of “bellRung”; up to 3 is known'])
    expect(problems([hung], other)).toEqual(['kind: There is no kind of entry called “moonSeen”'])
  })

  it('one that cannot be read is left out and told in its words; the others stand', () => {
    const house = fold([hung, rung('1', { strokes: 100 }), rung('2', { strokes: 2 })])
    expect(house.bells.b!.strokes).toBe(2)
    expect(house.unread).toMatchObject([{ entryId: '1', told: true, message: 'No bell is rung a hundred times' }])
  })

  it('of every kind and version that was ever written a stored sample is read', () => {
    const wanted = [...registry.kinds.values()].flatMap(k =>
      Array.from({ length: versionOf(k) }, (_, i) => `${k.kind} ${i + 1}`),
    )
    expect(samples.map(s => `${s.kind} ${s.v}`).sort()).toEqual(wanted.sort())
    for (const { kind, v, data } of samples) {
      const entry = lifted(registry, { ...dated(today, { id: 'x', kind, subject, data }), v })
      expect(registry.kinds.get(kind)!.data.safeParse(entry.data).error, `${kind} ${v}`).toBeUndefined()
    }
  })
})

describe('a draft', () => {
  it('is the house of its entries after each of them, and changes nothing that was passed in', () => {
    const start = recordsFrom([hung])
    const house = foldWith(known, start, modeOf)
    const told = JSON.stringify(house)
    const draft = new Draft(known, start, house, modeOf, new FoldMemory())
    const undo = dated(today, { id: 'v', kind: 'void', subject: { type: 'entry', id: '1' }, data: {} })
    for (const entry of [
      rung('1', { strokes: 2 }),
      rung('2', { strokes: 100 }),
      rung('3', { peals: 1 }, { v: 1 }),
      undo,
    ]) {
      draft.add(entry)
      expect(draft.house, entry.id).toEqual(foldWith(known, draft.records, modeOf))
    }
    expect(draft.house.bells.b!.strokes).toBe(8)
    expect([draft.tagOwner('B-1'), draft.tagOwner('B-2'), draft.find('3')?.id]).toEqual([subject, null, '3'])
    expect(JSON.stringify(house)).toBe(told)
    expect([...start.entries.values()].flat()).toEqual([hung])
  })
})
