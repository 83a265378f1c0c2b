import type { Feeder } from '../../almanac'
import { computedInput, computedTemp, factInput, type Input } from '../../judgement'
import type { House } from '../../subjects'
import { paceAt, wayPath, type PlannedSupply } from '../../supply'
import type { SeasonContext } from '../context'

/** How the warmth of where a feeder is kept changes how long it keeps; nothing where it is not known, or frozen. */
export function keptInputs(
  feeder: Feeder,
  supply: PlannedSupply,
  { placeId, tempC }: { placeId: string | undefined; tempC: number | null },
  { house, almanac: { common } }: { house: Pick<House, 'places'>; almanac: Pick<SeasonContext['almanac'], 'common'> },
): Input[] {
  if (placeId === undefined || tempC === null || (supply.kind === 'bought' && supply.frozen)) return []
  const { keepTemp, keepPace, keepCoolest } = common
  const own = supply.kind === 'bought' ? supply.coolestC : undefined
  const pace = paceAt(supply, common, tempC).toFixed(2)
  return [
    computedInput('Kept in', house.places[placeId]?.name ?? placeId),
    computedTemp('There', tempC),
    computedInput('Its days go', `${pace} ×`),
    factInput('Its days are told for', 'common.keepTemp.value', keepTemp!),
    factInput('Quicker, 10 °C warmer', 'common.keepPace.value', keepPace!),
    own
      ? factInput('Cooler keeps no longer', `${wayPath(feeder, supply)}.coolestC.value`, own)
      : factInput('Cooler keeps no longer', 'common.keepCoolest.value', keepCoolest!),
  ]
}
