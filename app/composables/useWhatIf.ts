import { wrap, type Remote } from 'comlink'
import { watchDebounced } from '@vueuse/core'
import type { WhatIf } from '#core/season'
import type { WhatIfApi, WhatIfOutcome } from '~/workers/whatIf.worker'

/** Tries changes in a worker; a newer try makes an older one's answer void, and stopping ends the worker. */
export function useWhatIf(changes: Ref<WhatIf>) {
  const house = useHouse()
  const outcome = shallowRef<WhatIfOutcome | null>(null)
  const running = ref(false)
  const problem = ref('')
  let worker: Worker | null = null
  let remote: Remote<WhatIfApi> | null = null
  let turn = 0

  function stop(): void {
    turn++
    worker?.terminate()
    worker = remote = null
    running.value = false
  }

  async function run(): Promise<void> {
    if (!house.snapshot) return
    const mine = ++turn
    if (!Object.keys(changes.value).length) {
      outcome.value = null
      running.value = false
      return
    }
    running.value = true
    problem.value = ''
    try {
      worker ??= new Worker(new URL('../workers/whatIf.worker.ts', import.meta.url), { type: 'module' })
      remote ??= wrap<WhatIfApi>(worker)
      const { house: state, settings, overrides, today } = house.snapshot
      const answer = await remote.tryOut(
        JSON.parse(JSON.stringify({ house: state, settings, overrides, today })),
        JSON.parse(JSON.stringify(changes.value)),
      )
      if (mine === turn) outcome.value = answer
    } catch (error) {
      if (mine === turn) problem.value = error instanceof Error ? error.message : String(error)
    } finally {
      if (mine === turn) running.value = false
    }
  }

  watchDebounced([changes, () => house.snapshot?.version], run, { debounce: 250, deep: true })
  onScopeDispose(stop)
  return { outcome, running, problem, stop }
}
