import { schoolChoice, type Almanac, type Cold, type Species } from '../almanac'
import type { Day } from '../chance'
import { computedInput, entryInput, factInput, settingInput, spreadInput, type Input, type Reason } from '../judgement'
import { winterGroupOf, type AnimalState, type House, type WinterGroup, type WinterWays } from '../subjects'
import { formatDay } from '../units'
import { dayLengthHours, dayOfYear } from './dayLength'

export type WarmUp = 'atOnce' | 'steps' | 'gradual'

/** The winter of an animal or group as dates, temperatures and light. */
export interface Programme {
  kind: 'brumation' | 'dormancy'
  lastMealDay: Day
  bathDays: Day[]
  /** First day of falling temperature, of the hold, of warming, and of full warmth. */
  coolDay: Day
  holdDay: Day
  wakeDay: Day
  warmDay: Day
  firstMealDay: Day
  warmC: number
  holdC: number
  /** Night temperature of a rest; null in true cold, which knows no day. */
  nightC: number | null
  warmUp: WarmUp
  /** Where it is warmed in steps: first so warm, and from so many days on so warm until it is full. */
  steps: { firstC: number; thenC: number; thenAfter: number }
  lightHours: number
  /** For a rest: when the male goes to the female, before its end. */
  maleDay: Day | null
  reasons: Reason[]
}

export interface WinterContext {
  almanac: Almanac
  schools: Readonly<Record<string, string>>
}

/** Days from the start of warming to full warmth, by school. */
export const warmingDays = ({ schools }: Pick<Almanac, 'schools'>, warmUp: WarmUp): number =>
  Math.round(schools.warmUp!.choices.find(c => c.id === warmUp)!.fact!.value)

/** How it is warmed in steps. */
export const warmingSteps = ({ common }: Pick<Almanac, 'common'>): Programme['steps'] => ({
  firstC: common.warmFirstC!.value,
  thenC: common.warmThenC!.value,
  thenAfter: Math.round(common.warmThenAfter!.value),
})

/** Days of full warmth before the first meal is offered. */
export const mealAfterWarm = ({ common }: Pick<Almanac, 'common'>): number => Math.round(common.mealAfterWarm!.value)

interface Chosen<T> {
  value: T
  input: Input
}

function chosen<T>(
  label: string,
  unit: string,
  own: T | null | undefined,
  whose: string,
  usual: T,
  usualInput: Input,
): Chosen<T> {
  return own === null || own === undefined
    ? { value: usual, input: usualInput }
    : { value: own, input: { label, value: `${String(own)}${unit}`, from: { kind: 'setting', name: whose } } }
}

/**
 * The programme of a species' winter from the day of cooling, with own ways of group and animal laid over it.
 * @param coolDay first day of falling temperature
 * @param ways what is set otherwise; `whose` names by whom in the working
 */
export function programmeOf(
  species: Species & { cold: Cold },
  { almanac, schools }: WinterContext,
  coolDay: Day,
  ways: WinterWays = {},
  whose = 'group',
): Programme {
  const { cold } = species
  const path = `species.${species.id}.cold`
  const gut = chosen(
    'Fasting',
    ' days',
    ways.gutClearDays,
    whose,
    cold.gutClearDays.likely,
    spreadInput('Fasting', `${path}.gutClearDays`, cold.gutClearDays),
  )
  const down = chosen(
    'Cooling down',
    ' days',
    ways.stepDownDays,
    whose,
    cold.stepDownDays.value,
    factInput('Cooling down', `${path}.stepDownDays.value`, cold.stepDownDays),
  )
  const hold = chosen(
    'Hold',
    ' °C',
    ways.holdC,
    whose,
    cold.holdC.value,
    factInput('Hold', `${path}.holdC.value`, cold.holdC),
  )
  const length = chosen(
    'Length',
    ' days',
    ways.holdDays,
    whose,
    Math.round(cold.weeks.likely * 7),
    spreadInput('Length', `${path}.weeks`, cold.weeks),
  )
  const light = chosen(
    'Light',
    ' h',
    ways.lightHours,
    whose,
    cold.lightHours.value,
    factInput('Light in the hold', `${path}.lightHours.value`, cold.lightHours),
  )
  const school = schoolChoice(
    almanac,
    { ...schools, ...(ways.warmUp && { [`warmUp@${species.id}`]: ways.warmUp }) },
    'warmUp',
    species.id,
  )
  const warmUp = school.id as WarmUp
  // true cold has its own first days of cooling counted in its length, as keepers count it: from cooling to waking
  const holdDay = coolDay + down.value
  const wakeDay = Math.max(holdDay + 1, coolDay + length.value)
  const warmDay = wakeDay + (species.winter === 'dormancy' ? down.value : warmingDays(almanac, warmUp))
  const lastMealDay = coolDay - gut.value
  const rest = cold.rest
  const bathEvery = Math.max(1, Math.round(almanac.common.bathEvery!.value))
  return {
    kind: species.winter === 'dormancy' ? 'dormancy' : 'brumation',
    lastMealDay,
    bathDays: cold.baths
      ? Array.from({ length: Math.floor(gut.value / bathEvery) }, (_, i) => lastMealDay + (i + 1) * bathEvery)
      : [],
    coolDay,
    holdDay,
    wakeDay,
    warmDay,
    firstMealDay: warmDay + mealAfterWarm(almanac),
    warmC: cold.warmC.value,
    holdC: hold.value,
    nightC: rest ? rest.nightC.value - cold.holdC.value + hold.value : null,
    warmUp,
    steps: warmingSteps(almanac),
    lightHours: light.value,
    maleDay: rest ? wakeDay - rest.maleBeforeEndDays.value : null,
    reasons: [
      {
        rule:
          species.winter === 'dormancy'
            ? 'A rest: lower temperature, shorter days, less food, as its species has it'
            : 'Last meal, gut clear, cooling down, hold, warming up, first small meal',
        inputs: [
          gut.input,
          down.input,
          hold.input,
          length.input,
          light.input,
          {
            label: 'Warming up',
            value: `${school.name}: ${school.reason}`,
            from: { kind: 'setting', name: 'schools' },
          },
        ],
        change: 'Another cooling day, or own ways of the group or of one animal',
      },
    ],
  }
}

/** Whether a species has a winter, with the type narrowed to it. */
export const hasWinter = (species: Species): species is Species & { cold: Cold } =>
  species.winter !== 'none' && species.cold !== undefined

/** The animal's own ways over those of its group. */
export const waysOf = (group: WinterGroup | undefined, animalId: string): WinterWays => ({
  ...group?.ways,
  ...group?.members[animalId],
})

/**
 * The programme that holds for one animal: that of its open group with its own ways, or, without a group, the species'
 * from the day it was cooled. Null when it has neither, or its species knows no winter.
 * @param warmUpDay house-wide day of waking, when one is set: it stands over the groups
 */
export function programmeOfAnimal(
  house: House,
  animal: AnimalState,
  species: Species,
  context: WinterContext,
  warmUpDay: Day | null = null,
): Programme | null {
  if (!hasWinter(species)) return null
  const group = winterGroupOf(house, animal.id)
  const running = animal.cooled && !animal.warmed ? animal.cooled : null
  if (!group && !running) return null
  const programme = programmeOf(
    species,
    context,
    group?.coolDay ?? running!.day,
    waysOf(group, animal.id),
    group?.tag ?? 'animal',
  )
  const reasons = [...programme.reasons]
  if (group)
    reasons.unshift({
      rule: `Planned as group ${group.tag}`,
      inputs: [computedInput('Cooling from', formatDay(group.coolDay))],
      change: 'Change the programme in Brumation',
    })
  else
    reasons.unshift({
      rule: 'In no group: the species’ usual winter from the day it was cooled',
      inputs: [entryInput('Cooled', formatDay(running!.day), running!)],
      change: 'Put it in a winter group',
    })
  if (warmUpDay === null || !running) return { ...programme, reasons }
  return wokenOn({ ...programme, reasons }, warmUpDay)
}

/** A programme with its waking on a day of the house's own. */
export function wokenOn(programme: Programme, warmUpDay: Day): Programme {
  const shift = warmUpDay - programme.wakeDay
  return {
    ...programme,
    wakeDay: warmUpDay,
    warmDay: programme.warmDay + shift,
    firstMealDay: programme.firstMealDay + shift,
    maleDay: programme.maleDay === null ? null : programme.maleDay + shift,
    reasons: [
      { rule: 'The house wakes all on one day', inputs: [settingInput('Warm-up', formatDay(warmUpDay), 'warmUpDay')] },
      ...programme.reasons,
    ],
  }
}

export interface Setpoint {
  /** Hours since 1970. */
  hour: number
  tempC: number
}

/**
 * The corners of the temperature curve, to be joined by straight lines; two at one hour are a jump.
 * The whole winter from the last meal to ten days after full warmth. Day temperature, for a rest.
 */
export function setpoints(p: Programme): Setpoint[] {
  const at = (day: Day, tempC: number): Setpoint => ({ hour: day * 24, tempC })
  const start = [
    at(Math.min(p.lastMealDay, p.coolDay - 1), p.warmC),
    at(p.coolDay, p.warmC),
    at(p.holdDay, p.holdC),
    at(p.wakeDay, p.holdC),
  ]
  const end = at(p.warmDay + 10, p.warmC)
  if (p.kind === 'dormancy' || p.warmUp === 'gradual') return [...start, at(p.warmDay, p.warmC), end]
  if (p.warmUp === 'atOnce') return [...start, at(p.wakeDay, p.warmC), end]
  const cool = Math.min(p.steps.firstC, p.warmC)
  const room = Math.min(p.steps.thenC, p.warmC)
  const then = Math.min(p.wakeDay + p.steps.thenAfter, p.warmDay)
  return [
    ...start,
    at(p.wakeDay, cool),
    at(then, cool),
    at(then, room),
    at(p.warmDay, room),
    at(p.warmDay, p.warmC),
    end,
  ]
}

/** The temperature wished at an hour (since 1970): the curve, and at night in a rest its lower line. */
export function setpointAt(p: Programme, hour: number): number {
  const corners = setpoints(p)
  if (hour <= corners[0]!.hour) return corners[0]!.tempC
  let tempC = corners.at(-1)!.tempC
  for (let i = 1; i < corners.length; i++) {
    const [a, b] = [corners[i - 1]!, corners[i]!]
    if (hour >= b.hour) continue
    tempC = a.tempC + (b.tempC - a.tempC) * ((hour - a.hour) / (b.hour - a.hour))
    break
  }
  if (p.nightC === null) return tempC
  const fromNoon = Math.abs((((hour % 24) + 24) % 24) - 12)
  const night = fromNoon > p.lightHours / 2
  return night ? tempC - (p.holdC - p.nightC) : tempC
}

/**
 * Hours of light on a day: the light outside (or twelve hours) before and after, falling to the hold's over the days of
 * cooling down and rising over those of warming.
 * @param latitude of the house, degrees; null keeps twelve hours
 */
export function lightHoursAt(p: Programme, day: Day, latitude: number | null): number {
  const outside = latitude === null ? 12 : dayLengthHours(latitude, dayOfYear(day))
  if (day < p.coolDay || day >= p.warmDay) return outside
  if (day >= p.holdDay && day < p.wakeDay) return p.lightHours
  const share =
    day < p.holdDay
      ? (day - p.coolDay) / Math.max(1, p.holdDay - p.coolDay)
      : 1 - (day - p.wakeDay) / Math.max(1, p.warmDay - p.wakeDay)
  return outside + (p.lightHours - outside) * share
}
