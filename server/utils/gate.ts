import { networkInterfaces, hostname } from 'node:os'

const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]'])

/** Whether a host that a server listens on is this machine alone. */
export const isLoopback = (host: string): boolean =>
  LOOPBACK.has(host) || host === '::1' || /^127\.\d+\.\d+\.\d+$/.test(host)

const bracketed = (address: string): string => (address.includes(':') ? `[${address}]` : address)

/**
 * Names under which the server may be called: loopback, the address it listens on (all of this machine's when it
 * listens on all), and those named in MANTEL_HOSTS. Any other name was made to point here by someone else.
 */
export function hostNames(listensOn: string, named: string | undefined): Set<string> {
  const own = ['0.0.0.0', '::'].includes(listensOn)
    ? [
        hostname().toLowerCase(),
        ...Object.values(networkInterfaces())
          .flatMap(list => list ?? [])
          .map(n => bracketed(n.address)),
      ]
    : [bracketed(listensOn)]
  return new Set([
    ...LOOPBACK,
    ...own,
    ...(named ?? '')
      .split(',')
      .map(n => n.trim().toLowerCase())
      .filter(Boolean),
  ])
}

const nameOf = (host: string): string => host.toLowerCase().replace(/:\d+$/, '')

interface Asked {
  method: string
  host: string | undefined
  origin: string | undefined
  /** Sec-Fetch-Site. */
  site: string | undefined
}

const READS = new Set(['GET', 'HEAD', 'OPTIONS'])

/**
 * Why a request is not let through: it calls the server by a name that is not its own (a foreign name that was made to
 * point here), or another page wants to write. A program that is no browser sends neither Origin nor Sec-Fetch-Site.
 * @returns null when it may pass
 */
export function refusalOf(
  { method, host, origin, site }: Asked,
  names: ReadonlySet<string>,
): { status: number; title: string } | null {
  if (!host || !names.has(nameOf(host)))
    return { status: 421, title: 'This server is not called by this name; name it in MANTEL_HOSTS if it should be' }
  if (READS.has(method)) return null
  const foreign = (site !== undefined && site !== 'same-origin') || (origin !== undefined && !sameHost(origin, host))
  return foreign ? { status: 403, title: 'Another page may not write here' } : null
}

function sameHost(origin: string, host: string): boolean {
  try {
    return (
      new URL(origin).host === host.toLowerCase() || new URL(`${new URL(origin).protocol}//${host}`).origin === origin
    )
  } catch {
    return false
  }
}
