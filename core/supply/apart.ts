import type { Supply } from '../almanac'
import type { Day } from '../chance'
import { derived } from '../derived'
import {
  CULTURE_SORTS,
  quarterOf,
  strainOf,
  type ApartNumber,
  type CultureApart,
  type CultureGroups,
  type CultureState,
  type House,
  type StockState,
} from '../subjects'

type Batch = Extract<Supply, { kind: 'batch' }>

/** What of a house says how its cultures differ from others of their kind. */
export interface Cultured {
  cultures: House['cultures']
  stocks: Readonly<Record<string, Pick<StockState, 'apart'>>>
}

/** Of which group a culture is in each sort: where it stands now, as it was made and started. */
export const groupsOf = (culture: CultureState, cultures: House['cultures']): CultureGroups => ({
  place: culture.placeId,
  strain: strainOf(culture, cultures),
  recipe: culture.recipe ?? null,
  quarter: quarterOf(culture.startDay),
})

/** Of which group one is that is started on a day at a place, made as usual. */
export const groupsOfStart = (placeId: string | null, day: Day): CultureGroups => ({
  ...{ place: placeId, strain: null, recipe: null },
  quarter: quarterOf(day),
})

/** No cup is as good as sure to fail: it would not be started. */
const FAILS_AT_MOST = 0.95

const madeOf = derived((_: Batch) => new Map<string, Batch>())

/**
 * A way of supply as it is for the cultures of a group: those that are counted apart give, wait and fail as is said of
 * them, by all sorts together. What was bought about to yield is not of the house's making.
 * @returns the way itself where nothing is said of the group, and one and the same object for the same factors
 */
export function apartWay(way: Batch, apart: readonly CultureApart[] | undefined, groups: CultureGroups): Batch {
  if (!apart?.length || way.boughtProducing) return way
  const times = (number: ApartNumber) =>
    CULTURE_SORTS.reduce((all, by) => all * (apart.find(a => a.by === by && a.of === groups[by])?.[number] ?? 1), 1)
  const [yields, waits, fails] = [times('yields'), times('waits'), times('fails')]
  if (yields === 1 && waits === 1 && fails === 1) return way
  const known = madeOf(way)
  const key = `${yields} ${waits} ${fails}`
  let made = known.get(key)
  if (!made) {
    const { earliest, likely, latest } = way.toProducing
    made = {
      ...way,
      yieldTotal: { ...way.yieldTotal, value: way.yieldTotal.value * yields },
      toProducing: { ...way.toProducing, earliest: earliest * waits, likely: likely * waits, latest: latest * waits },
      failure: { ...way.failure, value: Math.min(FAILS_AT_MOST, way.failure.value * fails) },
    }
    known.set(key, made)
  }
  return made
}
