/** Why a pair that wants a visit has none in the plan. */
export type Unmet =
  /** The days for it are past, or come after those that are planned. */
  | { is: 'past' }
  | { is: 'ahead'; days: number }
  /** No day is free of meals, or he is with others on all that are. */
  | { is: 'meals' }
  | { is: 'male' }

/** @param why what it waits for, in words */
export function tellUnmet(unmet: Unmet, why: string): string {
  switch (unmet.is) {
    case 'past':
      return `${why}; the days for it are past, next after her next clutch`
    case 'ahead':
      return `${why}; more than ${Math.round(unmet.days / 7)} weeks ahead`
    case 'meals':
      return 'their meals leave no day between: feed one of them later'
    case 'male':
      return 'the male is taken by others on all her days: another male, or fewer females'
  }
}

export const tellLate = (why: string): string => `${why}, late`
