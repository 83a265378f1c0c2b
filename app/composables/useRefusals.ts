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
 * @param fieldOf the field that an error is about; of what no field asks for, nothing: it is told beside them
 */
export function useRefusals(
  state: object | (() => object),
  form: Ref<ShowsErrors | null>,
  fieldOf: (name: string) => string | undefined = name => name,
) {
  const refused = shallowRef<{ said: string; errors: FieldError[] } | null>(null)
  const said = () => JSON.stringify(typeof state === 'function' ? state() : state)

  /** What is wrong of what no field asks for. */
  const beside = ref<string[]>([])
  /** Each to its field; the others are said beside them. */
  function placed(errors: readonly FieldError[]): FieldError[] {
    beside.value = errors.filter(({ name }) => !fieldOf(name)).map(e => e.message)
    return errors.map(e => ({ ...e, name: fieldOf(e.name) ?? e.name }))
  }

  /** To be added to what the form finds itself. */
  const still = (): FieldError[] => (refused.value?.said === said() ? refused.value.errors : [])

  function setErrors(errors: FieldError[]): void {
    const all = placed(errors)
    refused.value = { said: said(), errors: all }
    form.value?.setErrors(all)
    void focusFirstWrong()
  }

  return { still, setErrors, placed, beside }
}
