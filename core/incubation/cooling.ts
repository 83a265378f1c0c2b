/**
 * The time constant of a box that cools by itself (Newton's law of cooling): hours in which its distance from the room
 * falls to 1/e. By least squares through the origin on the logarithm of that distance.
 * @param temps hourly temperatures since the heat went off, °C, the first of them the start
 * @param roomC what it cools towards, °C; below all of them
 * @returns hours, or null where it does not cool
 */
export function timeConstant(temps: readonly number[], roomC: number): number | null {
  const start = temps[0]! - roomC
  if (temps.length < 3 || start <= 0) return null
  let [up, down] = [0, 0]
  temps.forEach((t, hour) => {
    if (t <= roomC) return
    up += hour * Math.log(start / (t - roomC))
    down += hour * hour
  })
  return up > 0 ? down / up : null
}

/**
 * Hours until a box that cools reaches a temperature: t = τ · ln((now − room) / (limit − room)).
 * @returns 0 when it is there already, Infinity when it never comes there
 */
export function hoursUntil(nowC: number, roomC: number, tauHours: number, limitC: number): number {
  if (nowC <= limitC) return 0
  return limitC <= roomC ? Number.POSITIVE_INFINITY : tauHours * Math.log((nowC - roomC) / (limitC - roomC))
}
