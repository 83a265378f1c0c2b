import { useMediaQuery } from '@vueuse/core'

/** Whether the screen is a phone's: panels then come from below. */
export function useNarrow() {
  const narrow = useMediaQuery('(max-width: 800px)')
  return { narrow }
}
