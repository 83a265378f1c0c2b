/** How the kit tells, at the part that opens, that it is about to choose what has the focus. */
const OPENS = 'focusScope.autoFocusOnMount'
const FIELD = ['input', 'select', 'textarea', '[role="combobox"]']
  .map(field => `form ${field}:not([disabled], [type="hidden"], [aria-hidden="true"])`)
  .join()

/**
 * A form that opens beside a screen has the focus in its first field, and not on the cross that closes it, which stands
 * before it. By thumb the kit's choice holds: the keyboard would lie over what has just opened.
 */
export default defineNuxtPlugin(() => {
  document.addEventListener(
    OPENS,
    event => {
      if (matchMedia('(pointer: coarse)').matches) return
      const fields = (event.target as HTMLElement).querySelectorAll<HTMLElement>(FIELD)
      const first = [...fields].find(field => field.checkVisibility())
      if (!first) return
      event.preventDefault()
      first.focus({ preventScroll: true })
      if (first instanceof HTMLInputElement) first.select()
    },
    // the event does not rise
    { capture: true },
  )
})
