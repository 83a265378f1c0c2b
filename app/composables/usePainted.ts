/** Whether the first screen of the session was painted. */
export const usePainted = () => useState('painted', () => false)

/** A tab that is not seen is never painted: it is not waited for longer. */
const LONGEST_MS = 200

/** Resolves once what stands now was painted. */
export const nextPaint = () =>
  new Promise<void>(resolve => {
    setTimeout(resolve, LONGEST_MS)
    requestAnimationFrame(() => requestAnimationFrame(() => resolve()))
  })
