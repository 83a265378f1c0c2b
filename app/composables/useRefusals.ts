/** What is wrong with a field. */
export interface FieldError {
  name: string
  message: string
}

/** Shows what is wrong beside the fields of a form. */
interface ShowsErrors {
  setErrors: (errors: FieldError[]) => void
}

/**
 * What the house refused of a form, kept for as long as the form says the same. A form checks itself again a moment
 * after the last letter, which would wipe away what the house has answered meanwhile.
 * @param state what the form says, or what tells it
 */
export function useRefusals(state: object | (() => object), form: Ref<ShowsErrors | null>) {
  const refused = shallowRef<{ said: string; errors: FieldError[] } | null>(null)
  const said = () => JSON.stringify(typeof state === 'function' ? state() : state)

  /** To be added to what the form finds itself. */
  const still = (): FieldError[] => (refused.value?.said === said() ? refused.value.errors : [])

  function setErrors(errors: FieldError[]): void {
    refused.value = { said: said(), errors }
    form.value?.setErrors(errors)
    void focusFirstWrong()
  }

  return { still, setErrors }
}
