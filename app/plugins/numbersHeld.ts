/**
 * Number fields of the kit hold the nearest number they may when they are left. That is told, since else something would
 * be written that nobody typed; and Enter then waits for a second one. A decimal comma is read as such, and the wheel
 * moves the screen and not the number.
 */
export default defineNuxtPlugin(() => {
  const toast = useToast()
  const fieldOf = (event: Event) => {
    const input = event.target
    return input instanceof HTMLInputElement && input.getAttribute('role') === 'spinbutton' ? input : null
  }
  const boundOf = (input: HTMLInputElement, name: string) => {
    const bound = input.getAttribute(name)
    return bound === null ? undefined : Number(bound)
  }
  const bounds = (input: HTMLInputElement) => {
    const [min, max] = [boundOf(input, 'aria-valuemin'), boundOf(input, 'aria-valuemax')]
    return { ...(min !== undefined && { min }), ...(max !== undefined && { max }) }
  }
  async function tell(input: HTMLInputElement, typed: string): Promise<void> {
    // the field takes it over once this event has reached it
    await new Promise(resolve => setTimeout(resolve))
    await nextTick()
    if (!input.isConnected) return
    // what is shown may be rounded, what is held not
    const held = numberHeld(typed, bounds(input), input.getAttribute('aria-valuenow') ?? input.value)
    if (held) toast.add({ id: 'number-held', title: held, color: 'warning', icon: 'i-lucide-info' })
  }
  /** What is typed is made readable to the field, before it takes it over. */
  function typedIn(input: HTMLInputElement): string {
    const typed = withPoint(input.value)
    if (typed !== input.value) input.value = typed
    return typed
  }
  const onField = (name: string, act: (input: HTMLInputElement, event: Event) => void) =>
    document.addEventListener(
      name,
      event => {
        const input = fieldOf(event)
        if (input) act(input, event)
      },
      { capture: true, passive: name === 'wheel' },
    )
  onField('blur', input => void tell(input, typedIn(input)))
  onField('wheel', (_, event) => event.stopImmediatePropagation())
  onField('keydown', (input, event) => {
    if ((event as KeyboardEvent).key !== 'Enter') return
    const { min = -Infinity, max = Infinity } = bounds(input)
    const typed = numberTyped(typedIn(input))
    if (typed === null || (typed >= min && typed <= max)) return
    event.preventDefault()
    event.stopImmediatePropagation()
    input.blur()
    input.focus()
  })
})
