import { wrap, type Remote } from 'comlink'
import type { LocusData, Route, Stock } from '#core/genetics'
import type { RouteApi } from '~/workers/route.worker'

/** Searches the way to a genotype in a worker; stopping ends it. */
export function useRoutes() {
  const routes = shallowRef<Route[] | null>(null)
  const running = ref(false)
  const problem = ref('')
  let worker: Worker | null = null
  let turn = 0

  function stop(): void {
    turn++
    worker?.terminate()
    worker = null
    running.value = false
  }

  async function search(loci: LocusData[], wish: (string | null)[], stock: Stock[], years: number): Promise<void> {
    stop()
    const mine = ++turn
    running.value = true
    problem.value = ''
    routes.value = null
    try {
      worker = new Worker(new URL('../workers/route.worker.ts', import.meta.url), { type: 'module' })
      const remote: Remote<RouteApi> = wrap<RouteApi>(worker)
      const found = await remote.search(
        ...(JSON.parse(JSON.stringify([loci, wish, stock, years])) as [
          LocusData[],
          (string | null)[],
          Stock[],
          number,
        ]),
      )
      if (mine === turn) routes.value = found
    } catch (error) {
      if (mine === turn) problem.value = error instanceof Error ? error.message : String(error)
    } finally {
      if (mine === turn) running.value = false
    }
  }
  onScopeDispose(stop)

  return { routes, running, problem, search, stop }
}
