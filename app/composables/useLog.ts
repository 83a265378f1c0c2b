type Log = typeof import('#core/subjects')

const log = shallowRef<Log>()

/**
 * All that the log knows of its kinds: how an entry is told and a line is read. Large, so it comes after the first
 * screen.
 */
export function useLog() {
  async function load(): Promise<void> {
    // where the house does not answer, the next who needs it asks again
    log.value ??= await import('#core/subjects').catch(() => undefined)
  }
  return { log, load }
}
