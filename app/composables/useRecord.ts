import { v7 } from 'uuid'
import type { Entry, Subject } from '#core/logbook'
import { calendarOf } from '#core/units'

export interface Wish {
  kind: string
  /** Left out for what an entry brings into being: it is then about itself. */
  subject?: Subject | null
  founds?: Subject['type']
  data: Record<string, unknown>
  /** Calendar day it happened; today when left out. */
  day?: number
  note?: string
}

/** Writes to the logbook with a toast that offers Undo, and says what is wrong when it cannot be written. */
export function useRecord() {
  const house = useHouse()
  const toast = useToast()
  const { ask } = useQuestion()
  const busy = ref(false)

  /** The present moment, or noon of the day that is meant. */
  function instantOf(day: number): string {
    const now = new Date()
    return calendarOf(house.settings.timeZone)(now.getTime()) === day ? now.toISOString() : new Date(day * 86_400_000 + 12 * 3_600_000).toISOString()
  }

  function entryOf(wish: Wish): Entry {
    const id = v7()
    const subject = wish.subject ?? { type: wish.founds!, id }
    return { id, at: instantOf(wish.day ?? house.today), subject, kind: wish.kind, data: wish.data, source: 'keeper', ...(wish.note && { note: wish.note }) }
  }

  async function takeBack(ids: readonly string[]): Promise<void> {
    try {
      await house.write(ids.map(id => entryOf({ kind: 'void', subject: { type: 'entry', id }, data: {} })))
      toast.add({ title: 'Taken back', icon: 'i-lucide-undo-2', color: 'neutral', duration: 3000 })
    }
    catch (error) {
      toast.add({ title: 'This could not be taken back', description: error instanceof Error ? error.message : String(error), color: 'error' })
    }
  }

  /** Writes; where the server asks whether something is so, the keeper is asked, and it is written once more if it is. */
  async function writeAsked(entries: Entry[]): Promise<string[] | null> {
    try {
      return await house.write(entries)
    }
    catch (error) {
      const question = error instanceof ApiProblem ? error.problem.errors?.find(e => e.path.endsWith('data.sure')) : undefined
      if (!question) throw error
      if (!await ask(question.message)) return null
      const index = Number(/^entries\.(\d+)\./.exec(question.path)?.[1] ?? 0)
      return writeAsked(entries.map((e, i) => (i === index ? { ...e, data: { ...e.data, sure: true } } : e)))
    }
  }

  /**
   * Writes one or several entries as one act.
   * @param says what the toast says was done
   * @returns ids when written; null when it was refused (and said so)
   */
  async function record(wishes: Wish | Wish[], says: string): Promise<string[] | null> {
    busy.value = true
    try {
      const written = await writeAsked([wishes].flat().map(entryOf))
      if (!written) return null
      toast.add({
        title: says, icon: 'i-lucide-check', color: 'neutral',
        actions: [{ label: 'Undo', color: 'primary', variant: 'outline', onClick: () => { void takeBack(written) } }],
      })
      return written
    }
    catch (error) {
      toast.add({ title: 'Not written', description: error instanceof Error ? error.message : String(error), color: 'error', duration: 10_000 })
      return null
    }
    finally {
      busy.value = false
    }
  }

  return { record, takeBack, busy }
}
