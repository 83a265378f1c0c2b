/** Puts the focus where the first thing is wrong, once it is shown: it may stand far above the button. */
export async function focusFirstWrong(): Promise<void> {
  await nextTick()
  const wrong = '[aria-invalid="true"]'
  document.querySelector<HTMLElement>(`[role="dialog"] ${wrong}, main ${wrong}`)?.focus()
}

/** What is wrong with the fields of a form, by their names. */
export function useProblems() {
  const problems = ref<Record<string, string>>({})
  watch(problems, now => {
    if (Object.keys(now).length) void focusFirstWrong()
  })
  return problems
}
