import { feederOf, isLiveRow, speciesOf } from '../../almanac'
import type { Day } from '../../chance'
import { computedInput, entryInput, settingInput, type Reason } from '../../judgement'
import type { MouthSource } from '../../nursery'
import { hereOf, livingAnimals, oneOf, type AnimalState, type CultureState } from '../../subjects'
import {
  arrival,
  cultureWayHere,
  fedFirst,
  lifeOf,
  orderDue,
  packWay,
  plannedSupply,
  remainingYield,
  standingLots,
} from '../../supply'
import { formatDay } from '../../units'
import { colonyView } from '../colony'
import type { SeasonContext } from '../context'
import type { PreyOutlook, Scenarios } from '../contracts'
import { eachGuarded, guarded, subjectAs } from '../guard'
import { isLike, isSame, remembering } from '../remember'
import { cultureTempC, placeTempC } from '../warmth'
import { liveMealsAhead } from '../weaning'
import { animalNeed, eatenByAnimals, type EatenBy } from './animals'
import { EatersByPrey } from './eaters'
import { HORIZON_DAYS, SCENARIOS } from './horizon'
import { keptInputs } from './keptWarm'
import { addInto, youngNeed } from './young'

const yields = remembering<CultureState, ReturnType<typeof remainingYield>>()

/** Whether two outlooks of a prey say the same: its rows of days first, which differ soonest. */
const saysSame = (a: PreyOutlook, b: PreyOutlook): boolean =>
  isSame(a.mean, b.mean) && isSame(a.high, b.high) && isSame(a.running, b.running) && isLike(a, b)

/** `Array.from` asks an iterator for every day of every prey. */
function listOf(row: Float64Array): number[] {
  const list = new Array<number>(row.length)
  for (let d = 0; d < row.length; d++) list[d] = row[d]!
  return list
}

/** @param own what is the same in every scenario, so that it lifts the quantile as it is */
function highOf(own: Float64Array | undefined, young: Float64Array | undefined, days: number): number[] {
  const high = new Array<number>(days)
  for (let d = 0; d < days; d++) high[d] = (own?.[d] ?? 0) + (young?.[d] ?? 0)
  return high
}

const SAID = Symbol('outlooks of prey')
const nothingSaid = () => new Map<string, PreyOutlook>()

/** The outlook of before where it says the same: what follows from it need not be worked out again, nor be told. */
function asSaid(look: PreyOutlook, { memory }: SeasonContext): PreyOutlook {
  const said = memory?.room(SAID, nothingSaid)
  const before = said?.get(look.prey)
  if (before && saysSame(before, look)) return before
  said?.set(look.prey, look)
  return look
}

/**
 * Need and running supply of each prey on each day to the horizon. The mean is exact; the quantile is read from
 * scenarios drawn with a fixed seed per source.
 * @param births the day on which each female that carries is expected to lay or give birth: until then her prey is
 *   smaller
 */
export function outlook(
  context: SeasonContext,
  mouths: readonly MouthSource[],
  births: ReadonlyMap<string, Day> = new Map(),
): { prey: PreyOutlook[]; scenarios: Scenarios } {
  const { house, almanac, settings, today } = context
  const days = HORIZON_DAYS
  const fromAnimals = new Map<string, Float64Array>()
  const causes = new Map<string, Map<string, { label: string; total: number }>>()
  const addCause = (prey: string, id: string, label: string, total: number) => {
    if (total < 0.5) return
    let list = causes.get(prey)
    if (!list) causes.set(prey, (list = new Map()))
    const known = list.get(id)
    if (known) known.total += total
    else list.set(id, { label, total })
  }

  const live = liveMealsAhead(context)
  const needOf = (animal: AnimalState, times: number): EatenBy => {
    const birth = births.get(animal.id) ?? null
    const species = speciesOf(almanac, animal.speciesId)
    return { id: animal.id, species, times, portions: animalNeed(animal, species, birth, live.get(animal.id), context) }
  }
  const groups = Object.values(house.groups).filter(g => hereOf(g) > 0)
  const needs = [
    ...eachGuarded(context, 'its food', livingAnimals(house), subjectAs('animal'), animal => needOf(animal, 1)),
    ...eachGuarded(context, 'its food', groups, subjectAs('group'), group => needOf(oneOf(group), hereOf(group))),
  ]
  const eaters = new EatersByPrey()
  for (const part of eatenByAnimals(needs, context)) {
    eaters.addAll(part.eaters)
    for (const { prey, species, total } of part.causes.values())
      addCause(prey, `species:${species.id}`, `${species.name}, animals of the house`, total)
  }
  for (const [prey, list] of eaters.byPrey()) for (const { mean } of list) addInto(fromAnimals, prey, mean)

  const young = youngNeed(mouths, context)
  for (const part of young.parts) context.failures?.push(...part.failures)
  const mean = new Map([...fromAnimals].map(([prey, row]) => [prey, row.slice()]))
  for (const [prey, row] of young.mean) addInto(mean, prey, row)
  for (const part of young.parts) {
    for (const c of part.causes) addCause(c.prey, c.laneId, c.label, c.total)
    eaters.addAll(part.eaters)
  }

  const culturesOf = new Map<string, CultureState[]>()
  for (const culture of Object.values(house.cultures))
    culturesOf.set(culture.feederId, [...(culturesOf.get(culture.feederId) ?? []), culture])
  const kinds = new Set([
    ...mean.keys(),
    ...Object.values(house.cultures)
      .filter(c => !c.finished && !c.failed)
      .map(c => c.feederId),
    // what lies in the freezer is seen, also where nobody eats it any more
    ...Object.values(house.stocks)
      .filter(s => s.left > 0 || s.onOrder.length > 0)
      .map(s => s.prey),
  ])
  const isNone = (row: Float64Array | undefined) => !row?.some(n => n > 0)
  const planned = [...kinds].filter(
    id =>
      almanac.feeders[id] &&
      plannedSupply(feederOf(almanac, id)) &&
      // nobody takes them alive any more, and none are there
      !(isLiveRow(id) && isNone(mean.get(id)) && !house.stocks[id]?.left && !house.stocks[id]?.onOrder.length),
  )
  const prey = eachGuarded(
    context,
    'its need and supply',
    planned,
    id => ({ type: 'prey', id }),
    (id): PreyOutlook => {
      const feeder = feederOf(almanac, id)
      const supply = plannedSupply(feeder)!
      // what runs yields as it was started, however the house gets it now
      const packs = packWay(feeder)
      const running = new Float64Array(days)
      const colonies: Record<string, number> = {}
      for (const culture of culturesOf.get(id) ?? []) {
        const culturing = cultureWayHere(feeder, culture, house)
        if (!culturing) continue
        const view = guarded(context, 'its colony', { type: 'culture', id: culture.id }, () =>
          colonyView(culture, context),
        )
        if (view) {
          colonies[culture.id] = view.perWeek / 7
          for (let d = 0; d < days; d++) running[d]! += view.perWeek / 7
          continue
        }
        const tempC = cultureTempC(culture, context)
        const unwritten = almanac.common.unwrittenProducing!.value
        const left =
          guarded(context, 'its yield', { type: 'culture', id: culture.id }, () =>
            yields(context, culture, [culturing, tempC, today, settings.cupYield, unwritten], () =>
              remainingYield(culture, culturing, tempC, today, days, settings.cupYield, unwritten),
            ),
          ) ?? []
        for (let d = 0; d < days; d++) running[d]! += left[d] ?? 0
      }
      const stock = house.stocks[id]
      const tempC = stock?.placeId === undefined ? null : placeTempC(stock.placeId, context)
      const life = lifeOf(supply, almanac.common, feeder.grows, tempC)
      const lots = stock ? standingLots(stock, life, today) : []
      const atHand = lots.reduce((sum, lot) => sum + lot.pieces, 0)
      const gone = lots.reduce((sum, lot) => sum + lot.gone, 0)
      const lead = packs?.leadDays.value ?? 0
      const arriving = (stock?.onOrder ?? [])
        .map(order => ({
          comes: arrival(orderDue(order, lead, house.suppliers), almanac, today),
          count: order.count,
        }))
        .filter(({ comes }) => comes.p.length > 0 && comes.start - today < days)
      for (const { comes, count } of arriving) {
        comes.p.forEach((p, i) => {
          const day = comes.start + i + fedFirst(packs) - today
          if (day < days) running[day]! += p * count
        })
      }
      const row = mean.get(id) ?? new Float64Array(days)
      const reasons: Reason[] = [
        {
          rule: 'Mouths on each day (by their first-meal forecasts and losses) times the feeding ladder of their species',
          inputs: [
            settingInput(
              'Covered',
              `${Math.round(settings.coverQuantile * 100)} % of ${SCENARIOS} scenarios, drawn with a fixed seed`,
              'coverQuantile',
            ),
            settingInput('Appetite', `${settings.appetite} × the ladder`, 'appetite'),
            ...(settings.waste
              ? [settingInput('Never eaten', `${Math.round(100 * settings.waste)} % of what is offered`, 'waste')]
              : []),
            computedInput(
              'Stock today',
              `${Math.round(atHand)} usable${gone > 0.5 ? `; about ${Math.round(gone)} more by count have gone off` : ''}`,
            ),
            ...keptInputs(feeder, supply, { placeId: stock?.placeId, tempC }, context),
            ...(supply.kind === 'bought'
              ? lots
                  .filter(lot => lot.pieces >= 0.5)
                  .map(lot =>
                    entryInput(
                      `Of ${formatDay(lot.day, today)}`,
                      `${Math.round(lot.pieces)}, use by ${formatDay(lot.useBy, today)}`,
                      lot,
                    ),
                  )
              : []),
          ],
          change: 'Every recorded lock, laying, hatch, loss or sale moves it',
        },
      ]
      const look: PreyOutlook = {
        prey: id,
        mean: listOf(row),
        high: highOf(fromAnimals.get(id), young.high.get(id), days),
        running: listOf(running),
        arriving,
        stock: atHand,
        ...(tempC !== null && { tempC }),
        lots: supply.kind === 'bought' ? lots.filter(lot => lot.pieces + lot.gone >= 0.005) : [],
        colonies,
        causes: [...(causes.get(id) ?? new Map<string, { label: string; total: number }>())]
          .map(([cid, c]) => ({ id: cid, ...c }))
          .sort((a, b) => b.total - a.total),
        reasons,
      }
      return asSaid(look, context)
    },
  )
  const order = Object.keys(almanac.feeders)
  prey.sort((a, b) => order.indexOf(a.prey) - order.indexOf(b.prey))
  const scenarios: Scenarios = {
    count: SCENARIOS,
    eaters: id => eaters.eatersOf(id),
    need: id => {
      const drawn = young.drawn.get(id)
      const own = fromAnimals.get(id)
      const need = new Float64Array(days * SCENARIOS)
      if (drawn) need.set(drawn)
      if (own) for (let s = 0; s < SCENARIOS; s++) for (let d = 0; d < days; d++) need[s * days + d]! += own[d]!
      return need
    },
  }
  return { prey, scenarios }
}
