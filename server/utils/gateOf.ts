import { hostNames, isLoopback, refusalOf } from './gate'

interface Gate {
  /** The server can be reached from other machines, so that one must come in with the passphrase. */
  closed: boolean
  refusalOf: (asked: Parameters<typeof refusalOf>[0]) => ReturnType<typeof refusalOf>
}

let gate: Gate | null = null

export const listensOn = (): string => process.env.NITRO_HOST || process.env.HOST || '127.0.0.1'

/** The gate of this server; what it listens on does not change while it runs. */
export function gateOf(): Gate {
  if (!gate) {
    const names = hostNames(listensOn(), process.env.MANTEL_HOSTS)
    gate = { closed: !isLoopback(listensOn()), refusalOf: asked => refusalOf(asked, names) }
  }
  return gate
}
