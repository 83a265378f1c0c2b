import { z } from 'zod'
import { defineKind } from '../../log'
import { lineOfText } from '../../reference'
import { upperFirst } from '../../units'
import { APART, CULTURE_SORTS, QUARTERS, type CultureApart } from '../cultureSorts'

const factor = z
  .number({ error: 'Times the usual: a number' })
  .min(APART.least, `${APART.least} × the usual at least`)
  .max(APART.most, `${APART.most} × the usual at most`)
  .optional()

/** Groups of one kind that are counted apart. */
const MOST = 60

const same = (a: Pick<CultureApart, 'by' | 'of'>, b: Pick<CultureApart, 'by' | 'of'>) => a.by === b.by && a.of === b.of

/** How those of a group do: `give 0.8 × the usual, fail 2 × as often`. */
export const tellApart = ({ yields, waits, fails }: Pick<CultureApart, 'yields' | 'waits' | 'fails'>): string =>
  [
    yields !== undefined && `give ${yields} × the usual`,
    waits !== undefined && `take ${waits} × as long`,
    fails !== undefined && `fail ${fails} × as often`,
  ]
    .filter(Boolean)
    .join(', ')

/** Cultures of a feeder that do otherwise than the others: of one shelf, strain, recipe or quarter. */
export const apartKinds = [
  defineKind({
    kind: 'culturesApart',
    subject: 'prey',
    verb: 'Count cultures apart',
    data: z.strictObject({
      by: z.enum(CULTURE_SORTS),
      /** The place by its id; a strain or recipe by its name; a quarter by its months. */
      of: lineOfText(80, 'Say which of them'),
      /** Times the usual; with none of the three they are counted as the others again. */
      yields: factor,
      waits: factor,
      fails: factor,
    }),
    check(state, data, _, { house, almanac }) {
      const { by, of } = data
      const known = state.apart?.some(a => same(a, data))
      if (data.yields === undefined && data.waits === undefined && data.fails === undefined)
        return known ? null : { path: 'data.of', message: 'They are counted as the others already' }
      const feeder = almanac.feeders[state.prey]
      if (![feeder?.supply, ...(feeder?.otherWays ?? [])].some(way => way?.kind === 'batch'))
        return { path: 'subject.id', message: 'It does not come from cups that are started one by one' }
      if (by === 'place' && !house.places[of]) return { path: 'data.of', message: 'There is no such place' }
      if (by === 'quarter' && !QUARTERS.some(q => q === of))
        return { path: 'data.of', message: `One of: ${QUARTERS.join(', ')}` }
      return !known && (state.apart?.length ?? 0) >= MOST
        ? { path: 'data.of', message: `${MOST} groups are counted apart already: take one back first` }
        : null
    },
    apply(state, { by, of, yields, waits, fails }) {
      const before = state.apart?.find(a => same(a, { by, of }))
      const others = (state.apart ?? []).filter(a => !same(a, { by, of }))
      const said = {
        ...(yields !== undefined && { yields }),
        ...(waits !== undefined && { waits }),
        ...(fails !== undefined && { fails }),
      }
      if (Object.keys(said).length) state.apart = [...others, { ...before, by, of, ...said }]
      else if (others.length) state.apart = others
      else delete state.apart
    },
    wording: data => upperFirst(tellApart(data)) || 'Counted as the others again',
  }),
]
