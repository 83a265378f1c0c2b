import { useDocumentVisibility } from '@vueuse/core'

/**
 * Listens to what is written elsewhere, so that two windows show one house. Only while the window is seen: a browser
 * keeps few connections to one server, and a hidden window looks when it is shown again.
 */
export function useHouseEvents(): void {
  const house = useHouse()
  const visibility = useDocumentVisibility()
  let source: EventSource | null = null
  const stop = () => {
    source?.close()
    source = null
  }
  watch(
    () => visibility.value === 'visible' && house.snapshot !== null && !house.locked,
    listens => {
      stop()
      if (!listens) return
      source = new EventSource('/api/events')
      source.onmessage = ({ data }) => house.hear(data as string)
    },
    { immediate: true },
  )
  onScopeDispose(stop)
}
