import type { House } from '../../log'
import type { PairingState } from './state'

/** The open pairing that an animal carries for, so that one may write «K-07 laid 8» without naming the pairing. */
export function openPairingOf(house: House, damId: string): PairingState | undefined {
  return Object.values(house.pairings)
    .filter(p => p.damId === damId && !p.ended)
    .sort((a, b) => b.startDay - a.startDay)[0]
}
