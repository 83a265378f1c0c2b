import { z } from 'zod'
import type { Day } from '../chance'
import type { House, PairingState } from '../logbook'
import type { HouseSettings } from './settings'

/** What is tried: each left out keeps what is. */
export const WhatIf = z.strictObject({
  warmUpDay: z.number().int().optional(),
  incubationShiftC: z.number().min(-6).max(6).optional(),
  appetite: z.number().min(0.3).max(3).optional(),
  cupYield: z.number().min(0.2).max(3).optional(),
  /** Number of open pairs wanted, by species. */
  pairs: z.record(z.string(), z.number().int().min(0).max(200)).optional(),
})
export type WhatIf = z.infer<typeof WhatIf>

export function openPairs(house: House): Map<string, PairingState[]> {
  const bySpecies = new Map<string, PairingState[]>()
  for (const p of Object.values(house.pairings)) {
    const dam = house.animals[p.damId]
    if (p.ended || dam?.status !== 'alive') continue
    const list = bySpecies.get(p.speciesId)
    if (list) list.push(p)
    else bySpecies.set(p.speciesId, [p])
  }
  return bySpecies
}

const progress = (p: PairingState) => Object.values(p.seen).reduce((n, list) => n + list.length, 0)

/** Fewer pairs: the least advanced are dropped. More: pairs that are set today, of the same animals' kind, with nothing behind them. */
function withPairs(house: House, wanted: Readonly<Record<string, number>>, today: Day): House {
  const dropped = new Set<string>()
  const added: PairingState[] = []
  const open = openPairs(house)
  for (const [speciesId, count] of Object.entries(wanted)) {
    const pairs = [...(open.get(speciesId) ?? [])].sort((a, b) => progress(a) - progress(b))
    for (const p of pairs.slice(0, Math.max(0, pairs.length - count))) dropped.add(p.id)
    const model = pairs[0]
    for (let i = pairs.length; model && i < count; i++) {
      added.push({
        id: `${model.id}+${i}`, tag: `${model.tag}+${i - pairs.length + 1}`, speciesId, damId: model.damId, sireId: model.sireId, startDay: today,
        seen: {}, clutchIds: [], together: null, locks: [], layTogether: [], rejections: [], injuries: [], visits: [], follicles: [], ended: null,
      })
    }
  }
  const kept = Object.values(house.pairings).filter(p => !dropped.has(p.id))
  return { ...house, pairings: Object.fromEntries([...kept, ...added].map(p => [p.id, p])) }
}

/** The house and settings as they would be. Nothing is written; season() of these is the changed season. */
export function applyWhatIf(house: House, settings: HouseSettings, changes: WhatIf, today: Day): { house: House, settings: HouseSettings } {
  return {
    house: changes.pairs ? withPairs(house, changes.pairs, today) : house,
    settings: {
      ...settings,
      ...(changes.warmUpDay !== undefined && { warmUpDay: changes.warmUpDay }),
      ...(changes.incubationShiftC !== undefined && { incubationShiftC: changes.incubationShiftC }),
      ...(changes.appetite !== undefined && { appetite: changes.appetite }),
      ...(changes.cupYield !== undefined && { cupYield: changes.cupYield }),
    },
  }
}
