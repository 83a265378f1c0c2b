import { feederOf, schoolChoice, type Almanac, type Species } from '../almanac'
import { almanacRow, entryInput, factInput, spreadInput, type Input, type Reason } from '../judgement'
import type { AnimalState } from '../subjects'
import { formatDay } from '../units'
import type { FeedingSettings, LargePrey, LastOffer, MealPortions, MealRhythm } from './mealFindings'

interface Of {
  almanac: Almanac
  settings: FeedingSettings
  species: Species
  animal: AnimalState
  today: number
}

/** To take the smallest of them, by the weight it should have. */
export function tellLargePrey({ prey, massG }: LargePrey, almanac: Almanac): string {
  const { massG: rodent, one } = feederOf(almanac, prey)
  return `the smallest ${one}, of ${rodent.earliest} g: one of ${rodent.likely} g would be ${Math.round((100 * rodent.likely) / massG)} % of its weight`
}

function cameOf({ taken, offered }: LastOffer): string {
  if (taken === null) return `left in ${offered}`
  return taken > 0 ? `took ${taken}` : 'refused'
}

function rhythmRule({ everyDays, last, rest, often, restart }: MealRhythm, { common }: Almanac): string {
  if (restart) return 'First meal after the cold: when it is warm again'
  if (!last)
    return 'No meal is written yet, and what it ate before is not known, so it is due today, or when it eats first'
  const way = rest
    ? ' in the rest'
    : often
      ? `, twice as often until it has regained, at most ${common.oftenUntil!.value} days`
      : ''
  return `Every ${everyDays} days at this age${way}, counted from the last offer`
}

function rhythmReason(rhythm: MealRhythm, { almanac, species, animal }: Of): Reason {
  const { last, step, index, usualDays, often, rest } = rhythm
  const { common } = almanac
  const interval: Input = animal.ownLadder?.everyDays
    ? entryInput('Interval of its own', `${usualDays} days`, animal.ownLadder)
    : {
        label: 'Interval',
        value: `${step.everyDays} days`,
        from: almanacRow(`species.${species.id}.ladder.${index}.everyDays`, step),
      }
  return {
    rule: rhythmRule(rhythm, almanac),
    inputs: [
      ...(last ? [entryInput('Last offer', cameOf(last), last)] : []),
      interval,
      ...(often ? [factInput('Twice as often at most', 'common.oftenUntil.value', common.oftenUntil!)] : []),
      ...(rest
        ? [factInput('Food in the rest', `species.${species.id}.cold.rest.foodShare.value`, rest.foodShare)]
        : []),
    ],
    change: 'A meal recorded today moves the next one',
  }
}

const usualShare = ({ common }: Almanac) =>
  factInput('Share of a usual meal', 'common.firstMealShare.value', common.firstMealShare!)

const pauseReason = (pause: NonNullable<MealRhythm['pause']>, { almanac, today }: Of): Reason => ({
  rule: 'A meal came up: nothing for a while, then a small one',
  inputs: [
    entryInput('Brought up', formatDay(pause.upset.day, today), pause.upset),
    factInput('No food for', 'common.broughtUpPause.value', almanac.common.broughtUpPause!),
    usualShare(almanac),
  ],
  change: 'A meal that stays down',
})

const restartReason = ({ almanac }: Of): Reason => ({
  rule: 'Smaller than usual, to restart the gut',
  inputs: [usualShare(almanac)],
  change: 'The first meal taken',
})

type Carrying = NonNullable<MealPortions['carrying']>

function carryingRule({ gravid, share: { value } }: Carrying): string {
  const said = value === 0.5 ? 'half' : Math.abs(value - 1 / 3) < 0.01 ? 'a third' : `${Math.round(value * 100)} %`
  const when =
    gravid === 'late' ? 'in the last month, since a large prey late has brought premature births' : 'while gravid'
  return `${said} of it ${when}`
}
const carryingInput = ({ share, path }: Carrying) => factInput('Share of the usual prey', path, share)

function ladderReason({ step, index }: MealRhythm, { almanac, species, animal }: Of): Reason {
  const own = animal.ownLadder?.step != null ? { ...animal.ownLadder, step: animal.ownLadder.step } : null
  return {
    rule: own ? 'Prey by the step it was put on' : 'Prey by age on the species’ ladder',
    inputs: [
      ...(own ? [entryInput('Put on step', `${own.step + 1}`, own)] : []),
      ...step.meal.map((m, i) => ({
        label: feederOf(almanac, m.prey).name,
        value: `${m.count} each`,
        from: almanacRow(`species.${species.id}.ladder.${index}.meal.${i}.count`, step),
      })),
    ],
  }
}

const carryingReason = (carrying: Carrying): Reason => ({
  rule: carryingRule(carrying),
  inputs: [carryingInput(carrying)],
  change: 'A weight of the last two months says more than the ladder',
})

function weightReason({ weight, carrying, portions }: MealPortions, { almanac, settings }: Of): Reason {
  const school = schoolChoice(almanac, settings.schools, 'rodentSize')
  const { prey } = portions[0]!
  return {
    rule: `Prey by weight: ${school.name.toLowerCase()}${carrying ? `; ${carryingRule(carrying)}` : ''}`,
    inputs: [
      entryInput('Latest weight', `${weight!.massG} g`, weight!),
      factInput('Prey', `schools.rodentSize`, school.fact!),
      ...(carrying ? [carryingInput(carrying)] : []),
      spreadInput(feederOf(almanac, prey).name, `feeders.${prey}.massG`, feederOf(almanac, prey).massG),
      factInput('Mouse before rat under', 'common.ratsFrom.value', almanac.common.ratsFrom!),
    ],
    change: 'A new weight, or the other school of rodent size',
  }
}

/** The working of the next meal: its day, then its prey. */
export function mealReasons(rhythm: MealRhythm, gets: MealPortions, of: Of): Reason[] {
  const { pause, restart } = rhythm
  const { weight, carrying } = gets
  return [
    rhythmReason(rhythm, of),
    ...(pause ? [pauseReason(pause, of)] : []),
    ...(restart ? [restartReason(of)] : []),
    ...(weight ? [weightReason(gets, of)] : [ladderReason(rhythm, of)]),
    ...(!weight && carrying && of.species.eats === 'rodents' ? [carryingReason(carrying)] : []),
  ]
}
