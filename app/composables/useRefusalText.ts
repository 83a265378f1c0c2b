/** What was refused of a form that has no named fields, as one text to stand beside its button. */
export function useRefusalText() {
  const problem = ref('')
  const refusal: FormErrors = {
    setErrors: errors => {
      problem.value = errors.map(e => e.message).join('. ')
    },
  }
  return { problem, refusal }
}
