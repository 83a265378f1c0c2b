import { wrap } from 'comlink'
import type { SheetPlan } from '#core/almanac'
import type { SeasonDifferences } from '#core/season'
import { formatRange } from '#core/units'
import type { WhatIfApi } from '~/workers/whatIf.worker'

/** What two seasons say otherwise, one sentence a line. */
export function tellDifferences(d: SeasonDifferences, preyName: (id: string) => string): string[] {
  const when = (s: SeasonDifferences['events'][number]['before']) => (s ? formatRange(s) : 'not known')
  return [
    ...d.gone.map(title => `${title} is forecast no more`),
    ...d.come.map(title => `${title} is forecast`),
    ...d.events.map(e => `${e.title}, ${e.event.toLowerCase()}: ${when(e.before)} → ${when(e.after)}`),
    ...d.need.map(n => `${preyName(n.prey)} needed in ${d.days} days: ${n.before} → ${n.after}`),
  ]
}

/** Works out in a thread of its own what other knowledge would move in this house. */
export function useKnowledgeTrial() {
  const house = useHouse()
  async function tryKnowledge(facts: SheetPlan['facts']): Promise<string[]> {
    const worker = new Worker(new URL('../workers/whatIf.worker.ts', import.meta.url), { type: 'module' })
    try {
      const { house: state, settings, overrides, today } = house.snapshot!
      const plain = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T
      const found = await wrap<WhatIfApi>(worker).tryKnowledge(
        plain({ house: state, settings, overrides, today }),
        plain(facts),
      )
      return tellDifferences(found, id => house.almanac.feeders[id]?.name ?? id)
    } finally {
      worker.terminate()
    }
  }
  return { tryKnowledge }
}
