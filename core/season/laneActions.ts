import type { Species } from '../almanac'
import type { Day } from '../chance'
import { eggsLeft, tadpolesLeft, youngInGroup, type House } from '../logbook'
import { LAST_HATCH_DAYS } from './lanes'
import type { Lane, TaskAction } from './types'

const say = (label: string, kind: string, data: Record<string, unknown> = {}): TaskAction => ({ label, kind, data })
const count = (label: string, kind: string, field: string, asked: string, likely: number): TaskAction => ({ label, kind, data: {}, ask: { field, label: asked, likely } })

function pairActions(species: Species): TaskAction[] {
  const eggs = species.mode !== 'live'
  return [
    say('Introduced', 'introduced'),
    { ...say('Lock', 'copulation', { confirmed: true }), tone: 'main' },
    say('Lay together', 'copulation', { confirmed: false }),
    ...(species.mode === 'larval' ? [] : [say('Ovulation', 'ovulation'), eggs ? say('Pre-lay shed', 'preLayShed') : say('Post-ovulation shed', 'postOvulationShed')]),
    { ...(eggs ? count(species.mode === 'larval' ? 'Spawned' : 'Laid', 'laid', 'eggs', 'Eggs', species.clutchSize.likely) : count('Gave birth', 'born', 'live', 'Live young', species.clutchSize.likely)), tone: 'main' },
    say('End season', 'pairingEnded'),
  ]
}

/** What can be recorded of a lane as it stands: the buttons of its panel. */
export function laneActions(lane: Lane, house: House, species: Species, today: Day): TaskAction[] {
  if (lane.kind === 'pair') return pairActions(species)
  const clutch = house.clutches[lane.subject.id]
  if (!clutch) return []
  const first = clutch.hatched[0]
  const eggs = clutch.kind === 'litter' || (first && today - first.day >= LAST_HATCH_DAYS) ? 0 : eggsLeft(clutch)
  const tadpoles = tadpolesLeft(clutch)
  const young = youngInGroup(clutch)
  return [
    ...(eggs ? [{ ...count(clutch.kind === 'spawn' ? 'Tadpoles hatched' : 'Hatched', 'hatched', 'count', 'How many hatched', clutch.good ?? eggs), tone: 'main' as const }] : []),
    ...(eggs && clutch.kind === 'eggs' ? [count('Candled', 'candled', 'good', 'Good eggs', eggs)] : []),
    ...(eggs ? [count('Lost eggs', 'eggsLost', 'count', 'Eggs lost', 1)] : []),
    ...(tadpoles ? [{ ...count('Came on land', 'metamorphosed', 'count', 'Froglets', 1), tone: 'main' as const }] : []),
    ...(young + tadpoles ? [count('Lost young', 'youngLost', 'count', 'Lost', 1)] : []),
    ...(young ? [count('Sold', 'youngSold', 'count', 'Young sold', 1)] : []),
    say('Close', 'clutchEnded'),
  ]
}
