export interface BoxWeighed {
  /** The closed box at set-up, and now, g. */
  startG: number
  nowG: number
  /** Water given between the two, g. */
  givenG: number
  /** What the eggs weigh more than at set-up; negative when they lost, g. */
  eggsGainedG: number
  /** Water put into the medium at set-up, g; null where it was not said. */
  waterG: number | null
}

export interface WaterBalance {
  /** Water that left the medium, g; negative: more is there than at set-up. */
  goneG: number
  /** Share of the water of set-up that is gone; null where that was not said. */
  share: number | null
}

/**
 * Water that the medium of a closed box has lost. The box as a whole lost what went into the air; what the eggs took up
 * left the medium too, without leaving the box.
 * @param weighed masses in g, of one box
 */
export function waterOfBox({ startG, nowG, givenG, eggsGainedG, waterG }: BoxWeighed): WaterBalance {
  const goneG = startG + givenG - nowG + eggsGainedG
  return { goneG, share: waterG ? goneG / waterG : null }
}

export interface BoxRecipe {
  mediumG: number
  waterG: number
}

/**
 * Dry medium and water for a box of eggs.
 * @param eggG what one egg weighs, g
 * @param mediumPerEgg grams of dry medium to one gram of egg
 * @param waterPerMedium water to dry medium, by weight
 * @throws RangeError for no eggs, or for a weight that is none
 */
export function boxRecipe(eggs: number, eggG: number, mediumPerEgg: number, waterPerMedium: number): BoxRecipe {
  if (!(eggs > 0) || !(eggG > 0)) throw new RangeError('A box is made for eggs that weigh something.')
  const mediumG = eggs * eggG * mediumPerEgg
  return { mediumG, waterG: mediumG * waterPerMedium }
}
