import './withoutEval'
import { expose } from 'comlink'
import highsLoader from 'highs'
import wasmUrl from 'highs/runtime?url'
import { shipped, withOwn, type Override, type SheetPlan } from '#core/almanac'
import { ownRows, withKnowledge, type House } from '#core/subjects'
import {
  PlanMemory,
  applyWhatIf,
  planFeeders,
  seasonDifferences,
  seasonOfHouse,
  type FeederPlan,
  type HouseSettings,
  type Season,
  type SeasonDifferences,
  type WhatIf,
} from '#core/season'
import { solverFrom } from '#shared/solver'

export interface WhatIfInputs {
  house: House
  settings: HouseSettings
  overrides: Override[]
  today: number
}

export interface WhatIfOutcome {
  season: Season
  plans: FeederPlan[]
  tookMs: number
}

const memory = new PlanMemory()
const loading = highsLoader({ locateFile: () => wasmUrl })

/** The same season function as on the server, with changed inputs. Writes nothing. */
async function tryOut(inputs: WhatIfInputs, changes: WhatIf): Promise<WhatIfOutcome> {
  const start = performance.now()
  const { almanac } = withOwn(shipped, {
    ...ownRows(inputs.house, inputs.settings.cultureWeekday),
    numbers: inputs.overrides,
  })
  const tried = applyWhatIf(inputs.house, almanac, inputs.settings, changes, inputs.today)
  const { season, scenarios } = seasonOfHouse(tried.house, tried.almanac, tried.settings, inputs.today)
  const solve = solverFrom(await loading)
  const plans = planFeeders(season, scenarios, tried.house, tried.almanac, tried.settings, solve, memory, tried.trial)
  return { season, plans, tookMs: performance.now() - start }
}

/** What the season of this house would say otherwise with other knowledge. Writes nothing. */
function tryKnowledge(inputs: WhatIfInputs, facts: SheetPlan['facts']): SeasonDifferences {
  const { house, settings, overrides, today } = inputs
  // a number that is set aside stays aside; one that is tried without is dropped
  const almanacOf = (of: House) =>
    withOwn(shipped, {
      ...ownRows(of, settings.cultureWeekday),
      numbers: overrides.filter(o => of.numbers[o.path]?.value !== null),
    }).almanac
  const after = withKnowledge(house, facts)
  return seasonDifferences(
    seasonOfHouse(house, almanacOf(house), settings, today).season,
    seasonOfHouse(after, almanacOf(after), settings, today).season,
  )
}

const api = { tryOut, tryKnowledge }
export type WhatIfApi = typeof api
expose(api)
