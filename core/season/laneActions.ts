import { speciesOf, type Almanac, type Species } from '../almanac'
import type { Day } from '../chance'
import { eggsLeft, tadpolesLeft, youngInGroup, type House, type PairingState } from '../subjects'
import type { Lane, TaskAction } from './contracts'

const say = (label: string, kind: string, data: Record<string, unknown> = {}): TaskAction => ({ label, kind, data })
const count = (label: string, kind: string, field: string, asked: string, likely: number): TaskAction => ({
  label,
  kind,
  data: {},
  ask: { field, label: asked, likely },
})

function pairActions(species: Species, pairing: PairingState | undefined): TaskAction[] {
  const eggs = species.mode !== 'live'
  return [
    pairing?.together ? say('Separated', 'separated') : say('Introduced', 'introduced'),
    { ...say('Lock', 'copulation', { confirmed: true }), tone: 'main' },
    say('Lay together', 'copulation', { confirmed: false }),
    ...(pairing?.together
      ? [
          say('Rejected', 'rejected'),
          say('Female injured', 'injured', { who: 'dam' }),
          say('Male injured', 'injured', { who: 'sire' }),
        ]
      : []),
    ...(species.mating?.follicles ? [count('Follicles', 'folliclesSeen', 'mm', 'Largest follicle, mm', 12)] : []),
    ...(species.mode === 'larval'
      ? []
      : [
          say('Ovulation', 'ovulation'),
          eggs ? say('Pre-lay shed', 'preLayShed') : say('Post-ovulation shed', 'postOvulationShed'),
        ]),
    {
      ...(eggs
        ? count(species.mode === 'larval' ? 'Spawned' : 'Laid', 'laid', 'eggs', 'Eggs', species.clutchSize.likely)
        : count('Gave birth', 'born', 'live', 'Live young', species.clutchSize.likely)),
      founds: 'clutch',
      tone: 'main',
    },
    say('End season', 'pairingEnded'),
  ]
}

/** What can be recorded of a lane as it stands: the buttons of its panel. */
export function laneActions(lane: Lane, house: House, almanac: Almanac, today: Day): TaskAction[] {
  const species = speciesOf(almanac, lane.speciesId)
  if (lane.kind === 'pair') return pairActions(species, house.pairings[lane.subject.id])
  const clutch = house.clutches[lane.subject.id]
  if (!clutch) return []
  const first = clutch.hatched[0]
  // spawn hatches within days; of eggs in a box some follow late
  const spawned = clutch.kind === 'spawn' && first && today - first.day >= almanac.common.lastHatch!.value
  const eggs = clutch.kind === 'litter' || spawned ? 0 : eggsLeft(clutch)
  const tadpoles = tadpolesLeft(clutch)
  const young = youngInGroup(clutch)
  return [
    ...(eggs
      ? [
          {
            ...count(
              clutch.kind === 'spawn' ? 'Tadpoles hatched' : 'Hatched',
              'hatched',
              'count',
              'How many hatched',
              clutch.good ?? eggs,
            ),
            tone: 'main' as const,
          },
        ]
      : []),
    ...(eggs && clutch.kind === 'eggs'
      ? [
          count('Pipped', 'pipped', 'count', 'How many are pipped', 1),
          count('Candled', 'candled', 'good', 'Good eggs', eggs),
        ]
      : []),
    ...(eggs ? [count('Lost eggs', 'eggsLost', 'count', 'Eggs lost', 1)] : []),
    ...(tadpoles ? [{ ...count('Came on land', 'metamorphosed', 'count', 'Froglets', 1), tone: 'main' as const }] : []),
    ...(young + tadpoles ? [count('Lost young', 'youngLost', 'count', 'Lost', 1)] : []),
    ...(young ? [count('Sold', 'youngSold', 'count', 'Young sold', 1)] : []),
    say('Close', 'clutchEnded'),
  ]
}
