import { z } from 'zod'
import { freeText, lineOfText, reference } from '../../reference'
import type { Almanac, Feeder } from '../../almanac'
import { defineKind, seen, sure, type Problem } from '../../log'
import { amount, tag } from '../fields'
import { strainOf } from './lineage'
import { madeOf } from './made'
import { NO_SIGN, SHAKES, SHAKE_WORDS, mayFound, type CultureState } from './state'

const none = z.strictObject({})

/** More than one culture can give at once; null where it is not known what it gives. */
function mostGiven({ supply, colony, otherWays }: Feeder, times: number): number | null {
  if (colony) return times * colony.capacity.value
  const batch = [supply, ...(otherWays ?? [])].find(way => way.kind === 'batch')
  return batch ? times * batch.yieldTotal.value : null
}

/** What may be seen in a culture of a feeder before it yields, in order. */
export function signsOf(feeder: Pick<Feeder, 'supply' | 'otherWays'> | undefined): string[] {
  const ways = feeder ? [feeder.supply, ...(feeder.otherWays ?? [])] : []
  return ways.flatMap(way => (way.kind === 'batch' ? (way.signs?.seen.map(s => s.name) ?? []) : []))
}

/** Days after which a sign is seen at the earliest where it is kept as usual; null for what the almanac does not say. */
function usuallySeenAfter(feeder: Feeder | undefined, sign: string): number | null {
  for (const way of feeder ? [feeder.supply, ...(feeder.otherWays ?? [])] : []) {
    const share = way.kind === 'batch' ? way.signs?.seen.find(s => s.name === sign)?.share : undefined
    if (way.kind === 'batch' && share) return share.value * way.toProducing.earliest
  }
  return null
}

/** What a culture may be founded from: its own kind, of one strain, and nothing that carries mites or mould. */
function parentsProblem(
  { feederId, parentIds = [], strain, sure }: { feederId: string; parentIds?: string[]; strain?: string; sure?: true },
  source: string,
  cultures: Readonly<Record<string, CultureState>>,
  { feeders }: Pick<Almanac, 'feeders'>,
): Problem | null {
  const parents = parentIds.flatMap(id => cultures[id] ?? [])
  const other = parents.find(p => p.feederId !== feederId)
  if (other) {
    const what = feeders[other.feederId]?.many ?? other.feederId
    return { path: 'data.parentIds', message: `${other.tag} is one of ${what}: nothing else comes of it` }
  }
  if (sure || source !== 'keeper') return null
  const carries = parents.find(p => !mayFound(p))
  if (carries)
    return {
      path: 'data.sure',
      message: `${carries.tag} carries mites or mould, which go with its founders. Start from it all the same?`,
    }
  const strains = [...new Set([strain, ...parents.map(p => strainOf(p, cultures))].filter(s => s))]
  return strains.length > 1
    ? { path: 'data.sure', message: `That mixes ${strains.join(' with ')}. Start it all the same?` }
    : null
}

/** What was looked through is told one way, and whole: scoops, what one weighs, and what they are of. */
function scoopsProblem({ sharePercent, scoops, scoopGrams, tubGrams }: Scoops & { sharePercent: number }) {
  const told = [scoops, scoopGrams, tubGrams].filter(x => x !== undefined).length
  const problem = (field: string, message: string): Problem => ({ path: `data.${field}`, message })
  if (!told) return null
  if (sharePercent !== 100) return problem('sharePercent', 'Say either a share or scoops')
  if (scoops === undefined) return problem('scoops', 'How many scoops were looked through?')
  if (scoopGrams === undefined) return problem('scoopGrams', 'What does one scoop weigh?')
  if (tubGrams === undefined) return problem('tubGrams', 'What does all in the tub weigh?')
  return scoops * scoopGrams > tubGrams
    ? problem('tubGrams', `${scoops} scoops of ${scoopGrams} g are more than the ${tubGrams} g that are in it`)
    : null
}
interface Scoops {
  scoops?: number
  scoopGrams?: number
  tubGrams?: number
}

const grams = (what: string) =>
  z
    .number({ error: `${what}: a weight` })
    .positive(`${what} weighs something`)
    .max(1_000_000, `${what}: over a tonne, check the unit`)
    .optional()

export const cultureKinds = [
  defineKind({
    kind: 'cultureStarted',
    subject: 'culture',
    verb: 'Start culture',
    founds: 'culture',
    data: z.strictObject({
      tag,
      feederId: reference('feeder'),
      placeId: reference('place').nullable().default(null),
      /** Ordered as a culture that is about to yield. */
      bought: z.literal(true).optional(),
      parentIds: z
        .array(reference('culture'))
        .max(20)
        .refine(ids => new Set(ids).size === ids.length, 'A culture is named twice')
        .optional(),
      strain: lineOfText(40, 'A strain needs a name').optional(),
      recipe: lineOfText(40, 'Another recipe needs a name').optional(),
      sure,
    }),
    fields: {
      feederId: { label: 'Feeder', as: 'one', needed: true },
      placeId: { label: 'Place', as: 'place', hint: 'as the last one', example: 'As the last one' },
      ...madeOf,
    },
    check: (_, data, entry, { house, almanac }) => parentsProblem(data, entry.source, house.cultures, almanac),
    apply() {},
    wording: d => `Started ${d.tag}`,
  }),
  defineKind({
    kind: 'producing',
    subject: 'culture',
    verb: 'Record producing',
    data: none,
    apply(state, _, entry) {
      state.producing ??= seen(entry)
    },
    wording: () => 'Producing',
  }),
  defineKind({
    kind: 'harvested',
    subject: 'culture',
    verb: 'Record harvest',
    data: z.strictObject({
      count: amount('Harvest').default(0),
      /** Not counted: as many as fall out at such a shake. */
      shake: z.enum(SHAKES).optional(),
      sure,
    }),
    apply(state, { count, shake }, entry) {
      state.producing ??= seen(entry)
      state.harvested += count
      if (count) state.takes.push({ day: entry.day, count, ...(shake && { shaken: true as const }) })
      state.lastHarvest = seen(entry)
    },
    check: (state, { count, sure }, entry, { almanac }) => {
      if (state.failed || state.finished) return { path: 'subject.id', message: `${state.tag} is no longer running` }
      const feeder = almanac.feeders[state.feederId]
      const most = feeder ? mostGiven(feeder, almanac.common.harvestAtMost!.value) : null
      // a slip of the keeper is asked about; what comes from elsewhere is believed
      if (most === null || count <= most || sure || entry.source !== 'keeper') return null
      return {
        path: 'data.sure',
        message: `${state.tag}: ${count} is more than a ${feeder!.supply.unit} of ${feeder!.many} can give at once. Write it all the same?`,
      }
    },
    wording: d =>
      [d.shake ? SHAKE_WORDS[d.shake] : 'Harvested', ...(d.count ? [`about ${d.count}`] : [])].join(
        d.shake ? ', ' : ' ',
      ),
  }),
  defineKind({
    kind: 'cultureLooked',
    subject: 'culture',
    verb: 'Record look',
    data: z.strictObject({
      /** The furthest sign that is seen, by its name in the almanac, or `NO_SIGN`. Left out: it does not yield yet. */
      furthest: z.string().trim().min(1).max(60).optional(),
      sure,
    }),
    check(state, { furthest, sure }, entry, { almanac }) {
      if (furthest === undefined) return null
      if (state.failed || state.finished) return { path: 'subject.id', message: `${state.tag} is no longer running` }
      if (state.producing) return { path: 'subject.id', message: `${state.tag} yields already` }
      const feeder = almanac.feeders[state.feederId]
      const early = sure || entry.source !== 'keeper' ? null : usuallySeenAfter(feeder, furthest)
      const age = entry.day - state.startDay
      if (early !== null && age < almanac.common.signTooEarly!.value * early)
        return {
          path: 'data.sure',
          message: `${state.tag} is ${age} days old, and ${furthest} are seen after about ${Math.round(early)}. Is it ${state.tag}?`,
        }
      const names = signsOf(feeder)
      return furthest === NO_SIGN || names.includes(furthest)
        ? null
        : {
            path: 'data.furthest',
            message: names.length
              ? `Of ${state.tag} one can see: ${[NO_SIGN, ...names].join(', ')}`
              : `What is seen in ${state.tag} before it yields is not in the Almanac`,
          }
    },
    apply(state, { furthest }, entry) {
      state.lastLook = seen(entry)
      if (furthest) state.signs.push({ day: entry.day, furthest })
    },
    wording: d =>
      d.furthest ? (d.furthest === NO_SIGN ? 'Looked at: nothing seen yet' : `Seen: ${d.furthest}`) : 'Looked at',
  }),
  defineKind({
    kind: 'colonyLooked',
    subject: 'culture',
    verb: 'Record count',
    data: z.strictObject({
      /** Of the whole tub, so much was looked through. */
      sharePercent: z
        .number({ error: 'How much of it was looked through must be a number' })
        .min(1, 'At least a hundredth of it is looked through')
        .max(100, 'More than the whole cannot be looked through')
        .default(100),
      /** Or so many scoops were looked through, of so many grams each, of a tub with so much in it. */
      scoops: z
        .number({ error: 'Scoops must be a number' })
        .int('Whole scoops are counted')
        .min(1, 'One scoop at least')
        .max(1000, 'Over a thousand scoops: check the number')
        .optional(),
      scoopGrams: grams('A scoop'),
      tubGrams: grams('What is in the tub'),
      young: amount('Young').optional(),
      grown: amount('Grown').optional(),
      crowded: z.boolean().optional(),
    }),
    fields: {
      sharePercent: { label: 'Looked through, % of the tub', as: 'count' },
      grown: { label: 'Grown ones in it', as: 'count' },
      scoops: { label: 'Or scoops looked through', as: 'count' },
      scoopGrams: { label: 'One scoop weighs', as: 'mass' },
      tubGrams: { label: 'All in the tub weighs', as: 'mass' },
    },
    check: (state, look) => {
      const { young, grown, crowded } = look
      if (state.failed || state.finished) return { path: 'subject.id', message: `${state.tag} is no longer running` }
      return (
        scoopsProblem(look) ??
        (young === undefined && grown === undefined && crowded === undefined
          ? { path: 'data.young', message: 'Say what was counted, or whether it is crowded' }
          : null)
      )
    },
    apply(state, { sharePercent, scoops, scoopGrams, tubGrams, ...look }, entry) {
      state.lastLook = seen(entry)
      const byWeight = scoops && scoopGrams && tubGrams ? (100 * scoops * scoopGrams) / tubGrams : null
      state.looks.push({ day: entry.day, sharePercent: byWeight ?? sharePercent, ...look })
    },
    wording: d =>
      [
        d.young !== undefined || d.grown !== undefined
          ? `Counted in ${d.scoops ? `${d.scoops} scoops of ${d.scoopGrams} g of ${d.tubGrams} g` : `${d.sharePercent} %`}: ${[d.young !== undefined && `${d.young} young`, d.grown !== undefined && `${d.grown} grown`].filter(Boolean).join(', ')}`
          : 'Looked at',
        ...(d.crowded === undefined ? [] : [d.crowded ? 'crowded' : 'not crowded']),
      ].join('; '),
  }),
  defineKind({
    kind: 'cultureFailed',
    subject: 'culture',
    verb: 'Record failure',
    data: z.strictObject({ why: freeText(300).optional() }),
    apply(state, _, entry) {
      state.failed = seen(entry)
    },
    fields: { why: { label: 'Why, if known', as: 'text' } },
    wording: d => (d.why ? `Failed: ${d.why}` : 'Failed'),
  }),
  defineKind({
    kind: 'cultureFinished',
    subject: 'culture',
    verb: 'Retire culture',
    data: none,
    apply(state, _, entry) {
      state.finished = seen(entry)
    },
    wording: () => 'Retired',
  }),
]
