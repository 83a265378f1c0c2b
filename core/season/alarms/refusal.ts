import type { Almanac } from '../../almanac'
import type { RefusalCourse } from '../../feeding'
import type { Judgement } from '../../judgement'
import { inCold, type AnimalState } from '../../subjects'
import type { Alarm } from '../contracts'
import { tellRefusal } from './refusalWording'

/** One that does not eat: what it weighs makes it grave, and what is tried next is said. */
export function refusalAlarm(
  animal: AnimalState,
  course: Judgement<RefusalCourse> | null,
  { refusalTold, refusalLoss }: Almanac['common'],
): Alarm | null {
  if (!course || inCold(animal)) return null
  const { level, loss, helpedSince } = course.value
  const isFew = animal.refusals < refusalTold!.value
  const lost = loss !== null && loss >= refusalLoss!.value ? loss : null
  const byHand = animal.refusals === 0 && helpedSince !== null
  if (level === 'normal' || (byHand && level !== 'vet')) return null
  if (isFew && (level === 'watch' || (level === 'weigh' && lost === null))) return null
  return {
    id: `refuser:${animal.id}`,
    level: level === 'vet' ? 'harm' : 'watch',
    subject: { type: 'animal', id: animal.id },
    ...tellRefusal({ tag: animal.tag, refusals: animal.refusals, course: course.value, level, lost, byHand }),
    reasons: course.reasons,
  }
}
