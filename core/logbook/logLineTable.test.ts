import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac } from '../almanac'
import { foldHouse, readLogLine, type Understood } from '.'

const b = new HouseBuilder(20_000).animal('T-14', 'california-kingsnake', { sex: 'female' }).animal('T-15', 'california-kingsnake', { sex: 'male' }).animal('T-16', 'milk-snake').animal('T-17', 'milk-snake', { sex: 'male' })
const pair = b.pair('T-14', 'T-15', -90)
b.culture('F-1', 'fly.large', -20)
const laid = b.write('laid', { type: 'pairing', id: pair }, -60, { tag: 'C-1', eggs: 9, slugs: 0 })
b.write('hatched', { type: 'clutch', id: laid }, -1, { count: 3 })
b.write('fed', { type: 'animal', id: 'T-16' }, -5, { prey: 'mouse.fuzzy', offered: 1, taken: 1 })
const house = foldHouse(b.records(), () => false)
const read = (line: string) => readLogLine(line, house, shippedAlmanac, 'g', 'C-2')

/** A line's meaning in short: kind and data, `+` between facts, `@` days ago; or `?` when it must be asked. */
function meaning(understood: Understood | null): string {
  if (!understood) return ''
  if (!understood.ok) return '?'
  const facts = [{ kind: understood.kind, data: understood.data }, ...understood.more]
  return facts.map(f => `${f.kind} ${JSON.stringify(f.data)}`).join(' + ') + (understood.daysAgo ? ` @${understood.daysAgo}` : '')
}

const w = (massG: number) => `weighed {"massG":${massG}}`
const fed = (prey: string, offered: number, taken: number) => `fed {"prey":"mouse.${prey}","offered":${offered},"taken":${taken}}`
const LAID = (eggs: number, slugs = 0) => `laid {"tag":"C-2","eggs":${eggs}${slugs ? `,"slugs":${slugs}` : ''}}`

/** Lines as keepers write them, with what they mean. */
const TABLE: [line: string, means: string][] = [
  // weights
  ['T-14 312 g', w(312)], ['T-14 312', w(312)], ['T-14: 312 g', w(312)], ['T-14 - 312 g', w(312)], ['T14 312 g', w(312)], ['t14 312g', w(312)], ['T-14 weighed 312 g', w(312)], ['T-14 weighs 312', w(312)], ['T-14 weight 312 g', w(312)], ['T-14 weight: 312 g', w(312)],
  ['T-14 at 312 g', w(312)], ['T-14 312.5 g', w(312.5)], ['T-14 312,5 g', w(312.5)], ['T-14 0.5 kg', w(500)], ['T-14 .5 oz', w(14.17)], ['T-14 11 oz', w(311.84)], ['T-14 11 ounces', w(311.84)], ['T-14 2 lb 3 oz', w(992.23)], ['T-14 2 lbs 3 oz', w(992.23)], ['T-14 1 1/2 lb', w(680.39)], ['T-14 ½ oz', w(14.17)], ['T-14 312 g.', w(312)], ['T-14 312 grams', w(312)],
  ['T-14 1,250 g', '?'], ['T-14 1.250 g', '?'], ['T-14 12,500', '?'], ['T-14 1250 g', w(1250)], ['T-14 0,125 kg', w(125)], ['T-14 312 g?', '?'], ['T-14 312 parsec', '?'], ['T-14 312 mm', '?'], ['T-14 312 312', '?'], ['T-14 312 g ish', '?'], ['T-14 about 312 g', '?'], ['T-14 not 312 g', '?'], ['C-1 312 g', '?'], ['T-14 312 g yesterday', `${w(312)} @1`], ['T-14 312 g 3 days ago', `${w(312)} @3`], ['T-14 312 g today', w(312)],
  // meals
  ['T-14 took 2 hopper', fed('hopper', 2, 2)], ['T-14 took 2 hoppers', fed('hopper', 2, 2)], ['T-14 took two hoppers', fed('hopper', 2, 2)], ['T-14 took a hopper', fed('hopper', 1, 1)], ['T-14 took hopper', fed('hopper', 1, 1)], ['T-14 ate 1 mouse hopper', fed('hopper', 1, 1)], ['T-14 ate one hopper', fed('hopper', 1, 1)], ['T-14 took 2 of 3 hoppers', fed('hopper', 3, 2)], ['T-14 took two of three hoppers', fed('hopper', 3, 2)], ['T-14 took 1 out of 2 hoppers', fed('hopper', 2, 1)],
  ['T-14 took 3 of 2 hoppers', '?'], ['T-14 refused hopper', fed('hopper', 1, 0)], ['T-14 refused 2 hoppers', fed('hopper', 2, 0)], ['T-14 refused the hopper', fed('hopper', 1, 0)], ['T-16 refused', fed('fuzzy', 1, 0)], ['T-16 took', fed('fuzzy', 1, 1)], ['T-14 refused', '?'], ['T-14 rejected hopper', fed('hopper', 1, 0)], ['T-14 did not eat', '?'], ['T-16 did not eat', fed('fuzzy', 1, 0)], ['T-16 did not take mouse fuzzy', fed('fuzzy', 1, 0)], ['T-16 took fuzzy', '?'], ['T-16 would not eat', fed('fuzzy', 1, 0)], ['T-16 has not eaten', fed('fuzzy', 1, 0)],
  ['T-14 took 2 hoppers and 1 mouse pinky', `${fed('hopper', 2, 2)} + ${fed('pinky', 1, 1)}`], ['T-14 took 2 hoppers, 1 mouse pinky', `${fed('hopper', 2, 2)} + ${fed('pinky', 1, 1)}`], ['T-14 took hopper yesterday', `${fed('hopper', 1, 1)} @1`], ['yesterday T-14 took hopper', '?'], ['T-14 yesterday took hopper', `${fed('hopper', 1, 1)} @1`], ['T-14 took hopper two days ago', `${fed('hopper', 1, 1)} @2`], ['T-14 took a week ago', '?'],
  ['T-14 took unicorn', '?'], ['T-14 took mouse', '?'], ['T-14 fed', '?'], ['T-14 fed hopper', '?'], ['T-14 took hopper?', '?'], ['T-14 took no hopper', '?'], ['T-14 took hopper but spat it out', '?'], ['T-14 took hopper reluctantly', '?'], ['T-14 almost took hopper', '?'], ['T-14 tok hopper', '?'], ['T-14 took hopper maybe', '?'], ['T-14 dead mouse left', '?'], ['T-14 left the mouse', '?'], ['C-1 took hopper', '?'],
  // sheds
  ['T-14 shed', 'shed {"complete":true}'], ['T-14 shed whole', 'shed {"complete":true}'], ['T-14 shed completely', 'shed {"complete":true}'], ['T-14 shed in one piece', 'shed {"complete":true}'], ['T-14 shed in pieces', 'shed {"complete":false}'], ['T-14 shed badly', 'shed {"complete":false}'], ['T-14 stuck shed', 'shed {"complete":false}'], ['T-14 incomplete shed', 'shed {"complete":false}'],
  ['T-14 shed, 312 g', `shed {"complete":true} + ${w(312)}`], ['T-14 312 g, shed', `${w(312)} + shed {"complete":true}`], ['T-14 shed and took hopper', `shed {"complete":true} + ${fed('hopper', 1, 1)}`], ['T-14 shed; 312 g; took hopper', `shed {"complete":true} + ${w(312)} + ${fed('hopper', 1, 1)}`], ['T-14 shed yesterday', 'shed {"complete":true} @1'], ['T-14 not shed', '?'], ['T-14 shed?', '?'], ['T-14 shed soon', '?'], ['T-14 in shed', '?'], ['T-14 shed eye caps missing', '?'], ['C-1 shed', '?'], ['T-14 pre-lay shed', 'preLayShed {}'], ['T-14 prelay shed', 'preLayShed {}'], ['T-14 pre lay shed', 'preLayShed {}'], ['T-14 pos', 'postOvulationShed {}'], ['T-14 shedd', '?'],
  // pairs
  ['T-14 lock', 'copulation {"confirmed":true}'], ['T-14 locked', 'copulation {"confirmed":true}'], ['T-14 lock confirmed', 'copulation {"confirmed":true}'], ['T-14 lock seen', 'copulation {"confirmed":true}'], ['T-14 copulated', 'copulation {"confirmed":true}'], ['T-14 locked with T-15', 'copulation {"confirmed":true}'], ['T-14 locked with T-17', '?'], ['T-14 lock not confirmed', 'copulation {"confirmed":false}'], ['T-14 no lock', 'copulation {"confirmed":false}'], ['T-14 lay together', 'copulation {"confirmed":false}'], ['T-14 lock?', '?'], ['T-14 no lock yet', '?'], ['T-14 lock perhaps', '?'],
  ['T-14 introduced', 'introduced {}'], ['T-14 introduced to T-15', 'introduced {}'], ['T-14 introduced to T-17', '?'], ['T-14 introduced to nobody', '?'], ['T-14 separated', 'separated {}'], ['T-14 separated from T-15', 'separated {}'], ['T-14 rejected', 'rejected {}'], ['T-14 rejected the male', 'rejected {}'], ['T-14 rejected T-15', 'rejected {}'], ['T-14 rejected T-17', '?'], ['T-14 ovulated', 'ovulation {}'], ['T-14 ovulation', 'ovulation {}'], ['T-14 follicles 14 mm', 'folliclesSeen {"mm":14}'], ['T-14 follicles 14,5 mm', 'folliclesSeen {"mm":14.5}'], ['T-14 follicles', '?'], ['T-14 no follicles', '?'], ['T-16 lock', '?'], ['T-15 laid 5', '?'],
  // eggs
  ['T-14 laid 8', LAID(8)], ['T-14 laid 8 eggs', LAID(8)], ['T-14 laid eight', LAID(8)], ['T-14 laid 8 slugs', LAID(8, 8)], ['T-14 laid 8, 2 of them slugs', '?'], ['T-14 laid 8, of them 2 slugs', LAID(8, 2)], ['T-14 laid 8 eggs, of which 2 slugs', LAID(8, 2)], ['T-14 laid 8 eggs and 2 slugs', LAID(10, 2)], ['T-14 laid 8 yesterday', `${LAID(8)} @1`], ['T-14 laid 8 eggs two days ago', `${LAID(8)} @2`], ['T-14 laid', '?'], ['T-14 laid?', '?'], ['T-14 not laid', '?'], ['T-14 laid nothing', '?'], ['T-14 laid some', '?'], ['T-14 laid 8 or 9', '?'],
  ['C-1 hatched 5', 'hatched {"count":5}'], ['C-1 5 hatched', 'hatched {"count":5}'], ['C-1 hatched five', 'hatched {"count":5}'], ['C-1 hatched 5 of 6', 'hatched {"count":5}'], ['C-1 hatched 5 of 9', '?'], ['C-1 hatched', '?'], ['C-1 not hatched', '?'], ['C-1 hatched 5 yesterday', 'hatched {"count":5} @1'], ['C-1 lost 1 egg', 'eggsLost {"count":1}'], ['C-1 lost 2 eggs', 'eggsLost {"count":2}'], ['C-1 lost 1 young', 'youngLost {"count":1}'], ['C-1 lost 1 hatchling', 'youngLost {"count":1}'], ['C-1 lost 1', '?'], ['C-1 lost', '?'], ['C-1 candled 5', 'candled {"good":5}'], ['C-1 candled 5 good', 'candled {"good":5}'], ['C-1 candled 2 bad', '?'], ['C-1 candled', '?'], ['C-1 candled 5 good 1 bad', '?'], ['T-14 hatched 5', '?'], ['C-1 laid 5', '?'],
  // cultures
  ['F-1 producing', 'producing {}'], ['F-1 produces', 'producing {}'], ['F-1 not producing', '?'], ['F-1 producing yet?', '?'], ['F-1 failed', 'cultureFailed {}'], ['F-1 failed: mites', 'cultureFailed {"why":"mites"}'], ['F-1 harvested', 'harvested {"count":0}'], ['F-1 harvested 200', 'harvested {"count":200}'], ['F-1 harvested about 200', 'harvested {"count":200}'], ['F-1 harvested a lot', '?'], ['F-1 50 g', '?'], ['F1 producing', 'producing {}'],
  // looks and ends
  ['T-14 well', 'checked {"well":true}'], ['T-14 checked', 'checked {"well":true}'], ['T-14 checked: well', 'checked {"well":true}'], ['T-14 looked at, well', 'checked {"well":true}'], ['T-14 not well', 'checked {"well":false}'], ['T-14 checked: not well', 'checked {"well":false}'], ['T-14 unwell', 'checked {"well":false}'], ['T-14 sick', 'checked {"well":false}'], ['T-14 not well: noisy breath', 'checked {"well":false,"signs":["breathing"]}'], ['T-14 not well: thin', 'checked {"well":false,"signs":["thin"]}'], ['T-14 well but thin', '?'], ['T-14 not well: grumpy', '?'], ['T-14 well?', '?'], ['T-14 never well', '?'],
  ['T-14 died', 'died {}'], ['T-14 found dead', 'died {}'], ['T-14 died of old age', 'died {"cause":"old age"}'], ['T-14 died: egg-bound', 'died {"cause":"egg-bound"}'], ['T-14 died yesterday', 'died {} @1'], ['T-14 dead', '?'], ['T-14 dead?', '?'], ['T-14 not dead', '?'], ['T-14 nearly died', '?'], ['T-14 sold', 'sold {}'], ['T-14 sold? not yet', '?'], ['T-14 not sold', '?'], ['T-14 sold to a friend', '?'], ['T-14 sold yesterday', 'sold {} @1'], ['T-14 cooled', 'cooledDown {}'], ['T-14 cooled down', 'cooledDown {}'], ['T-14 warmed up', 'warmedUp {}'], ['T-14 not cooled', '?'], ['T-14 cooled a bit', '?'],
  ['T-16 probed 9', 'probed {"scales":9}'], ['T-16 probed 9 scales', 'probed {"scales":9}'], ['T-16 probed', '?'], ['T-16 probed 9 or 10', '?'], ['T-16 probe 9', 'probed {"scales":9}'], ['C-1 probed 9', '?'],
  // the same in other hands
  ['t-14 SHED', 'shed {"complete":true}'], ['T-14  312  g', w(312)], ['T-14, 312 g', w(312)], ['T-14 312 G', w(312)], ['T-14 0.312 kg', w(312)], ['T-14 -312 g', '?'], ['T-14 312 g 315 g', '?'], ['T-14 12 in', '?'], ['T-14 312 g and shed', `${w(312)} + shed {"complete":true}`], ['T-14 weighed', '?'], ['T-14 weight', '?'], ['T-14 heavier', '?'], ['T-14 lost 5 g', '?'], ['T-14 gained 5 g', '?'], ['T-14 lost weight', '?'],
  ['T-14 took 12 large flies', 'fed {"prey":"fly.large","offered":12,"taken":12}'], ['T-14 ate ten large flies', 'fed {"prey":"fly.large","offered":10,"taken":10}'], ['T-14 took 0 of 1 hopper', fed('hopper', 1, 0)], ['T-14 took one of two adult mice', fed('adult', 2, 1)], ['T-14 took an adult mouse', fed('adult', 1, 1)], ['T-14 eats hopper', fed('hopper', 1, 1)], ['T-14 has eaten hopper', fed('hopper', 1, 1)], ['T-14 refused hopper yesterday', `${fed('hopper', 1, 0)} @1`], ['T-14 refused hopper again', '?'], ['T-14 refused all', '?'], ['T-14 took the hopper', fed('hopper', 1, 1)], ['T-14 took thawed hopper', '?'], ['T-14 took live hopper', '?'], ['T-14 took 2', '?'], ['T-16 took 2', fed('fuzzy', 2, 2)], ['T-14 took hopper, refused mouse pinky', `${fed('hopper', 1, 1)} + ${fed('pinky', 1, 0)}`], ['T-14 took hopper, shed, 312 g', `${fed('hopper', 1, 1)} + shed {"complete":true} + ${w(312)}`], ['T-14 took hopper; sings', '?'], ['T-14 never took hopper', '?'],
  ['T-14 shed the day before yesterday', 'shed {"complete":true} @2'], ['T-14 shed 1 week ago', 'shed {"complete":true} @7'], ['T-14 shed last week', '?'], ['T-14 shed on Monday', '?'], ['T-14 shed tomorrow', '?'], ['T-14 shed just now', 'shed {"complete":true}'], ['T-14 will shed', '?'], ['T-14 has shed', '?'], ['T-14 shed well', 'shed {"complete":true}'], ['T-14 shed partly', 'shed {"complete":false}'],
  ['T-14 lock yesterday', 'copulation {"confirmed":true} @1'], ['T-14 locks', 'copulation {"confirmed":true}'], ['T-14 lying together', 'copulation {"confirmed":false}'], ['T-14 only together', 'copulation {"confirmed":false}'], ['T-14 introduced yesterday', 'introduced {} @1'], ['T-14 introduced, lock', 'introduced {} + copulation {"confirmed":true}'], ['T-14 locked and separated', 'copulation {"confirmed":true} + separated {}'], ['T-14 locked twice', '?'], ['T-14 follicles 14 mm yesterday', 'folliclesSeen {"mm":14} @1'], ['T-14 follicles 0', '?'], ['T-14 post-ovulation shed', 'postOvulationShed {}'], ['T-14 ovulating', 'ovulation {}'], ['T-14 might ovulate', '?'],
  ['C-1 hatched 2, lost 1 egg', 'hatched {"count":2} + eggsLost {"count":1}'], ['C-1 lost one young yesterday', 'youngLost {"count":1} @1'], ['C-1 2 lost', '?'], ['C-1 candled six', 'candled {"good":6}'], ['C-1 candled none good', '?'], ['C-1 hatched all', '?'], ['C-1 hatched 5!', 'hatched {"count":5}'], ['T-14 laid 8, 312 g', `${LAID(8)} + ${w(312)}`], ['T-14 laid eggs', '?'], ['T-14 laid a few eggs', '?'], ['T-14 laid an egg', LAID(1)],
  ['F-1 harvested 200 yesterday', 'harvested {"count":200} @1'], ['F-1 dead', '?'], ['F-1 mites', '?'], ['F-1 died', '?'], ['T-14 producing', '?'], ['T-14 failed', '?'], ['T-14 checked, 312 g', `checked {"well":true} + ${w(312)}`], ['T-14 all well', 'checked {"well":true}'], ['T-14 ill: discharge', 'checked {"well":false,"signs":["discharge"]}'], ['T-14 sick, thin', 'checked {"well":false,"signs":["thin"]}'], ['T-14 thin', '?'], ['T-14 note', '?'], ['T-14 moved', '?'],
  // notes and nonsense
  ['T-14 note: bites, not well today?', 'noted {"text":"bites, not well today?"}'], ['T-14 note shed soon', 'noted {"text":"shed soon"}'], ['T-14', '?'], ['T-14 sings', '?'], ['Z-1 312 g', '?'], ['T-41 312 g', '?'], ['312 g', '?'], ['T-14 T-15 312 g', '?'], ['T-14 312 g T-15 300 g', '?'], ['T-14 ok', '?'], ['T-14 shed, sings', '?'], ['T-14 312 g, 313 g', `${w(312)} + ${w(313)}`], ['T-14 and T-15 shed', '?'],
]

describe('every word of a line is understood, or it is asked', () => {
  it.each(TABLE)('%s', (line, means) => {
    expect(meaning(read(line))).toBe(means)
  })

  it('a word added to any line that is understood is never dropped', () => {
    // notes, reasons and causes take any words; everything else must ask
    const open = /noted|"why"|"cause"|sold \{\} @/
    for (const [line, means] of TABLE.filter(([, m]) => m !== '?' && !open.test(m))) {
      const answer = read(`${line} purple`)
      const dropped = answer?.ok && meaning(answer) === means
      expect(dropped, `${line} purple`).toBe(false)
      expect(read(`${line}?`)?.ok, `${line}?`).toBe(false)
    }
  })

  it.each([
    ['T-41 312 g', /Did you mean T-14|No tag T-41/], ['T-1 312 g', /Did you mean/], ['T-14 tok hopper', /Did you mean: T-14 took hopper/], ['T-14 shde', /Did you mean: T-14 shed/], ['T-14 1,250 g', /Is 1,250 1250, or 1\.250\?/],
    ['C-1 candled 2 bad', /then 4 are good\? Write it as: C-1 candled 4 good/], ['C-1 lost 1', /lost 1 eggs, or lost 1 young/], ['T-14 locked with T-17', /T-14 is set with T-15, not with T-17/], ['T-14 shed soon', /Part of “shed soon” is not understood, so nothing is written/],
    ['T-14 lock?', /Is this a question/], ['T-14 not shed', /write only what happened/], ['T-14 dead', /Is T-14 dead\? Write: T-14 died/],
  ])('what is asked about “%s” helps', (line, question) => {
    const answer = read(line)
    expect(answer && !answer.ok && answer.ask).toMatch(question)
  })

  it('says back all that it understood', () => {
    const answer = read('T-14 shed in pieces, 312 g, took 2 of 3 hoppers yesterday')
    expect(answer?.ok && answer.says).toBe('T-14 shed in pieces; weighs 312 g; took 2 of 3 mouse hoppers, yesterday')
  })
})
