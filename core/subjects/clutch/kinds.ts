import { z } from 'zod'
import { reference } from '../../reference'
import { defineKind, seen } from '../../log'
import { counted, formatQuantity } from '../../units'
import { some, sum } from './counts'
import { eggMass, eggTempC } from '../laying'
import { eggProblem, eggsLeft, pippedNow, setEggCount, takeEggs } from './eggs'
import { apartKinds } from './apart'
import { broughtKinds } from './brought'
import { boxKinds } from './box'
import { eggIncubation, programmeKinds } from './programme'
import { tadpoleKinds } from './tadpoles'
import { youngKinds } from './young'
import { EGG_ENDS, EGG_SIGNS, EGG_STATES, EGG_STATE_WORDS } from './state'

const none = z.strictObject({})

const share = z.number().min(0).max(1)
const EggData = z.strictObject({
  n: z.number().int('Eggs are numbered from 1').min(1, 'Eggs are numbered from 1').max(10_000),
  state: z.enum(EGG_STATES).optional(),
  signs: z.array(z.enum(EGG_SIGNS)).max(EGG_SIGNS.length).optional(),
  massG: z
    .number()
    .positive('An egg weighs more than nothing')
    .max(3000, 'An egg over 3 kg: check the unit')
    .optional(),
  /** How far it had come, when it was opened. */
  end: z.enum(EGG_ENDS).optional(),
  /** Where it lies, in shares of the width and depth of its box. */
  lies: z.strictObject({ x: share, y: share }).optional(),
})

/** Eggs by what was said of them: sound 1, 2 and 5. */
function tellEggs(eggs: readonly z.output<typeof EggData>[]): string {
  const by = new Map<string, number[]>()
  for (const { n, state, signs, massG, end } of eggs) {
    const of = [state && EGG_STATE_WORDS[state], ...(signs ?? []), massG && `${massG} g`, end]
      .filter(Boolean)
      .join(', ')
    const said = of || 'moved in the box'
    by.set(said, [...(by.get(said) ?? []), n])
  }
  return [...by].map(([said, numbers]) => `${said}: egg ${numbers.join(', ')}`).join('; ')
}

export const clutchKinds = [
  ...broughtKinds,
  ...apartKinds,
  ...boxKinds,
  ...programmeKinds,
  ...tadpoleKinds,
  ...youngKinds,
  defineKind({
    kind: 'eggsAdded',
    subject: 'clutch',
    verb: 'Add eggs laid later',
    data: z
      .strictObject({
        eggs: some('Eggs'),
        slugs: some('Slugs').or(z.literal(0)).default(0),
      })
      .refine(d => d.slugs <= d.eggs, { path: ['slugs'], message: 'More slugs than eggs' }),
    fields: { slugs: { label: 'Of these, slugs', as: 'count' } },
    apply(state, { eggs, slugs }, entry) {
      const [before, more] = [eggsLeft(state), eggs - slugs]
      setEggCount(state, state.eggs + eggs)
      state.slugs += slugs
      if (state.good !== null) state.good += more
      if (!more) return
      const apart = entry.day - state.startDay
      // what lay there and cannot hatch says nothing of the day
      state.startDay = before ? state.startDay + Math.round((apart * more) / (before + more)) : entry.day
      state.startGive = before ? Math.max(state.startGive, Math.ceil(apart / 2)) : 0
    },
    check(state, _, entry, { almanac }) {
      const most = almanac.common.sameClutch!.value
      if (state.kind !== 'eggs')
        return { path: 'kind', message: 'Only a clutch in a box gets eggs that are laid later' }
      if (sum(state.hatched)) return { path: 'subject.id', message: `Of ${state.tag} some are out: write a new laying` }
      return entry.day - state.startDay > most
        ? {
            path: 'subject.id',
            message: `${state.tag} was laid over ${most} days before: write a new laying of the pair`,
          }
        : null
    },
    wording: d => `${d.eggs} more laid${d.slugs ? `, ${d.slugs} of them slugs` : ''}`,
  }),
  defineKind({
    kind: 'eggsSeen',
    subject: 'clutch',
    verb: 'Record eggs',
    data: z.strictObject({ eggs: z.array(EggData).min(1, 'Say something of an egg').max(400) }),
    apply: (state, { eggs }, entry) => takeEggs(state, eggs, entry),
    check: (state, { eggs }) => eggProblem(state, eggs),
    wording: d => tellEggs(d.eggs),
  }),
  defineKind({
    kind: 'clutchCounted',
    subject: 'clutch',
    verb: 'Record count of eggs',
    data: z
      .strictObject({
        eggs: some('Eggs'),
        /** Counted by squares: the 80 % range of the estimate. */
        low: some('The lower end').or(z.literal(0)).optional(),
        high: some('The upper end').optional(),
      })
      .refine(d => (d.low ?? d.eggs) <= d.eggs && d.eggs <= (d.high ?? d.eggs), {
        path: ['low'],
        message: 'The count lies in its range',
      }),
    apply(state, { eggs, low, high }) {
      setEggCount(state, eggs)
      state.eggsRange = low === undefined && high === undefined ? null : { low: low ?? eggs, high: high ?? eggs }
      if (state.good !== null) state.good = Math.min(state.good, eggsLeft(state))
    },
    check(state, { eggs }) {
      if (state.kind === 'litter') return { path: 'kind', message: 'A litter is born, and has no eggs to count' }
      // numbers run on from 1 unless some lie in another box: then each that was looked at counts
      const looked = Object.keys(state.rows).map(Number)
      const named = state.numbers ? looked.length : Math.max(0, ...looked)
      const over = state.slugs + state.eggsLost + sum(state.hatched)
      const least = Math.max(named, over)
      return eggs < least
        ? {
            path: 'data.eggs',
            message:
              named > over
                ? state.numbers
                  ? `${named} eggs of ${state.tag} have been looked at: there are so many at least`
                  : `Egg ${named} of ${state.tag} has been looked at: there are ${named} at least`
                : `${over} of ${state.tag} are slugs, lost or out: there are so many at least`,
          }
        : null
    },
    wording: d =>
      `Counted: ${counted(d.eggs, 'egg')}${d.low !== undefined || d.high !== undefined ? ` (${d.low ?? d.eggs}–${d.high ?? d.eggs})` : ''}`,
  }),
  defineKind({
    kind: 'pipped',
    subject: 'clutch',
    verb: 'Record pips',
    data: z.strictObject({ count: some('Pipped') }),
    apply(state, { count }, entry) {
      state.pipped.push({ day: entry.day, count })
      state.lastCheck = seen(entry)
    },
    check(state, { count }) {
      if (state.kind !== 'eggs') return { path: 'kind', message: 'Only eggs in a box are pipped' }
      const whole = eggsLeft(state) - (pippedNow(state)?.count ?? 0)
      return count > whole
        ? { path: 'data.count', message: `${count} cannot be pipped: ${state.tag} has ${whole} eggs that are whole` }
        : null
    },
    wording: d => `${d.count} pipped`,
  }),
  defineKind({
    kind: 'clutchMoved',
    subject: 'clutch',
    verb: 'Move clutch',
    data: z.strictObject({
      placeId: reference('place').nullable(),
      /** What it is kept at there, where nothing reads it. */
      tempC: eggTempC.nullable().default(null),
    }),
    fields: { tempC: { label: 'Kept there at', as: 'temperature' } },
    apply(state, { placeId, tempC }, entry) {
      state.stays.push({ at: entry.at, day: entry.day, placeId, tempC })
      state.placeId = placeId
      state.tempC = tempC
    },
    check: (state, { placeId, tempC }) =>
      state.placeId === placeId && state.tempC === tempC
        ? { path: 'data.placeId', message: `${state.tag} is there already` }
        : null,
    wording: (d, { tempUnit }) => (d.tempC === null ? 'Moved' : `Moved, kept at ${formatQuantity(d.tempC, tempUnit)}`),
  }),
  defineKind({
    kind: 'phaseBegan',
    subject: 'clutch',
    verb: 'Begin phase',
    data: z.strictObject({ index: z.number().int().min(0).max(9) }),
    apply(state, { index }, entry) {
      state.phases.push({ index, day: entry.day, at: entry.at })
    },
    check(state, { index }, _, { almanac }) {
      const phases = eggIncubation(state, almanac)?.phases?.length ?? 0
      if (!phases)
        return { path: 'subject.id', message: `The eggs of ${state.tag} pass no phases: set a programme first` }
      if (index > phases)
        return { path: 'data.index', message: `There are ${phases + 1} phases, the warm one included` }
      const last = state.phases.at(-1)?.index ?? 0
      return index <= last ? { path: 'data.index', message: 'This phase has begun already' } : null
    },
    wording: d => `Phase ${d.index + 1} began`,
  }),
  defineKind({
    kind: 'eggsWeighed',
    subject: 'clutch',
    verb: 'Record weight of eggs',
    data: z.strictObject({ massG: eggMass, count: some('Eggs weighed').optional() }),
    fields: { count: { label: 'How many of them', as: 'count' } },
    apply(state, { massG, count }, entry) {
      state.eggWeights.push({ day: entry.day, massG, count: count ?? eggsLeft(state) })
    },
    check: (state, { count }) =>
      count !== undefined && count > state.eggs
        ? { path: 'data.count', message: `${state.tag} has ${state.eggs} eggs, slugs included` }
        : null,
    wording: d => `${d.count ? counted(d.count, 'egg') : 'Eggs'} weighed ${d.massG} g together`,
  }),
  defineKind({
    kind: 'clutchNoted',
    subject: 'clutch',
    verb: 'Write note',
    data: z.strictObject({ text: z.string().min(1, 'Write something').max(2000) }),
    apply() {},
    wording: d => d.text,
  }),
  defineKind({
    kind: 'candled',
    subject: 'clutch',
    verb: 'Record candling',
    data: z.strictObject({ good: some('Good eggs').or(z.literal(0)) }),
    apply(state, { good }, entry) {
      state.good = good
      state.lastCandled = state.lastCheck = seen(entry)
    },
    check: (state, { good }) =>
      good > eggsLeft(state)
        ? { path: 'data.good', message: `${state.tag} has ${eggsLeft(state)} eggs left, so ${good} cannot be good` }
        : null,
    wording: d => `Candled: ${d.good} good`,
  }),
  defineKind({
    kind: 'eggsChecked',
    subject: 'clutch',
    verb: 'Record look at eggs',
    data: none,
    apply(state, _, entry) {
      state.lastCheck = seen(entry)
    },
    wording: () => 'Box opened, eggs looked at',
  }),
  defineKind({
    kind: 'eggsLost',
    subject: 'clutch',
    verb: 'Record lost eggs',
    data: z.strictObject({ count: some('Lost eggs') }),
    apply(state, { count }) {
      state.eggsLost += count
      if (state.good !== null) state.good = Math.min(state.good, eggsLeft(state))
    },
    check: (state, { count }) =>
      count > eggsLeft(state)
        ? { path: 'data.count', message: `${state.tag} has only ${eggsLeft(state)} eggs left` }
        : null,
    wording: d => `Lost ${counted(d.count, 'egg')}`,
  }),
  defineKind({
    kind: 'hatched',
    subject: 'clutch',
    verb: 'Record hatching',
    data: z.strictObject({ count: some('Hatched') }),
    apply(state, { count }, entry) {
      state.hatched.push({ day: entry.day, count, entryId: entry.id })
      // those that came out were among the good ones
      if (state.good !== null) state.good = Math.max(0, state.good - count)
    },
    check: (state, { count }) => {
      if (state.kind === 'litter') return { path: 'kind', message: 'A litter is born, not hatched' }
      return count > eggsLeft(state)
        ? {
            path: 'data.count',
            message: `${count} cannot hatch: ${state.tag} has ${eggsLeft(state)} of ${state.eggs} eggs left`,
          }
        : null
    },
    wording: d => `${d.count} hatched`,
  }),
]
