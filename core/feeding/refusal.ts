import type { Almanac, Fact, Species } from '../almanac'
import type { Day } from '../chance'
import type { Judgement } from '../judgement'
import { comparableWeights, isHelped, type AnimalState, type Meal, type Weighing } from '../subjects'
import { firstMealAge } from './ladder'
import type { RefusalCourse, RefusalLevel, RefusalLimits, TryDone, WeighedLoss } from './refusalFindings'
import { refusalReasons } from './refusalWording'
import { isYoung } from './weaning'
import { triesOf, type Try } from './tries'

/** Limits of loss, and of days without food, by their numbers in the Almanac. */
const LIMITS: RefusalLimits = { watch: 'fastWatch', vet: 'fastVet', days: 'fastDays' }
const LIMITS_SMALL: RefusalLimits = { watch: 'fastWatchYoung', vet: 'fastVetYoung', days: 'fastDaysYoung' }

/** Whether it is small, and so has little to lose. */
function isSmall(species: Species, now: Weighing | undefined, { smallShare }: Almanac['common']): boolean {
  return (now?.massG ?? species.youngMassG.value) < smallShare!.value * species.adultMassG.value
}

/** The best weight since shortly before it last ate, and the latest. */
function lossOf(animal: AnimalState): WeighedLoss | null {
  const weights = comparableWeights(animal)
  const now = weights.at(-1)
  const ateOn = animal.lastTaken?.day ?? Number.NEGATIVE_INFINITY
  const before = weights.filter(w => w.day <= ateOn).at(-1)
  const since = weights.filter(w => w.day > ateOn)
  const best = [...(before ? [before] : []), ...since].reduce<Weighing | null>(
    (a, w) => (a && a.massG >= w.massG ? a : w),
    null,
  )
  return now && best ? { loss: Math.max(0, 1 - now.massG / best.massG), best, now } : null
}

/** Whether its weight falls without food, so far that it is watched. */
export function fallsFasting(animal: AnimalState, species: Species, { common }: Pick<Almanac, 'common'>): boolean {
  const loss = lossOf(animal)
  const watch = isSmall(species, loss?.now, common) ? common.fastWatchYoung! : common.fastWatch!
  return loss !== null && loss.loss >= watch.value
}

/** Since when it has eaten with help only; null where the last that it took, it took by itself. */
export function helpedSince({ meals }: Pick<AnimalState, 'meals'>): Day | null {
  const alone = meals.findLastIndex(m => m.taken > 0 && !isHelped(m))
  return meals.slice(alone + 1).find(m => m.taken > 0 && isHelped(m))?.day ?? null
}

const isTry = (of: Try, meal: Meal): boolean => meal.manner === of.manner && (!of.state || meal.state === of.state)

function nextTry(
  animal: AnimalState,
  species: Species,
  done: readonly TryDone[],
  losing: boolean,
  today: Day,
  spacing: number,
  common: Almanac['common'],
): RefusalCourse['next'] {
  const age = animal.bornDay === null ? Number.POSITIVE_INFINITY : today - animal.bornDay
  const last = Math.max(animal.meals.at(-1)?.day ?? Number.NEGATIVE_INFINITY, ...done.map(d => d.day))
  const day = Math.max(today, Number.isFinite(last) ? last + spacing : today)
  for (const of of triesOf(species)) {
    if (done.some(d => d.of === of)) continue
    if (of.whenLosing && !losing) continue
    const from: Fact | undefined = of.from ? common[of.from] : undefined
    if (from && age + (day - today) < from.value) continue
    return { of, day }
  }
  // what was shown to it once may work another time: the one that is longest ago, but for what is done by hand
  const again = done.filter(d => !d.of.trained).sort((a, b) => a.day - b.day)[0]
  return again ? { of: again.of, day } : null
}

/**
 * Where one that refuses stands, and what is tried next. How grave it is goes by what it weighs and how long it is
 * without food, not by how often it refused. Null while it eats by itself.
 * @param normal why not eating is usual for it now, such as a winter that comes; null where nothing is
 */
export function refusalCourse(
  almanac: Almanac,
  species: Species,
  animal: AnimalState,
  today: Day,
  normal: string | null = null,
): Judgement<RefusalCourse> | null {
  const { common } = almanac
  const helped = helpedSince(animal)
  if (!animal.refusals && helped === null) return null
  const loss = lossOf(animal)
  const small = isSmall(species, loss?.now, common)
  const limits = small ? LIMITS_SMALL : LIMITS
  const [watch, vet, days] = [common[limits.watch]!, common[limits.vet]!, common[limits.days]!]
  // a grown one of which no meal is written ate before it came: from the first that it refused here
  const ateOn =
    animal.lastTaken?.day ??
    (isYoung(animal, today, common) ? animal.bornDay! + firstMealAge(species) : (animal.meals[0]?.day ?? null))
  const daysWithout = ateOn === null ? null : Math.max(0, today - ateOn)
  const lost = loss?.loss ?? 0
  const without = daysWithout ?? 0
  const helpedFor = helped === null ? 0 : today - helped
  const weighedLately = loss !== null && today - loss.now.day <= species.weighEveryDays.young.value
  const level: RefusalLevel =
    lost >= vet.value || without >= days.value || helpedFor >= common.assistFor!.value
      ? 'vet'
      : lost >= watch.value || without >= days.value / 2
        ? 'weigh'
        : normal !== null
          ? 'normal'
          : animal.refusals >= common.refusalTold!.value && !weighedLately
            ? 'weigh'
            : 'watch'
  const refused = animal.meals.filter(m => m.taken === 0 && m.day > (animal.lastTaken?.day ?? Number.NEGATIVE_INFINITY))
  const done = triesOf(species).flatMap((of): TryDone[] => {
    const last = refused.filter(m => isTry(of, m)).at(-1)
    return last
      ? [
          {
            of,
            day: last.day,
            struck: last.outcome === 'struck',
            ...(last.minutes !== undefined && { minutes: last.minutes }),
          },
        ]
      : []
  })
  const spacing = species.eats === 'rodents' ? common.tryEvery!.value : 1
  const next = nextTry(animal, species, done, lost >= watch.value, today, spacing, common)
  const value = { level, loss: loss?.loss ?? null, daysWithout, helpedSince: helped, done, next }
  return {
    value,
    reasons: refusalReasons({ ...value, normal, small, weighed: loss, limits }, { almanac, species, animal, today }),
  }
}
