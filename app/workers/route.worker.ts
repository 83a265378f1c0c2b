import './withoutEval'
import { expose } from 'comlink'
import { routesTo, type LocusData, type Route, type Stock } from '#core/genetics'

/** The search over generations, off the main thread. */
function search(loci: LocusData[], wish: (string | null)[], stock: Stock[], years: number): Route[] {
  return routesTo(loci, wish, stock, years)
}

const api = { search }
export type RouteApi = typeof api
expose(api)
