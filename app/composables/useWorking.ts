import type { Reason } from '#core/judgement'

export interface Working {
  title: string
  answer: string
  reasons: Reason[]
}

/** The one sheet that shows how a number came about. */
export function useWorking() {
  const shown = useState<Working | null>('working', () => null)
  const show = (working: Working) => {
    shown.value = working
  }
  const hide = () => {
    shown.value = null
  }
  return { shown, show, hide }
}
