import type { Almanac } from '../../almanac'
import type { RefusalCourse } from '../../feeding'
import type { Judgement } from '../../judgement'
import { inCold, type AnimalState } from '../../subjects'
import { counted, lowerFirst } from '../../units'
import type { Alarm } from '../contracts'

/** One that does not eat: what it weighs makes it grave, and what is tried next is said. */
export function refusalAlarm(
  animal: AnimalState,
  course: Judgement<RefusalCourse> | null,
  { refusalTold }: Almanac['common'],
): Alarm | null {
  if (!course || inCold(animal)) return null
  const { level, loss, daysWithout, helpedSince, next } = course.value
  const losing = loss !== null && loss >= 0.005
  const byHand = animal.refusals === 0 && helpedSince !== null
  if (byHand && level !== 'vet') return null
  if (level === 'normal' || (level === 'watch' && animal.refusals < refusalTold!.value)) return null
  if (level === 'weigh' && animal.refusals < refusalTold!.value && !losing) return null
  const tries = next ? `Next try: ${lowerFirst(next.of.how)}.` : ''
  const refused = animal.refusals === 1 ? 'refused 1 meal' : `refused ${animal.refusals} meals in a row`
  const lost = losing ? `, and lost ${Math.round(100 * loss)} %` : ''
  const without = daysWithout === null ? '' : `; ${counted(daysWithout, 'day')} without food`
  return {
    id: `refuser:${animal.id}`,
    level: level === 'vet' ? 'harm' : 'watch',
    subject: { type: 'animal', id: animal.id },
    text: `${animal.tag} ${byHand ? 'eats only what is put into its mouth' : refused}${lost}${without}`,
    todo:
      level === 'vet'
        ? `Call the reptile vet; meanwhile quiet, dark and warm. ${tries}`.trim()
        : level === 'weigh'
          ? `Weigh it every week. ${tries}`.trim()
          : `Watch weight, not meals. ${tries}`.trim(),
    reasons: course.reasons,
  }
}
