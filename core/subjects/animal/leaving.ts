import type { Almanac, Species } from '../../almanac'
import type { Day } from '../../chance'
import type { House } from '../../log'
import { formatDistance } from '../../units'
import { comparableWeights } from './health'
import { PREY_STATE_WORDS, isHelped } from './offer'
import { quarantineOf, staysInQuarantine } from './quarantine'
import type { AnimalState } from './state'
import { SIGN_WORDS } from './winter'

/** One thing that is looked at before an animal leaves. */
export interface LeavingCheck {
  id: 'meals' | 'prey' | 'weight' | 'weighed' | 'age' | 'signs' | 'quarantine' | 'sex'
  label: string
  said: string
  /** `told`: it is no hindrance, and is said of it. */
  is: 'good' | 'wrong' | 'told'
}

/** Meals in a row that it took by itself, up to now; what was offered together is one. */
function mealsInARow({ meals }: Pick<AnimalState, 'meals'>): { count: number; helped: boolean } {
  let count = 0
  let last: string | null = null
  for (const meal of [...meals].reverse()) {
    if (meal.taken > 0 && isHelped(meal)) return { count, helped: true }
    if (meal.at === last) continue
    const together = meals.filter(m => m.at === meal.at)
    if (!together.some(m => m.taken > 0)) break
    count++
    last = meal.at
  }
  return { count, helped: false }
}

/** What speaks for and against an animal leaving on a day, each with what is known of it. */
export function leavingChecks(
  animal: AnimalState,
  species: Species,
  house: Pick<House, 'places'>,
  common: Almanac['common'],
  day: Day,
): LeavingCheck[] {
  const { count, helped } = mealsInARow(animal)
  const least = common.leaveMeals!.value
  const weights = comparableWeights(animal)
  const now = weights.at(-1)
  const best = Math.max(...weights.filter(w => day - w.day <= common.lossLookedBack!.value).map(w => w.massG))
  const loss = now && Number.isFinite(best) ? 1 - now.massG / best : null
  const age = animal.bornDay === null ? null : day - animal.bornDay
  const quarantine = quarantineOf(house, animal, common)
  const stays = quarantine && staysInQuarantine(quarantine, day)
  const last = animal.meals.filter(m => m.taken > 0).at(-1)
  const treated = (animal.treatments ?? []).filter(t => !t.ended && t.given.length < t.times)
  const checks: LeavingCheck[] = [
    {
      id: 'meals',
      label: 'Meals taken in a row',
      said: `${count}, of ${least} at least${helped ? ', before them with help' : ''}`,
      is: count >= least ? 'good' : 'wrong',
    },
    {
      id: 'weighed',
      label: 'Weighed',
      said: now ? formatDistance(now.day, day) : 'never',
      is: now && day - now.day <= common.leaveWeighed!.value ? 'good' : 'wrong',
    },
    {
      id: 'weight',
      label: 'Weight',
      said: loss === null ? 'not known' : loss <= 0 ? 'at its best' : `${(100 * loss).toFixed(1)} % under its best`,
      is: loss === null ? 'told' : loss <= common.leaveLoss!.value ? 'good' : 'wrong',
    },
    {
      id: 'age',
      label: 'Age',
      said: age === null ? 'not known' : `${age} days, of ${common.leaveAge!.value} at least`,
      is: age === null ? 'told' : age >= common.leaveAge!.value ? 'good' : 'wrong',
    },
    {
      id: 'signs',
      label: 'Health',
      said: animal.unwell
        ? ['not well', ...animal.unwell.signs.map(s => SIGN_WORDS[s as keyof typeof SIGN_WORDS] ?? s)].join(', ')
        : treated.length
          ? `under treatment: ${treated.map(t => t.what).join(', ')}`
          : 'nothing written against it',
      is: animal.unwell || treated.length ? 'wrong' : 'good',
    },
    { id: 'sex', label: 'Sex', said: animal.sex === 'unknown' ? 'not known: say so' : animal.sex, is: 'told' },
  ]
  if (species.weaning)
    checks.splice(1, 0, {
      id: 'prey',
      label: 'Prey it takes',
      said: last?.state ? PREY_STATE_WORDS[last.state] : 'live or thawed is not written: say it on its card',
      is: 'told',
    })
  if (quarantine)
    checks.push({
      id: 'quarantine',
      label: 'Quarantine',
      said: stays ?? 'over',
      is: stays ? 'wrong' : 'good',
    })
  return checks
}

/** Why it should not leave yet, as one sentence; null where nothing speaks against it. */
export function leavingQuestion(tag: string, checks: readonly LeavingCheck[]): string | null {
  const wrong = checks.filter(c => c.is === 'wrong').map(c => `${c.label.toLowerCase()} ${c.said}`)
  return wrong.length ? `${tag} should not leave yet: ${wrong.join('; ')}. Write the sale all the same?` : null
}
