import type { AnimalCard, AnimalState } from './state'

/** An animal before anything is written of it but its card. */
export function animalAsAdded(card: AnimalCard): AnimalState {
  // into an object of all fields: a literal that goes on after a spread takes the engine fifty times as long
  const blank: Omit<AnimalState, keyof AnimalCard> = {
    status: 'alive',
    statusDay: null,
    weights: [],
    meals: [],
    lastTaken: null,
    refusals: 0,
    lastShed: null,
    lastCheck: null,
    cooled: null,
    warmed: null,
    homeId: card.placeId,
    winters: [],
    unwell: null,
    lastWater: null,
    lengths: [],
    statedSex: card.sex,
    sexEvidence: [],
    sexSettled: null,
    sires: card.sireId ? [{ id: card.sireId, chance: 1 }] : [],
    origin: card.damId || card.sireId ? 'bred' : 'unknown',
    clonal: false,
    parentsStated: null,
    genes: {},
    looks: {},
  }
  return Object.assign(blank, card)
}
