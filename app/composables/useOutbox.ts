import type { DBSchema, IDBPDatabase } from 'idb'
import type { Entry } from '#core/subjects'

/** What was sent and is not answered yet: sent again it keeps its ids, so that it is written once. */
export interface Sent {
  /** What was meant, by which it is found when the same is meant again. */
  meant: string
  entries: Entry[]
  /** What the keeper is told when it is written. */
  says: string
}

interface Outbox extends DBSchema {
  sent: { key: string; value: Sent }
}

/**
 * A browser may have no room for it, or may not let it be used: then what is not answered is kept until the page goes.
 */
async function open(): Promise<IDBPDatabase<Outbox> | null> {
  try {
    // asked for once the first screen stands, which needs none of it
    const { openDB } = await import('idb')
    return await openDB<Outbox>('mantel', 1, {
      upgrade: db => {
        db.createObjectStore('sent', { keyPath: 'meant' })
      },
    })
  } catch {
    opening = undefined
    return null
  }
}

let opening: Promise<IDBPDatabase<Outbox> | null> | undefined
let keeping: Promise<unknown> = Promise.resolve()

/**
 * Entries on their way to the house. They outlive a reload: what is not known to be written is asked about at the next
 * start.
 */
export function useOutbox() {
  const sent = useState<Record<string, Sent>>('outbox', () => ({}))
  const database = () => (opening ??= open())

  const find = (meant: string): Entry[] | undefined => sent.value[meant]?.entries

  /** One change of what is kept after the other; nobody waits for it, since a browser may be slow to keep things. */
  function keep(change: (db: IDBPDatabase<Outbox>) => Promise<unknown>): void {
    keeping = keeping
      .then(async () => {
        const db = await database()
        if (db) await change(db)
      })
      .catch(() => undefined)
  }

  function put(one: Sent): void {
    sent.value[one.meant] = one
    keep(db => db.put('sent', toRaw(one)))
  }

  function drop(meant: string): void {
    Reflect.deleteProperty(sent.value, meant)
    keep(db => db.delete('sent', meant))
  }

  /** What an earlier page left without an answer. */
  async function left(): Promise<Sent[]> {
    const all = (await (await database())?.getAll('sent').catch(() => [])) ?? []
    return all.filter(one => !sent.value[one.meant])
  }

  return { find, put, drop, left }
}
