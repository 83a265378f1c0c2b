/**
 * The first of a long list, and all of it when asked for.
 * @param atOnce so many are drawn before they are asked for
 * @param always whether one stands among the first wherever it is in the list
 */
export function useFirst<T>(list: () => readonly T[], atOnce: number, always: (item: T) => boolean = () => false) {
  const all = ref(false)
  const shown = computed(() => (all.value ? list() : list().filter((item, i) => i < atOnce || always(item))))
  const more = computed(() => list().length - shown.value.length)
  const showAll = () => {
    all.value = true
  }
  return { shown, more, showAll }
}
