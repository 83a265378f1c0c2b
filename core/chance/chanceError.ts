/** Raised when a distribution is asked for that cannot exist. */
export class ChanceError extends Error {
  override name = 'ChanceError'
}
