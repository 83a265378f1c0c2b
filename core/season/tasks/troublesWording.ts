import { NO_CAUSE, type TroubleView } from '../troubles'
import type { Told } from './told'

export const LABELS = { over: 'It is over', isIt: 'That is it', isNot: 'Not that', out: 'Out' } as const

function causeOf({ cause, causes }: TroubleView): string {
  if (cause) return `${cause.name}: ${cause.remedy}`
  const [first] = causes
  return first ? `${first.name}? ${first.look}` : NO_CAUSE
}

export function tellTrouble(stands: TroubleView): Told {
  const { answer, carriedTo, reasons } = stands
  const carried = carriedTo.length ? `; founded from it, look at them too: ${carriedTo.join(', ')}` : ''
  return { what: answer, detail: causeOf(stands) + carried, reasons }
}
