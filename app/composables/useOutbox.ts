import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
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

/** A browser may have no room for it, or may not let it be used: then what is not answered is kept until the page goes. */
const open = (): Promise<IDBPDatabase<Outbox> | null> =>
  openDB<Outbox>('mantel', 1, {
    upgrade: db => {
      db.createObjectStore('sent', { keyPath: 'meant' })
    },
  }).catch(() => null)

let opening: Promise<IDBPDatabase<Outbox> | null> | undefined

/** Entries on their way to the house. They outlive a reload: what is not known to be written is asked about at the next start. */
export function useOutbox() {
  const sent = useState<Record<string, Sent>>('outbox', () => ({}))
  const database = () => (opening ??= open())

  const find = (meant: string): Entry[] | undefined => sent.value[meant]?.entries

  async function put(one: Sent): Promise<void> {
    sent.value[one.meant] = one
    await (await database())?.put('sent', toRaw(one)).catch(() => undefined)
  }

  async function drop(meant: string): Promise<void> {
    Reflect.deleteProperty(sent.value, meant)
    await (await database())?.delete('sent', meant).catch(() => undefined)
  }

  /** What an earlier page left without an answer. */
  async function left(): Promise<Sent[]> {
    const all = (await (await database())?.getAll('sent').catch(() => [])) ?? []
    return all.filter(one => !sent.value[one.meant])
  }

  return { find, put, drop, left }
}
