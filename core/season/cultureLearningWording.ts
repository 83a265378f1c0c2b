import type { Almanac } from '../almanac'
import { computedInput, factInput } from '../judgement'
import type { ApartNumber, CultureSort, House } from '../subjects'
import type { Learnt, LearntApart, Lesson } from './cultureLearningFindings'

type Told = Pick<Lesson, 'text' | 'reasons'>

const percent = (share: number) => `${Math.round(100 * share)} %`
const times = (n: number) => `${n.toFixed(2)} ×`

const CHANGE = 'Each further culture of the house'

const RULES: Record<ApartNumber, { ofAll: string; apart: string }> = {
  fails: {
    ofAll: 'Share that fails: those that failed before they produced, of all of which it is known',
    apart: 'How many failed before they produced, against the share that fails here',
  },
  waits: {
    ofAll: 'Days to the first yield against those expected at the shelf',
    apart: 'Days to the first yield against those expected at the shelf, as the house’s cultures take them',
  },
  yields: {
    ofAll: 'Counted harvest against the expected yield, of cultures that are over',
    apart: 'Counted harvest of those that are over, against what the house’s cultures give',
  },
}

function textOf(learnt: Learnt): string {
  const { of, value, was } = learnt
  switch (learnt.number) {
    case 'fails':
      return `${learnt.failed} of ${of} failed here: ${percent(value)} are to be expected, not ${percent(was)}`
    case 'waits': {
      const days = `${Math.round(value)} days, not ${was}`
      return `${of} took ${times(learnt.factor)} the usual time to produce, drawn to the usual: ${days}`
    }
    case 'yields': {
      const yielded = `${Math.round(value)}, not ${was}`
      return `${of} that were counted gave ${times(learnt.factor)} the usual yield, drawn to the usual: ${yielded}`
    }
  }
}

/** What the cultures of a feeder teach of one number. */
export function tellLearnt(learnt: Learnt, { common }: Pick<Almanac, 'common'>): Told {
  const { number, of } = learnt
  const shrink = common.cultureShrink!
  const inputs = [
    computedInput('Seen here', number === 'fails' ? `${learnt.failed} of ${of}` : learnt.ratios.map(times).join(', ')),
    factInput('The Almanac weighs as so many cultures', 'common.cultureShrink.value', shrink),
    computedInput('Weight of what was seen', percent(of / (of + shrink.value))),
  ]
  return { text: textOf(learnt), reasons: [{ rule: RULES[number].ofAll, inputs, change: CHANGE }] }
}

/** Which cultures of a kind are meant: `on Shelf 2`. */
export function groupWords(by: CultureSort, of: string, { places }: Pick<House, 'places'>): string {
  if (by === 'place') return `on ${places[of]?.name ?? 'a place that is gone'}`
  if (by === 'strain') return `of strain ${of}`
  return by === 'recipe' ? `made as ${of}` : `started ${of}`
}

function apartWords(number: ApartNumber, value: number): string {
  switch (number) {
    case 'fails':
      return `fail ${times(value)} as often as the house’s on the whole`
    case 'waits':
      return `take ${times(value)} as long as the house’s on the whole`
    case 'yields':
      return `give ${times(value)} the mean of the house`
  }
}

/** So many cultures stand in a working. */
const NAMED = 12

/** What the cultures of one shelf, strain, recipe or quarter do otherwise than the others. */
export function tellLearntApart(
  { number, by, of, count, ratios, all, value, was, off }: LearntApart,
  house: Pick<House, 'places'>,
  { common: { cultureShrink, lessonSure } }: Pick<Almanac, 'common'>,
): Told {
  const inputs = [
    computedInput('Seen in them, × what all come to here', ratios.slice(0, NAMED).map(times).join(', ')),
    computedInput('All of the kind here, × the usual', times(all)),
    computedInput('Shelf, strain, recipe and quarter', 'found together: what always goes together is shared'),
    factInput('That they are as the others weighs as', 'common.cultureShrink.value', cultureShrink!),
    computedInput('Weight of what was seen', percent(count / (count + cultureShrink!.value))),
    computedInput('Off the house’s, in standard errors', Number.isFinite(off) ? off.toFixed(1) : 'all alike'),
    factInput('Told from', 'common.lessonSure.value', lessonSure!),
    computedInput('Counted now', times(was)),
  ]
  return {
    text: `Those ${groupWords(by, of, house)} ${apartWords(number, value)}, as far as ${count} of them tell`,
    reasons: [{ rule: RULES[number].apart, inputs, change: CHANGE }],
  }
}
