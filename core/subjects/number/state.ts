/** A number of the almanac that the house has set for itself; null when it went back to the shipped one. */
export interface OwnNumber {
  /** Where it stands in the almanac. */
  path: string
  value: number | null
  note?: string
}

declare module '../../log/house' {
  interface StateOf {
    number: OwnNumber
  }
  interface House {
    numbers: Record<string, OwnNumber>
  }
}
