import type { RefusalCourse, RefusalLevel } from '../../feeding'
import { counted, lowerFirst } from '../../units'
import type { Told } from './told'

export interface Refusing {
  tag: string
  /** In a row. */
  refusals: number
  course: Pick<RefusalCourse, 'daysWithout' | 'next'>
  level: Exclude<RefusalLevel, 'normal'>
  /** Share of its weight that it lost, where it is worth telling. */
  lost: number | null
  /** It eats only what is put into its mouth. */
  byHand: boolean
}

const ADVICE: Record<Refusing['level'], string> = {
  vet: 'Call the reptile vet; meanwhile quiet, dark and warm.',
  weigh: 'Weigh it every week.',
  watch: 'Watch weight, not meals.',
}

export function tellRefusal({ tag, refusals, course, level, lost, byHand }: Refusing): Omit<Told, 'reasons'> {
  const { daysWithout, next } = course
  const refused = refusals === 1 ? 'refused 1 meal' : `refused ${refusals} meals in a row`
  const loss = lost === null ? '' : `, and lost ${Math.round(100 * lost)} %`
  const without = daysWithout === null ? '' : `; ${counted(daysWithout, 'day')} without food`
  const tries = next ? ` Next try: ${lowerFirst(next.of.how)}.` : ''
  return {
    text: `${tag} ${byHand ? 'eats only what is put into its mouth' : refused}${loss}${without}`,
    todo: `${ADVICE[level]}${tries}`,
  }
}
