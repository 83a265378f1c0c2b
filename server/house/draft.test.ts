import { v7 } from 'uuid'
import { expect, it } from 'vitest'
import {
  Entry,
  FoldMemory,
  checkEntry,
  completeEntry,
  draftOf,
  foldHouse,
  type DatedEntry,
  type Draft,
} from '#core/subjects'
import { DEMO_DAY, onDemoHouse } from '../../tests/fixtures/demoKeeper'
import { Fuzz, randomFrom } from '../../tests/fixtures/fuzz'

const house = onDemoHouse()

it('a batch over all animals costs the fold of each, parents proven by their young too, and stands as folded anew', () => {
  const draft = house().session.draft()
  const living = Object.values(house().house.animals).filter(a => a.status === 'alive')
  const proven = living.filter(a => a.sexEvidence.some(e => e.by === 'proof' && e.entryId in house().house.clutches))
  expect(proven.length).toBeGreaterThan(3)
  const weighed = (id: string, second: number): DatedEntry => ({
    id: v7(),
    at: `2026-11-25T10:00:${String(second % 60).padStart(2, '0')}.000Z`,
    day: DEMO_DAY,
    subject: { type: 'animal', id },
    kind: 'weighed',
    data: { massG: 100 + second, sure: true },
    source: 'keeper',
  })
  draft.add(weighed(living[0]!.id, 0))
  const before = draft.house
  for (const [i, { id }] of [...living, ...proven].entries()) draft.add(weighed(id, i + 1))
  // the house was added to, and never made anew
  expect(draft.house).toBe(before)
  expect(draft.house.animals).toEqual(foldHouse(draft.records).animals)
})

it('an entry is judged in a batch as it is when all before it are written, whatever it is of', () => {
  const { session } = house()
  const fuzz = new Fuzz(randomFrom(7), DEMO_DAY, v7)
  const [draft, memory, known] = [session.draft(), new FoldMemory(), [] as string[]]
  const judged = (entry: DatedEntry, of: Draft): string[] => {
    const current = of.houseFor(entry.subject)
    const completed = completeEntry(current, entry)
    if ('message' in completed) return [completed.message]
    const context = { records: of.records, house: current, almanac: session.almanac, today: DEMO_DAY }
    const found = checkEntry(completed, {
      ...context,
      tagOwner: tag => of.tagOwner(tag),
      find: id => of.find(id),
      standing: () => of.standing(),
    })
    return found.map(p => p.message)
  }
  let [refused, tried] = [0, 0]
  const judge = (entry: DatedEntry) => {
    const written = draftOf(draft.records, foldHouse(draft.records, memory), memory)
    const messages = judged(entry, draft)
    expect(messages, `${entry.kind} ${JSON.stringify(entry.data)}`).toEqual(judged(entry, written))
    tried++
    if (messages.length) return void refused++
    draft.add(completeEntry(draft.house, entry) as DatedEntry)
    known.push(entry.id)
  }
  const prey = Object.keys(draft.house.stocks)
  const living = Object.values(draft.house.animals).flatMap(a => (a.status === 'alive' ? [a.id] : []))
  for (let n = 0; n < 350; n++) {
    const parsed = Entry.safeParse(JSON.parse(JSON.stringify(fuzz.entry(draft.house, known))))
    if (parsed.success && parsed.data.at < '2027')
      judge({
        ...parsed.data,
        at: new Date(parsed.data.at).toISOString(),
        day: Math.floor(Date.parse(parsed.data.at) / 864e5),
      })
    if (n % 5) continue
    // what is given, counted and thrown away of one stock hangs together
    const [stock, animal] = [fuzz.pick(prey), fuzz.pick(living)]
    const says = (type: 'prey' | 'animal', id: string, kind: string, data: DatedEntry['data']) => {
      const at = `2026-11-25T1${n % 10}:${String(tried % 60).padStart(2, '0')}:00.000Z`
      judge({ id: v7(), at, day: DEMO_DAY, subject: { type, id }, kind, data, source: 'keeper' })
    }
    says('prey', stock, 'preyCounted', { count: fuzz.int(1, 60) })
    says('animal', animal, 'fed', { prey: stock, offered: 7, taken: 7, sure: true })
    for (let i = 0; i < 2; i++) says('prey', stock, 'preyDiscarded', { count: fuzz.int(1, 60) })
  }
  expect(tried).toBeGreaterThan(150)
  expect(refused).toBeGreaterThan(tried / 10)
  expect(refused).toBeLessThan(tried * 0.9)
}, 60_000)

it('many taken back in one go are judged as those taken back one by one, and the house is as without them', () => {
  const { session } = house()
  const memory = new FoldMemory()
  const draft = session.draft()
  const at = '2026-11-25T10:00:00.000Z'
  const random = randomFrom(5)
  // what others name and what names nothing, in any order: young before their dam, places before who lives there
  const founding = [...draft.records.entries.values()].flat().filter(e => e.id === e.subject.id)
  const targets = founding.map(entry => ({ entry, rank: random() })).sort((a, b) => a.rank - b.rank)
  const context = { house: draft.house, almanac: session.almanac, today: DEMO_DAY }
  let refused = 0
  for (const { entry } of targets.slice(0, 160)) {
    const taking: DatedEntry = {
      id: v7(),
      at,
      day: DEMO_DAY,
      subject: { type: 'entry', id: entry.id },
      kind: 'void',
      data: {},
      source: 'keeper',
    }
    const said = checkEntry(taking, { ...context, records: draft.records, standing: () => draft.standing() })
    // told without anything remembered
    const anew = checkEntry(taking, { ...context, records: draft.records })
    const counted = (problems: typeof said) => problems.map(p => p.message.replace(/^.*?( and \d+ more)? name/, 'name'))
    expect(counted(said), entry.kind).toEqual(counted(anew))
    if (said.length) refused++
    else draft.add(taking)
  }
  expect(refused).toBeGreaterThan(20)
  expect(refused).toBeLessThan(140)
  expect(draft.house).toEqual(foldHouse(draft.records, memory))
})
