import { v7 } from 'uuid'

/** The id of what a form is about to make: the same for every try, a new one for the next thing. */
export function useIntent() {
  const id = ref(v7())

  /** Sends; what was sent before under this id, but not answered, is not made twice. */
  async function send<T>(call: (id: string) => Promise<T>): Promise<T> {
    try {
      const made = await call(id.value)
      id.value = v7()
      return made
    } catch (error) {
      // an earlier try went through after all, with other words
      const before = error instanceof ApiProblem && error.problem.status === 409 && error.field('id') !== undefined
      if (!before) throw error
      id.value = v7()
      throw new ApiProblem({
        type: 'about:blank',
        title: 'What you sent before was written after all. Look at it first; sending this makes another.',
        status: 409,
      })
    }
  }

  return { send }
}
