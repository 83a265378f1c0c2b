import { v7 } from 'uuid'
import type { Entry, Subject } from '#core/subjects'
import { calendarOf, noonOf } from '#core/units'

/** What is written for many goes in parts of so many entries, each of which is answered soon. */
const MOST_AT_ONCE = 400

export interface Wish {
  kind: string
  /** Of what bears an id already, as a species from a sheet does; else one is made. */
  id?: string
  /** Left out for what an entry brings into being: it is then about itself. */
  subject?: Subject | null
  founds?: Subject['type']
  data: Record<string, unknown>
  /** Where it comes from, if not from the keeper's own hand. */
  source?: Entry['source']
  /** Calendar day it happened; today when left out. */
  day?: number
  note?: string
}

/** A form that can show what is wrong beside its fields. */
export interface FormErrors {
  setErrors: (errors: { name: string; message: string; index?: number }[]) => void
}

/** What was refused of one entry, beside the fields of the form it came from; false when it is about no field. */
function showIn(form: FormErrors | null | undefined, error: unknown): boolean {
  const errors = error instanceof ApiProblem ? error.problem.errors : undefined
  if (!form || !errors?.length) return false
  form.setErrors(
    errors.map(e => ({
      name: e.path.replace(/^(entries\.\d+\.)?data\./, ''),
      message: e.message,
      // of several that were sent together, which one
      index: Number(/^entries\.(\d+)\./.exec(e.path)?.[1] ?? 0),
    })),
  )
  return true
}

/** Writes to the logbook with a toast that offers Undo, and says what is wrong when it cannot be written. */
export function useRecord() {
  const house = useHouse()
  const toast = useToast()
  const { ask } = useQuestion()
  const busy = ref(false)
  const outbox = useOutbox()

  /** The present moment, or noon of the day that is meant. */
  function instantOf(day: number, now: Date): string {
    return calendarOf(house.settings.timeZone)(now.getTime()) === day
      ? now.toISOString()
      : noonOf(day, house.settings.timeZone)
  }

  function entryOf(wish: Wish, now: Date): Entry {
    const id = wish.id ?? v7()
    const subject = wish.subject ?? { type: wish.founds!, id }
    return {
      id,
      at: instantOf(wish.day ?? house.today, now),
      subject,
      kind: wish.kind,
      data: wish.data,
      source: wish.source ?? 'keeper',
      ...(wish.note && { note: wish.note }),
    }
  }

  /**
   * Writes; where the server asks whether something is so, the keeper is asked, and it is written once more if it is.
   */
  async function writeAsked(meant: string, entries: Entry[], says: string): Promise<string[] | null> {
    outbox.put({ meant, entries, says })
    try {
      const ids = await house.write(entries)
      outbox.drop(meant)
      return ids
    } catch (error) {
      if (error instanceof ApiProblem && error.unanswered) throw error
      outbox.drop(meant)
      const question =
        error instanceof ApiProblem ? error.problem.errors?.find(e => e.path.endsWith('data.sure')) : undefined
      if (!question) throw error
      if (!(await ask(question.message))) return null
      const index = Number(/^entries\.(\d+)\./.exec(question.path)?.[1] ?? 0)
      return writeAsked(
        meant,
        entries.map((e, i) => (i === index ? { ...e, data: { ...e.data, sure: true } } : e)),
        says,
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
        class: '[--lasts:0s]',
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
    } else toast.add({ title: refused, description, color: 'error', duration: 10_000, class: '[--lasts:10s]' })
  }

  async function takeBack(ids: readonly string[]): Promise<void> {
    const meant = `void ${ids.join()}`
    try {
      await writeAsked(
        meant,
        outbox.find(meant) ??
          // what was written last may stand on what was written first
          [...ids].reverse().map(id => entryOf({ kind: 'void', subject: { type: 'entry', id }, data: {} }, new Date())),
        'Taken back',
      )
      toast.remove(meant)
      toast.add({
        title: 'Taken back',
        icon: 'i-lucide-undo-2',
        color: 'neutral',
        duration: 3000,
        class: '[--lasts:3s]',
      })
    } catch (error) {
      tell(error, meant, 'This could not be taken back', () => takeBack(ids))
    }
  }

  /** Says what was done, and offers to take it back. */
  function tellWritten(says: string, ids: readonly string[]): void {
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
            void takeBack(ids)
          },
        },
      ],
    })
  }

  /**
   * Writes one or several entries as one act.
   * @param says what the toast says was done
   * @param form where what is refused is shown, instead of in a toast
   * @param quiet the screen itself says that it was written, and offers to take it back
   * @returns ids when written; null when it was refused, or not answered (and said so)
   */
  async function record(
    wishes: Wish | Wish[],
    says: string,
    form?: FormErrors | null,
    quiet = false,
  ): Promise<string[] | null> {
    const meant = JSON.stringify(wishes)
    busy.value = true
    try {
      // one act is of one moment
      const now = new Date()
      const written = await writeAsked(
        meant,
        outbox.find(meant) ?? [wishes].flat().map(wish => entryOf(wish, now)),
        says,
      )
      if (!written) return null
      toast.remove(meant)
      if (!quiet) tellWritten(says, written)
      return written
    } catch (error) {
      if (!showIn(form, error)) tell(error, meant, 'Not written', () => record(wishes, says, form, quiet))
      return null
    } finally {
      busy.value = false
    }
  }

  /**
   * Writes the same act for many, in parts that are each written whole.
   * @param lists what is written of each; it is not torn apart
   * @returns whether all was written
   */
  async function recordMany(lists: readonly Wish[][], says: string): Promise<boolean> {
    let part: Wish[] = []
    for (const [i, list] of lists.entries()) {
      part = [...part, ...list]
      const next = lists[i + 1]
      if (next && part.length + next.length <= MOST_AT_ONCE) continue
      if (!(await record(part, says))) return false
      part = []
    }
    return true
  }

  /** Sends again what an earlier page sent and nobody answered: it is written once, and the keeper is told. */
  async function sendLeft(): Promise<void> {
    for (const { meant, entries, says } of await outbox.left()) {
      try {
        if (await writeAsked(meant, entries, says))
          toast.add({ title: `Written after all: ${says}`, icon: 'i-lucide-check', color: 'neutral' })
      } catch (error) {
        tell(error, meant, `Not written: ${says}`, sendLeft)
      }
    }
  }

  return { record, recordMany, takeBack, tellWritten, sendLeft, busy }
}
