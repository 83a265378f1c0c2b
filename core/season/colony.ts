import { feederOf, type Almanac, type ColonyRates, type Feeder } from '../almanac'
import type { Day } from '../chance'
import { computedInput, computedTemp, factInput, type Reason } from '../judgement'
import type { CultureState, House } from '../subjects'
import { colonyToday, cultureStage, cultureWay, sustainableTake, type Colony, type ColonyWarmth } from '../supply'
import { formatDay } from '../units'
import { remembering, type Remembering } from './remember'
import { cultureTempC, cultureWarmth, placeWarmth } from './warmth'

/** A colony as it is estimated today, and what may be taken of it a week for good. */
export interface ColonyView {
  colony: Colony
  perWeek: number
  reasons: Reason[]
}

const views = remembering<CultureState, ColonyView>()

/** So many of the temperatures that it stood at are told. */
const SPELLS_TOLD = 4

/** What its place is, and the last temperatures that it stood at before. */
function stoodAt({ tempC, stood = [] }: ColonyWarmth) {
  const now = placeWarmth('Its place', tempC)
  const before = stood.slice(-SPELLS_TOLD).map(s => computedTemp(`From ${formatDay(s.fromDay)}`, s.tempC))
  return stood.length > 1 ? [...before, now] : [now]
}

function colonyReasons(
  culture: CultureState,
  { id, recipe }: Feeder,
  rates: ColonyRates,
  usually: number,
  warmth: ColonyWarmth,
  { common }: Pick<Almanac, 'common'>,
): Reason[] {
  const path = `feeders.${id}.colony`
  const harvests = culture.takes.length
  const taken = culture.takes.reduce((n, t) => n + t.count, 0)
  const founders = recipe
    ? factInput('Started with', `feeders.${id}.recipe.founders.value`, recipe.founders)
    : factInput('Started with', 'common.colonyFounders.value', common.colonyFounders!)
  return [
    {
      rule: 'Day by day from its start: births as there is room, stages passed by warmth, deaths; moved by takes and counts',
      inputs: [
        founders,
        ...stoodAt(warmth),
        factInput('Young a day of a grown one', `${path}.youngPerDay.value`, rates.youngPerDay),
        ...rates.stages.flatMap(({ name, days, survives }, i) => [
          factInput(`${name}: last`, `${path}.stages.${i}.days.value`, days),
          factInput(`${name}: survive`, `${path}.stages.${i}.survives.value`, survives),
        ]),
        factInput('Life once grown', `${path}.adultDays.value`, rates.adultDays),
        factInput('It holds', `${path}.capacity.value`, rates.capacity),
        computedInput(
          'Taken',
          harvests ? `${taken} in ${harvests} counted harvests` : `not counted: ${usually} a week, as is usual`,
        ),
        computedInput('Counts and looks', `${culture.looks.length}`),
      ],
      change: 'A count of a part of it, or a harvest that is counted',
    },
    {
      rule: 'Most a week that is there each week, and leaves grown ones to follow for two generations',
      inputs: [
        factInput('In so many of all cases', 'common.chainSure.value', common.chainSure!),
        factInput('Grown ones may become fewer by', 'common.colonyMayLose.value', common.colonyMayLose!),
        factInput('Colonies differ by', 'common.colonySpread.value', common.colonySpread!),
      ],
      change: 'More room, more warmth, or a second one',
    },
  ]
}

/** How a colony stands, for those that yield and of whose kind it is known how it grows; null for all others. */
export function colonyView(
  culture: CultureState,
  context: Remembering & {
    house: Pick<House, 'places' | 'climate' | 'cultures' | 'warmth'>
    almanac: Pick<Almanac, 'feeders' | 'common'>
    today: Day
  },
): ColonyView | null {
  const { almanac, today } = context
  const feeder = feederOf(almanac, culture.feederId)
  const way = cultureWay(feeder, culture)
  const { colony: rates, recipe } = feeder
  if (!rates || way?.kind !== 'colony' || cultureStage(culture, way, today) !== 'producing') return null
  const warmth = { tempC: cultureTempC(culture, context), stood: cultureWarmth(culture, context)?.stood }
  const { common } = almanac
  // told anew every hour, and mostly the same
  const from = [rates, recipe, way, warmth.tempC, JSON.stringify(warmth.stood), today, common]
  return views(context, culture, from, () => {
    const usual = { from: culture.producing!.day, perWeek: 7 * way.yieldPerDay.value }
    const colony = colonyToday(
      culture,
      rates,
      (recipe?.founders ?? common.colonyFounders!).value,
      warmth,
      almanac,
      today,
      usual,
    )
    const perWeek = sustainableTake(colony, common.chainSure!.value)
    return { colony, perWeek, reasons: colonyReasons(culture, feeder, rates, usual.perWeek, warmth, almanac) }
  })
}
