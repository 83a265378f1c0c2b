import { type Almanac, schoolChoice, speciesOf, type Species } from '../../almanac'
import { certain, conditionFrom, convolve, pert, shift, summarise, type Day, type DayDist } from '../../chance'
import {
  mealAfterWarm,
  warmingDays,
  coldLine,
  hasWinter,
  judgeCold,
  judgeReadiness,
  programmeOfAnimal,
  startingWeight,
  waysOf,
  type ColdLine,
  type ColdVerdict,
  type Programme,
  type Readiness,
  type WarmUp,
  type Warmth,
} from '../../brumation'
import { climateAt } from '../../climate'
import type { MealWinter } from '../../feeding'
import { entryInput, settingInput, spreadInput, type Judgement, type Reason } from '../../judgement'
import { inCold, type AnimalState } from '../../subjects'
import { temperatureAt } from '../../places'
import { formatDay } from '../../units'
import type { SeasonContext } from '../context'
import { groupOf } from '../indexes'
import { remembering } from '../remember'
import { warmUpDayOf } from '../../settings'

const winterContext = ({ almanac, settings }: SeasonContext) => ({ almanac, schools: settings.schools })

/** Everything of the house that an animal's winter depends on, for remembering what follows from it. */
export function winterDeps(animal: AnimalState, { house, almanac, settings, today }: SeasonContext): unknown[] {
  const running = inCold(animal)
  return [
    groupOf(house, animal.id),
    running ? climateAt(house, animal.placeId)?.log : undefined,
    running ? temperatureAt(house.places, animal.placeId) : null,
    almanac,
    settings,
    today,
  ]
}

const programmes = remembering<AnimalState, Programme | null>()

/** The programme in force for an animal: of its open group, or of the cold it is in. */
export function programmeFor(animal: AnimalState, context: SeasonContext): Programme | null {
  return programmes(context, animal, winterDeps(animal, context), () =>
    programmeOfAnimal(
      context.house,
      animal,
      speciesOf(context.almanac, animal.speciesId),
      winterContext(context),
      warmUpDayOf(context.settings, context.today),
    ),
  )
}

/** When an animal in the cold is woken: on the day that is planned, or after the species' usual weeks. */
export function wakingOf(
  animal: AnimalState,
  species: Species,
  context: SeasonContext,
): { dist: DayDist; reasons: Reason[] } {
  const { settings, today } = context
  const cooled = animal.cooled!
  const allWakeOn = warmUpDayOf(settings, today)
  if (allWakeOn !== null) {
    return {
      dist: certain(Math.max(allWakeOn, today)),
      reasons: [
        {
          rule: 'In the cold until the planned warm-up',
          inputs: [settingInput('Warm-up', formatDay(allWakeOn, today), 'warmUpDay')],
          change: 'Another warm-up day moves the whole season',
        },
      ],
    }
  }
  const programme = programmeFor(animal, context)
  if (programme && groupOf(context.house, animal.id))
    return { dist: certain(Math.max(programme.wakeDay, today)), reasons: programme.reasons }
  const weeks = species.cold?.weeks ?? { earliest: 6, likely: 9, latest: 12, unit: 'weeks', mark: 'memory' as const }
  const dist = shift(
    pert({ earliest: weeks.earliest * 7, likely: weeks.likely * 7, latest: weeks.latest * 7 }),
    cooled.day,
  )
  return {
    // overdue in the cold means it is for tomorrow, not that the season is off
    dist: summarise(dist)!.high < today ? certain(today + 1) : conditionFrom(dist, today),
    reasons: [
      {
        rule: 'Cooled, and woken after the species’ usual weeks of cold',
        inputs: [
          entryInput('Cooled', formatDay(cooled.day, today), cooled),
          spreadInput('Weeks of cold', `species.${species.id}.cold.weeks`, weeks),
        ],
        change: 'Put it in a winter group, set a warm-up day in Settings, or try one in What-if',
      },
    ],
  }
}

export interface ColdJudgement {
  line: ColdLine
  verdict: Judgement<ColdVerdict>
  programme: Programme
}

const colds = remembering<AnimalState, ColdJudgement | null>()

/** Loss, forecast and verdict of an animal in the cold; null for one that is not. */
export function coldOf(animal: AnimalState, context: SeasonContext): ColdJudgement | null {
  if (animal.status !== 'alive' || !inCold(animal)) return null
  return colds(context, animal, winterDeps(animal, context), () => {
    const species = speciesOf(context.almanac, animal.speciesId)
    const programme = programmeFor(animal, context)
    if (!hasWinter(species) || !programme) return null
    const { house, today } = context
    const assumedC = temperatureAt(house.places, animal.placeId) ?? programme.holdC
    const line = coldLine(
      species,
      animal,
      animal.winters.at(-1)!,
      climateAt(house, animal.placeId)?.log,
      assumedC,
      programme.wakeDay,
      today,
      context.almanac.common,
    )
    return {
      line,
      programme,
      verdict: judgeCold(
        species,
        animal,
        line,
        programme.wakeDay,
        species.weighEveryDays.cold.value,
        context.almanac.common,
        today,
      ),
    }
  })
}

/** The school of warming up that holds for an animal, also once its group is closed. */
export function warmUpOf(animal: AnimalState, context: SeasonContext): WarmUp {
  return (
    programmeFor(animal, context)?.warmUp ??
    (schoolChoice(context.almanac, context.settings.schools, 'warmUp', animal.speciesId).id as WarmUp)
  )
}

const warmingDaysOf = (animal: AnimalState, context: SeasonContext): number =>
  warmingDays(context.almanac, warmUpOf(animal, context))

/** Share lost in a stay that is over. */
function lostIn(animal: AnimalState, common: Almanac['common']): number | null {
  const winter = animal.winters.at(-1)!
  const start = startingWeight(animal.weights, winter, common)
  const end = winter.warmed?.day
  if (!start || end === undefined) return null
  const from = Math.max(start.day, winter.cooled.day - 1)
  const last = animal.weights.findLast(w => w.day > from && w.day <= end + common.afterWaking!.value)
  return last ? 1 - last.massG / start.massG : null
}

const readinesses = remembering<AnimalState, Readiness | null>()

/**
 * When an animal that brumates is ready to pair; null when it is not in the cold and no winter of this season is known.
 */
export function readinessOf(animal: AnimalState, context: SeasonContext): Readiness | null {
  const species = speciesOf(context.almanac, animal.speciesId)
  if (animal.status !== 'alive' || species.winter !== 'brumation' || !hasWinter(species) || !animal.cooled) return null
  const { warmed } = animal
  if (warmed && context.today - warmed.day > context.almanac.common.warmedCounts!.value) return null
  return readinesses(context, animal, winterDeps(animal, context), () => {
    const days = warmingDaysOf(animal, context)
    const own = waysOf(groupOf(context.house, animal.id), animal.id).pairAfterCold
    const warmth: Warmth = {
      warm: warmed ? certain(warmed.day + days) : convolve(wakingOf(animal, species, context).dist, certain(days)),
      seen: warmed,
      firstMealAfterDays: mealAfterWarm(context.almanac),
    }
    const lost = warmed ? lostIn(animal, context.almanac.common) : (coldOf(animal, context)?.line.atWake?.mid ?? null)
    return judgeReadiness(
      species,
      animal,
      animal.winters.at(-1)!,
      warmth,
      lost,
      context.today,
      winterContext(context),
      own,
    )
  })
}

/**
 * How the winter changes what an animal eats: fasting before, a small meal after, meals twice as often until it has
 * regained.
 */
export function mealWinterOf(animal: AnimalState, context: SeasonContext): MealWinter {
  const { today } = context
  const programme = programmeFor(animal, context)
  const warmed = animal.warmed
  const planned = programme && !inCold(animal) && !(warmed && warmed.day >= programme.coolDay)
  const ahead =
    planned && today < programme.wakeDay
      ? {
          fastFrom: programme.lastMealDay,
          fastUntil: programme.kind === 'dormancy' ? programme.coolDay : programme.firstMealDay,
        }
      : {}
  if (!warmed || !animal.cooled || today - warmed.day > context.almanac.common.warmedCounts!.value) return ahead
  const readiness = readinessOf(animal, context)
  return {
    ...ahead,
    firstMealDay: warmed.day + warmingDaysOf(animal, context) + mealAfterWarm(context.almanac),
    often: readiness !== null && readiness.regaining && today - warmed.day <= context.almanac.common.oftenUntil!.value,
  }
}

/** First day after waking on which an animal in the cold is offered food. */
export function eatsAgainOn(animal: AnimalState, context: SeasonContext): Day {
  const programme = programmeFor(animal, context)
  return programme ? Math.max(context.today, programme.firstMealDay) : context.today
}
