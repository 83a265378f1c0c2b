/** Food is looked at over so many days. */
export const FOOD_DAYS = 60

/** Where the young of a pair would go, and what they would eat. */
export interface RoomFound {
  /** Boxes and tubs with nobody in them. */
  freePlaces: number
  /** Young expected of pairs and eggs that already are, not yet in boxes of their own. */
  expected: number
  /** What is left for another pair; below 0 there is too little already. */
  left: number
  /** What this pair brings: few, likely, many. */
  brings: { low: number; likely: number; high: number }
  weeksToSale: number
  /**
   * Young that the food of the first weeks would carry beside those expected, by its prey; null when it is bought as
   * needed.
   */
  fed: { prey: string; young: number | null }
}
