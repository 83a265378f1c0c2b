const DEGREE = Math.PI / 180

/**
 * Hours of daylight, sunrise to sunset with the top of the sun on the horizon (refraction of 0.8333°).
 * Source: Forsythe et al. 1995, Ecological Modelling 80:87–95 (the CBM model); within about 5 minutes below 55°.
 * @param latitude degrees, −90..90, south negative
 * @param dayOfYear 1..366
 * @returns hours, 0..24: polar night and polar day included
 */
export function dayLengthHours(latitude: number, dayOfYear: number): number {
  const theta = 0.2163108 + 2 * Math.atan(0.9671396 * Math.tan(0.0086 * (dayOfYear - 186)))
  const declination = Math.asin(0.39795 * Math.cos(theta))
  const phi = Math.max(-89.99, Math.min(89.99, latitude)) * DEGREE
  const x =
    (Math.sin(0.8333 * DEGREE) + Math.sin(phi) * Math.sin(declination)) / (Math.cos(phi) * Math.cos(declination))
  return 24 - (24 / Math.PI) * Math.acos(Math.max(-1, Math.min(1, x)))
}

/** Day of the year, 1..366, of a calendar day (days since 1970). */
export function dayOfYear(day: number): number {
  const year = new Date(day * 86_400_000).getUTCFullYear()
  return day - Date.UTC(year, 0, 1) / 86_400_000 + 1
}
