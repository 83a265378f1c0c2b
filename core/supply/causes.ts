import type { Almanac, Feeder } from '../almanac'
import type { Day } from '../chance'
import type { Reason } from '../judgement'
import { CAUSE_WORDS, type CauseId, type CauseWords, type CultureState, type Trouble } from '../subjects'
import { causesReasons, type Sign } from './causesWording'
import { cultureWay } from './ways'

/** Causes in the order in which one looks, the usual first; common practice, no source. */
const CAUSES: Record<Trouble, readonly CauseId[]> = {
  leaving: ['hot', 'wet', 'rotten', 'dry', 'used', 'crowded'],
  mould: ['overfed', 'wet', 'few', 'air'],
  mites: ['old', 'beside', 'founders', 'food'],
  smell: ['rotten', 'wet', 'dead', 'air'],
  dying: ['hot', 'dry', 'wet', 'treated', 'aged'],
  noYoung: ['cold', 'taken', 'protein', 'dry', 'young'],
}

/** Causes only of cultures that run once, or only of colonies. */
const ONLY: Partial<Record<CauseId, 'batch' | 'colony'>> = {
  few: 'batch',
  old: 'batch',
  crowded: 'colony',
  used: 'colony',
  aged: 'colony',
  taken: 'colony',
  young: 'colony',
}

/** A cause as it stands by what the house knows. */
export interface Cause extends CauseWords {
  id: CauseId
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

/** A sign, and what it says of causes: for one (+1), or against it (−1). */
interface Evidence {
  sign: Sign
  says: Partial<Record<CauseId, 1 | -1>>
}

const when = (is: boolean): 1 | -1 => (is ? 1 : -1)

function warmth(culture: CultureState, { feeder, tempC, almanac }: Known): Evidence | null {
  const way = cultureWay(feeder, culture)
  const usual = feeder.colony?.atTempC.value ?? (way?.kind === 'batch' ? way.atTempC.value : null)
  if (tempC === null || usual === null) return null
  const off = tempC - usual
  const far = almanac.common.causeFurther!.value
  return { sign: { of: 'warmth', tempC, usual }, says: { hot: when(off >= far), cold: when(off <= -far) } }
}

function damp({ feeder: { humidity }, humidityPct = null }: Known): Evidence | null {
  if (humidityPct === null || !humidity) return null
  const [low, high] = [humidity.low.value, humidity.high.value]
  return {
    sign: { of: 'damp', humidityPct, low, high },
    says: { wet: when(humidityPct > high), dry: when(humidityPct < low) },
  }
}

function age(culture: CultureState, { feeder, almanac, today }: Known): Evidence | null {
  if (cultureWay(feeder, culture)?.kind !== 'batch') return null
  const days = today - culture.startDay
  return { sign: { of: 'age', days }, says: { old: when(days >= almanac.common.mitesFrom!.value) } }
}

function beside(culture: CultureState, { cultures }: Known): Evidence | null {
  const one = cultures.find(
    c =>
      c.id !== culture.id &&
      c.placeId !== null &&
      c.placeId === culture.placeId &&
      !c.finished &&
      c.troubles.some(t => t.what === 'mites' && !t.over),
  )
  return one ? { sign: { of: 'beside', tag: one.tag }, says: { beside: 1 } } : null
}

function founders(culture: CultureState, what: Trouble, { cultures }: Known): Evidence | null {
  const parents = cultures.filter(c => culture.parentIds?.includes(c.id))
  if (!parents.length) return null
  const carriedBy = parents.find(p => p.troubles.some(t => t.what === what))?.tag ?? null
  return {
    sign: { of: 'founders', tags: parents.map(p => p.tag), carriedBy },
    says: { founders: when(carriedBy !== null) },
  }
}

function crowd(culture: CultureState): Evidence | null {
  const look = culture.looks.findLast(l => l.crowded !== undefined)
  if (!look) return null
  const crowded = look.crowded!
  return { sign: { of: 'crowd', crowded, day: look.day }, says: { crowded: when(crowded) } }
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
  const ids = CAUSES[trouble.what].filter(id => !ONLY[id] || ONLY[id] === kind)
  // what was found before here weighs against the usual order
  const before = known.cultures
    .filter(c => c.feederId === culture.feederId)
    .flatMap(c => c.troubles.filter(t => t.what === trouble.what && t.cause && t.entryId !== trouble.entryId))
    .map(t => t.cause!)
  const usual = ids.map((_, i) => causeNext!.value ** i)
  const all = usual.reduce((a, b) => a + b, 0)
  const evidence = [
    warmth(culture, known),
    damp(known),
    age(culture, known),
    beside(culture, known),
    founders(culture, trouble.what, known),
    crowd(culture),
  ].filter(e => e !== null)
  const says: Evidence['says'] = Object.assign({}, ...evidence.map(e => e.says))
  const weights = ids.map((id, i) => {
    const counted = (causeShrink!.value * usual[i]!) / all + before.filter(cause => cause === id).length
    return trouble.not.includes(id) ? 0 : counted * causeKnown!.value ** (says[id] ?? 0)
  })
  const sum = weights.reduce((a, b) => a + b, 0)
  const causes = ids
    .map((id, i) => ({ id, ...CAUSE_WORDS[id], chance: sum ? weights[i]! / sum : 0 }))
    .filter(c => c.chance > 0)
    .sort((a, b) => b.chance - a.chance)
  const found = { trouble, signs: evidence.map(e => e.sign), before, causes }
  return { causes, reasons: causesReasons(found, known.almanac, known.today) }
}

/** The name and remedy of a cause that was found. */
export function causeNamed(what: Trouble, id: string): Pick<CauseWords, 'name' | 'remedy'> | undefined {
  const known = CAUSES[what].find(of => of === id)
  return known && CAUSE_WORDS[known]
}
