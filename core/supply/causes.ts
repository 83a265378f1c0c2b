import type { Almanac, Feeder } from '../almanac'
import type { Day } from '../chance'
import { computedInput, computedTemp, entryInput, factInput, type Input, type Reason } from '../judgement'
import { TROUBLE_WORDS, type CultureState, type Trouble } from '../subjects'
import { formatDistance, upperFirst } from '../units'
import { cultureWay } from './ways'

/** What a finding may come from: what to look at, and what to do when it is that. */
interface CauseRow {
  id: string
  name: string
  look: string
  remedy: string
  /** Only of cultures that run once, or only of colonies. */
  only?: 'batch' | 'colony'
}

const HOT: CauseRow = {
  id: 'hot',
  name: 'too hot',
  look: 'A probe in the bedding or the medium, not in the air beside it.',
  remedy: 'A cooler place; away from lamps and other warm tubs.',
}
const COLD: CauseRow = {
  id: 'cold',
  name: 'too cold',
  look: 'A probe in the bedding, early in the morning.',
  remedy: 'A warmer shelf; give it a generation before judging.',
}
const WET: CauseRow = {
  id: 'wet',
  name: 'too wet',
  look: 'Press a handful: it barely drips. Drops on the walls?',
  remedy: 'Dry bedding in, less mist, lid open for some hours.',
}
const DRY: CauseRow = {
  id: 'dry',
  name: 'too dry',
  look: 'Does the bedding fall apart in the hand?',
  remedy: 'Mist with unchlorinated water, one side only; leaf on top.',
}
const ROTTEN: CauseRow = {
  id: 'rotten',
  name: 'rotten food',
  look: 'Lift the old food: sour, slimy, black underneath?',
  remedy: 'Out with it and what is round it; feed less, the next when the last is gone.',
}
const AIR: CauseRow = {
  id: 'air',
  name: 'no air',
  look: 'Are holes or cloth of the lid clogged?',
  remedy: 'New cloth or more holes; not stacked tightly.',
}
const CROWDED: CauseRow = {
  id: 'crowded',
  name: 'crowded',
  look: 'Do they crowd at the surface, or under every piece of bark?',
  remedy: 'Split it, or feed some off.',
  only: 'colony',
}
const USED: CauseRow = {
  id: 'used',
  name: 'bedding used up',
  look: 'Is the bedding nothing but droppings?',
  remedy: 'New bedding; keep a third of the old for the young in it.',
  only: 'colony',
}

/** Causes in the order in which one looks, the usual first; common practice, no source. */
const CAUSES: Record<Trouble, readonly CauseRow[]> = {
  leaving: [HOT, WET, ROTTEN, DRY, USED, CROWDED],
  mould: [
    { ...ROTTEN, id: 'overfed', name: 'fed too much', look: 'Is food left of the last time?' },
    WET,
    {
      id: 'few',
      name: 'too few founders',
      look: 'Were there fewer flies than the recipe says, so that the medium was left to the mould?',
      remedy: 'Out with it; the next one with all its founders, once the medium has cooled.',
      only: 'batch',
    },
    AIR,
  ],
  mites: [
    {
      id: 'old',
      name: 'kept too long',
      look: 'How old is it? From four weeks on mites are quicker than the last flies.',
      remedy: 'Out in a closed bag, and freeze it; wipe the shelf.',
      only: 'batch',
    },
    {
      id: 'beside',
      name: 'from a culture beside it',
      look: 'White dust that moves on the cups and tubs beside it?',
      remedy: 'Apart from all others, each on its own paper; hands washed between them.',
    },
    {
      id: 'founders',
      name: 'came with its founders',
      look: 'Had the culture that it was founded from mites?',
      remedy: 'Out; new ones from a clean culture, or buy a starter.',
    },
    {
      id: 'food',
      name: 'came with the food',
      look: 'Do grain, flour or bran move under a lens?',
      remedy: 'Freeze the dry food for two days, keep it closed.',
    },
  ],
  smell: [
    ROTTEN,
    WET,
    {
      id: 'dead',
      name: 'dead ones',
      look: 'Dig through one corner: dead ones in it?',
      remedy: 'Take them out; look why they died.',
    },
    AIR,
  ],
  dying: [
    HOT,
    DRY,
    WET,
    {
      id: 'treated',
      name: 'treated food',
      look: 'Greens or fruit from the shop, not washed or peeled?',
      remedy: 'Fresh food that was not sprayed; give it a week.',
    },
    {
      id: 'aged',
      name: 'the old ones end',
      look: 'Are only grown ones dead, and young ones lively?',
      remedy: 'Nothing: take the dead out.',
      only: 'colony',
    },
  ],
  noYoung: [
    COLD,
    {
      id: 'taken',
      name: 'too many grown ones taken',
      look: 'Count the grown ones in a part of it: are there a few dozen in all?',
      remedy: 'Take none for two months, or add grown ones of both sexes.',
      only: 'colony',
    },
    {
      id: 'protein',
      name: 'no protein',
      look: 'When was something with protein in it last?',
      remedy: 'A little flake or dry cat food weekly, taken out before it moulds.',
    },
    DRY,
    {
      id: 'young',
      name: 'a young colony',
      look: 'Is it younger than it takes to breed?',
      remedy: 'Wait.',
      only: 'colony',
    },
  ],
}

/** A cause as it stands by what the house knows. */
export interface Cause extends Pick<CauseRow, 'id' | 'name' | 'look' | 'remedy'> {
  /** Chance (0..1) among what is not ruled out. */
  chance: number
}

export interface CausesFound {
  /** The likeliest first; none when all were ruled out. */
  causes: Cause[]
  reasons: Reason[]
}

interface Known {
  feeder: Feeder
  tempC: number | null
  /** How damp the air of its place lately was; null where nothing is read. */
  humidityPct?: number | null
  /** All cultures of the house. */
  cultures: readonly CultureState[]
  almanac: Pick<Almanac, 'common'>
  today: Day
}

/** What the house knows speaks for a cause (+1), against it (−1), or says nothing. */
function evidence(
  culture: CultureState,
  what: Trouble,
  { feeder, tempC, humidityPct = null, cultures, almanac, today }: Known,
) {
  const { causeFurther, mitesFrom } = almanac.common
  const inputs: Input[] = []
  const says = new Map<string, 1 | -1>()
  const way = cultureWay(feeder, culture)
  const usual = feeder.colony?.atTempC.value ?? (way?.kind === 'batch' ? way.atTempC.value : null)
  if (tempC !== null && usual !== null) {
    const off = tempC - usual
    const far = causeFurther!.value
    says.set('hot', off >= far ? 1 : -1)
    says.set('cold', off <= -far ? 1 : -1)
    inputs.push(computedTemp('Its place', tempC), computedTemp('Usually kept at', usual))
  }
  const { humidity } = feeder
  if (humidityPct !== null && humidity) {
    says.set('wet', humidityPct > humidity.high.value ? 1 : -1)
    says.set('dry', humidityPct < humidity.low.value ? 1 : -1)
    inputs.push(
      computedInput(
        'Air at its place against the usual',
        `${Math.round(humidityPct)} against ${humidity.low.value} to ${humidity.high.value} %`,
      ),
    )
  }
  if (way?.kind === 'batch') {
    const age = today - culture.startDay
    says.set('old', age >= mitesFrom!.value ? 1 : -1)
    inputs.push(computedInput('Its age', `${age} days`))
  }
  const beside = cultures.find(
    c =>
      c.id !== culture.id &&
      c.placeId !== null &&
      c.placeId === culture.placeId &&
      !c.finished &&
      c.troubles.some(t => t.what === 'mites' && !t.over),
  )
  if (beside) {
    says.set('beside', 1)
    inputs.push(computedInput('Mites beside it', beside.tag))
  }
  const parents = cultures.filter(c => culture.parentIds?.includes(c.id))
  if (parents.length) {
    const carried = parents.find(p => p.troubles.some(t => t.what === what))
    says.set('founders', carried ? 1 : -1)
    inputs.push(
      computedInput(
        `What it was founded from, ${parents.map(p => p.tag).join(', ')}`,
        `${carried ? `${TROUBLE_WORDS[what]} in ${carried.tag}` : `no ${TROUBLE_WORDS[what]} found`}`,
      ),
    )
  }
  const look = culture.looks.findLast(l => l.crowded !== undefined)
  if (look) {
    says.set('crowded', look.crowded ? 1 : -1)
    inputs.push(computedInput(`Seen ${formatDistance(look.day, today)}`, look.crowded ? 'crowded' : 'not crowded'))
  }
  return { says, inputs }
}

/**
 * What a finding may come from, the likeliest first: the order in which one looks, what this house found before in
 * cultures of its kind, and what it knows of this one; what was ruled out is left out.
 * @param trouble one of the culture
 * @returns chances that add up to 1, or none when all were ruled out
 */
export function causesOf(culture: CultureState, trouble: CultureState['troubles'][number], known: Known): CausesFound {
  const { causeNext, causeShrink, causeKnown } = known.almanac.common
  const kind = cultureWay(known.feeder, culture)?.kind ?? 'batch'
  const rows = CAUSES[trouble.what].filter(c => !c.only || c.only === kind)
  // what was found before here weighs against the usual order
  const before = known.cultures
    .filter(c => c.feederId === culture.feederId)
    .flatMap(c => c.troubles.filter(t => t.what === trouble.what && t.cause && t.entryId !== trouble.entryId))
  const usual = rows.map((_, i) => causeNext!.value ** i)
  const all = usual.reduce((a, b) => a + b, 0)
  const { says, inputs } = evidence(culture, trouble.what, known)
  const weights = rows.map(({ id }, i) => {
    const counted = (causeShrink!.value * usual[i]!) / all + before.filter(t => t.cause === id).length
    return trouble.not.includes(id) ? 0 : counted * causeKnown!.value ** (says.get(id) ?? 0)
  })
  const sum = weights.reduce((a, b) => a + b, 0)
  const causes = rows
    .map(({ id, name, look, remedy }, i) => ({ id, name, look, remedy, chance: sum ? weights[i]! / sum : 0 }))
    .filter(c => c.chance > 0)
    .sort((a, b) => b.chance - a.chance)
  const nameOf = (id: string) => rows.find(r => r.id === id)?.name ?? id
  return {
    causes,
    reasons: [
      {
        rule: 'In the order in which one looks; what this house found before and what it knows of this culture move it',
        inputs: [
          entryInput('Found', TROUBLE_WORDS[trouble.what], trouble),
          ...inputs,
          ...trouble.not.map(id => computedInput('Ruled out', nameOf(id))),
          ...(before.length ? [computedInput('Found here before', before.map(t => nameOf(t.cause!)).join(', '))] : []),
          factInput('Each further cause, of the one before', 'common.causeNext.value', causeNext!),
          factInput('The usual order weighs as', 'common.causeShrink.value', causeShrink!),
          factInput('What speaks for one multiplies it by', 'common.causeKnown.value', causeKnown!),
        ],
        change: 'Each cause that is looked at and is it, or is not',
      },
      ...causes.map(c => ({
        rule: `${upperFirst(c.name)}, ${Math.round(c.chance * 100)} of 100: ${c.look}`,
        inputs: [],
      })),
    ],
  }
}

/** The name and remedy of a cause that was found. */
export const causeNamed = (what: Trouble, id: string): Pick<CauseRow, 'name' | 'remedy'> | undefined =>
  CAUSES[what].find(c => c.id === id)
