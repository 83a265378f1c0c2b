import type { Fact, Home } from '../almanac'
import type { HomeSize } from '../subjects'

/** What one or several need. */
export interface HomeNeed {
  /** Square metres. */
  floorM2: number
  /** Metres; null for those that do not climb. */
  heightM: number | null
}

/** One that lives in a home, by what it needs when grown and how large it is. */
export interface Lives {
  home: Home
  /** Its weight as a share of a grown one's; over 1 counts as 1, since fat needs no floor. */
  share: number
}

/** Floor of a home, square metres. */
export const floorOf = (size: HomeSize): number => (size.widthCm * size.depthCm) / 10_000

/**
 * What a home must have for those who live in it: floor goes by the square of the length, height by the length, and
 * length by the cube root of the weight. The one that needs most counts whole, each other one by its share.
 * @param room how much of the stated floor the house gives: a choice of school, 1 = all
 * @returns null when nobody lives there
 */
export function homeNeed(
  lives: readonly Lives[],
  room: number,
  common: Readonly<Record<string, Fact>>,
): HomeNeed | null {
  if (!lives.length) return null
  const each = lives
    .map(({ home, share }) => {
      const length = Math.cbrt(Math.min(1, Math.max(0, share)))
      return {
        floor: Math.max(common.homeLeast!.value, home.floorM2.value * room * length ** 2),
        further: home.furtherShare?.value ?? 1,
        height: home.heightM ? home.heightM.value * length : null,
      }
    })
    .sort((a, b) => b.floor - a.floor)
  const [first, ...others] = each
  const heights = each.flatMap(e => (e.height === null ? [] : [e.height]))
  return {
    floorM2: first!.floor + others.reduce((sum, e) => sum + e.floor * e.further, 0),
    heightM: heights.length ? Math.max(...heights) : null,
  }
}

/** Whether a home is large enough; what is short by less than the tolerance is not small. */
export function isEnough(size: HomeSize, need: HomeNeed, common: Readonly<Record<string, Fact>>): boolean {
  const slack = 1 - common.homeTolerance!.value
  return (
    floorOf(size) >= need.floorM2 * slack &&
    (need.heightM === null || size.heightCm === null || size.heightCm >= need.heightM * 100 * slack)
  )
}
