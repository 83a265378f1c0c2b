/** Puts the focus where the first thing is wrong, once it is shown: it may stand far above the button. */
export async function focusFirstWrong(): Promise<void> {
  await nextTick()
  // a form that was being checked lets go of its fields only now
  await nextTick()
  const wrong = '[aria-invalid="true"]'
  document.querySelector<HTMLElement>(`[role="dialog"] ${wrong}, main ${wrong}`)?.focus()
}

/** Problems as a form takes them that is checked by what is written: each to its field, by the first part of its path. */
export const toFields = (problems: Ref<Record<string, string>>): FormErrors => ({
  setErrors: errors => {
    problems.value = Object.fromEntries(errors.map(e => [(e.name ?? '').split('.')[0]!, e.message]))
  },
})

/** What is wrong with the fields of a form, by their names. */
export function useProblems() {
  const problems = ref<Record<string, string>>({})
  watch(problems, now => {
    if (Object.keys(now).length) void focusFirstWrong()
  })
  return problems
}
