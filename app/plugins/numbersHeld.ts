/**
 * Number fields of the kit hold the nearest number they may when they are left. That is told, since else something would
 * be written that nobody typed; and Enter then waits for a second one.
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
  async function tell(input: HTMLInputElement): Promise<void> {
    const typed = input.value
    // the field takes it over once this event has reached it
    await new Promise(resolve => setTimeout(resolve))
    await nextTick()
    if (!input.isConnected) return
    // what is shown may be rounded, what is held not
    const held = numberHeld(typed, bounds(input), input.getAttribute('aria-valuenow') ?? input.value)
    if (held) toast.add({ id: 'number-held', title: held, color: 'warning', icon: 'i-lucide-info' })
  }
  document.addEventListener('blur', event => void (fieldOf(event) && tell(fieldOf(event)!)), true)
  document.addEventListener(
    'keydown',
    event => {
      const input = event.key === 'Enter' ? fieldOf(event) : null
      if (!input) return
      const { min = -Infinity, max = Infinity } = bounds(input)
      const typed = numberTyped(input.value)
      if (typed === null || (typed >= min && typed <= max)) return
      event.preventDefault()
      event.stopImmediatePropagation()
      input.blur()
      input.focus()
    },
    true,
  )
})
