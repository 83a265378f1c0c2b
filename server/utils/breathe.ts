import { setImmediate as nextTurn } from 'node:timers/promises'

/** Work on the server's own thread is laid down after so long, so that others are answered. */
const LONGEST_MS = 12

/**
 * A pause to be awaited between the pieces of long work: it lets others be answered when it is time, and is nothing
 * else.
 */
export function breather(): () => Promise<void> {
  let since = performance.now()
  return async () => {
    if (performance.now() - since < LONGEST_MS) return
    await nextTurn()
    since = performance.now()
  }
}
