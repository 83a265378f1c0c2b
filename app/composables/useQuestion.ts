interface Question {
  text: string
  answer: (yes: boolean) => void
}

/** One question at a time, asked before something doubtful is written. */
export function useQuestion() {
  const shown = useState<Question | null>('question', () => null)

  /** @returns whether the keeper says that it is so */
  function ask(text: string): Promise<boolean> {
    shown.value?.answer(false)
    return new Promise(resolve => {
      shown.value = {
        text,
        answer: yes => {
          shown.value = null
          resolve(yes)
        },
      }
    })
  }

  return { shown, ask }
}
