import { v7 } from 'uuid'
import type { Entry, Subject } from '#core/subjects'
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
  /** Entries that were sent and not answered, by what was meant: sent again they keep their ids, so that they are written once. */
  const unanswered = useState<Record<string, Entry[]>>('unanswered', () => ({}))

  /** The present moment, or noon of the day that is meant. */
  function instantOf(day: number, now: Date): string {
    return calendarOf(house.settings.timeZone)(now.getTime()) === day
      ? now.toISOString()
      : new Date(day * 86_400_000 + 12 * 3_600_000).toISOString()
  }

  function entryOf(wish: Wish, now: Date): Entry {
    const id = v7()
    const subject = wish.subject ?? { type: wish.founds!, id }
    return {
      id,
      at: instantOf(wish.day ?? house.today, now),
      subject,
      kind: wish.kind,
      data: wish.data,
      source: 'keeper',
      ...(wish.note && { note: wish.note }),
    }
  }

  /** Writes; where the server asks whether something is so, the keeper is asked, and it is written once more if it is. */
  async function writeAsked(meant: string, entries: Entry[]): Promise<string[] | null> {
    unanswered.value[meant] = entries
    try {
      const ids = await house.write(entries)
      Reflect.deleteProperty(unanswered.value, meant)
      return ids
    } catch (error) {
      if (error instanceof ApiProblem && error.unanswered) throw error
      Reflect.deleteProperty(unanswered.value, meant)
      const question =
        error instanceof ApiProblem ? error.problem.errors?.find(e => e.path.endsWith('data.sure')) : undefined
      if (!question) throw error
      if (!(await ask(question.message))) return null
      const index = Number(/^entries\.(\d+)\./.exec(question.path)?.[1] ?? 0)
      return writeAsked(
        meant,
        entries.map((e, i) => (i === index ? { ...e, data: { ...e.data, sure: true } } : e)),
      )
    }
  }

  /** Says what went wrong: that it was refused, or that it is not known. */
  function tell(error: unknown, meant: string, refused: string, again: () => unknown): void {
    const description = error instanceof Error ? error.message : String(error)
    if (error instanceof ApiProblem && error.unanswered) {
      toast.add({
        id: meant,
        title: 'Not known whether this was written',
        description,
        color: 'warning',
        icon: 'i-lucide-unplug',
        duration: 0,
        actions: [
          {
            label: 'Send again',
            color: 'primary',
            variant: 'solid',
            onClick: () => {
              void again()
            },
          },
        ],
      })
    } else toast.add({ title: refused, description, color: 'error', duration: 10_000 })
  }

  async function takeBack(ids: readonly string[]): Promise<void> {
    const meant = `void ${ids.join()}`
    try {
      await writeAsked(
        meant,
        unanswered.value[meant] ??
          ids.map(id => entryOf({ kind: 'void', subject: { type: 'entry', id }, data: {} }, new Date())),
      )
      toast.remove(meant)
      toast.add({ title: 'Taken back', icon: 'i-lucide-undo-2', color: 'neutral', duration: 3000 })
    } catch (error) {
      tell(error, meant, 'This could not be taken back', () => takeBack(ids))
    }
  }

  /**
   * Writes one or several entries as one act.
   * @param says what the toast says was done
   * @returns ids when written; null when it was refused, or not answered (and said so)
   */
  async function record(wishes: Wish | Wish[], says: string): Promise<string[] | null> {
    const meant = JSON.stringify(wishes)
    busy.value = true
    try {
      // one act is of one moment
      const now = new Date()
      const written = await writeAsked(
        meant,
        unanswered.value[meant] ?? [wishes].flat().map(wish => entryOf(wish, now)),
      )
      if (!written) return null
      toast.remove(meant)
      toast.add({
        title: says,
        icon: 'i-lucide-check',
        color: 'neutral',
        actions: [
          {
            label: 'Undo',
            color: 'primary',
            variant: 'outline',
            onClick: () => {
              void takeBack(written)
            },
          },
        ],
      })
      return written
    } catch (error) {
      tell(error, meant, 'Not written', () => record(wishes, says))
      return null
    } finally {
      busy.value = false
    }
  }

  return { record, takeBack, busy }
}
