/** What J and K go to, in the order of the screen. */
export const WALK_LINES = '.task, .many .head, .room h2:has(.fold), .area'

/** The first button of a line of the walk. */
export const focusLine = (line: Element | undefined): void =>
  line?.querySelector<HTMLElement>('.do button, .fold, .jobs .main')?.focus()

/** What was pressed has gone with what it was in: the focus goes on to the next; one that went elsewhere is left there. */
export async function passFocus(next: () => HTMLElement | null | undefined): Promise<void> {
  await nextTick()
  const active = document.activeElement
  if (!active || active === document.body) next()?.focus()
}

/**
 * Minds the line in which something is pressed. @returns to be called when that is written: the focus goes on in that line,
 * or in the one that took its place
 */
export function mindLine(): () => Promise<void> {
  const line = document.activeElement?.closest('li, section')
  const list = line?.parentElement
  const at = line && list ? [...list.children].indexOf(line) : 0
  return () =>
    passFocus(() =>
      (line?.isConnected ? line : (list?.children[at] ?? list?.lastElementChild))?.querySelector<HTMLElement>('button'),
    )
}

/** When a line that was worked on goes, the one after it is next: the hands stay where they are. */
export function useNextLine(line: () => HTMLElement | null) {
  /** @returns what is to be called when the line is gone */
  return function leaving(): () => Promise<void> {
    const lines = [...document.querySelectorAll(WALK_LINES)]
    const at = lines.findIndex(l => l === line())
    const after = at < 0 ? [] : [...lines.slice(at + 1), ...lines.slice(0, at).reverse()]
    return async () => {
      await nextTick()
      const active = document.activeElement
      // what was pressed has gone with its line; a focus that went elsewhere is left there
      if (active && active !== document.body && !line()?.contains(active)) return
      focusLine(after.find(l => l.isConnected))
    }
  }
}
