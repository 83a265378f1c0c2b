interface Named {
  run: string
  version: number
  today: number
}

/** The name of a state: the run of the server, the version of the house in it, and the day. */
export const tokenOf = ({ run, version, today }: Named): string => `${run}.${version}.${today}`

/** Whether a state came after another; of another run of the server any is news. */
export function isNewer(token: string, than: string): boolean {
  const [a, b] = [token, than].map(t => t.split('.'))
  if (a![0] !== b![0]) return true
  const [version, day] = [Number(a![1]) - Number(b![1]), Number(a![2]) - Number(b![2])]
  return version > 0 || (version === 0 && day > 0)
}
