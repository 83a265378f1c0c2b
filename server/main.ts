import '#nitro-internal-pollyfills'
import { Server, type IncomingMessage, type ServerResponse } from 'node:http'
import compression from 'compression'
import { toNodeListener } from 'h3'
import { useNitroApp } from 'nitropack/runtime'
import { DatabaseProblem } from './db/problems'
import { closeTheHouse, listensAt, theAccess, theHouse } from './house/theHouse'
import { isLoopback } from './utils/gate'
import { listensOn } from './utils/gateOf'
import { closeStreams } from './utils/streams'

/** A request that is not whole by then is ended. */
const LONGEST_REQUEST_MS = 30_000
/** Requests that run when the server is told to stop get so long to end. */
const LAST_REQUESTS_MS = 2500
const LONGEST_STOP_MS = 4500

const port = Number(process.env.NITRO_PORT || process.env.PORT || 3000)
const host = listensOn()

/** Ends before it has begun, and says why in words rather than in a trace. */
async function refuseToStart(why: unknown): Promise<never> {
  console.error(
    why instanceof DatabaseProblem || typeof why === 'string' ? `\n${why instanceof Error ? why.message : why}\n` : why,
  )
  await closeTheHouse().catch(() => undefined)
  process.exit(1)
}

const LISTEN_PROBLEMS: Record<string, string> = {
  EADDRINUSE: `The port ${port} of ${host} is taken by another program. Stop it, or choose another: PORT=${port + 1} npm start`,
  EACCES: `The port ${port} may not be used by this account. Choose one above 1024: PORT=4170 npm start`,
  EADDRNOTAVAIL: `This machine has no address ${host}. Set HOST to one that it has, or leave it out.`,
  ENOTFOUND: `This machine does not know the name ${host}. Set HOST to one of its addresses, or leave it out.`,
}

/** What is told as it happens is not held back to be pressed together. */
const isStream = (response: ServerResponse) =>
  String(response.getHeader('content-type')).startsWith('text/event-stream')
const compress = compression({
  filter: (request, response) => !isStream(response) && compression.filter(request, response),
})

const nitro = useNitroApp()
const answer = toNodeListener(nitro.h3App)
const server = new Server(
  { requestTimeout: LONGEST_REQUEST_MS, headersTimeout: LONGEST_REQUEST_MS / 2, connectionsCheckingInterval: 2000 },
  (request: IncomingMessage, response: ServerResponse) =>
    // it was written for a framework that adds to requests and answers; it uses nothing of that
    compress(request as Parameters<typeof compress>[0], response as Parameters<typeof compress>[1], () => {
      void answer(request, response)
    }),
)
server.on('error', (error: NodeJS.ErrnoException) => {
  void refuseToStart(LISTEN_PROBLEMS[error.code ?? ''] ?? error)
})

let stopping = false

/** The log is closed before anything else is waited for. */
async function stop(): Promise<void> {
  if (stopping) return
  stopping = true
  setTimeout(() => process.exit(1), LONGEST_STOP_MS).unref()
  const closed = new Promise(resolve => server.close(resolve))
  await closeStreams()
  server.closeIdleConnections()
  setTimeout(() => server.closeAllConnections(), LAST_REQUESTS_MS).unref()
  await closed
  await nitro.hooks.callHook('close')
  process.exit(0)
}
for (const signal of ['SIGTERM', 'SIGINT'] as const)
  process.on(signal, () => {
    stop().catch(refuseToStart)
  })
// one request that goes wrong ends no other
for (const fault of ['unhandledRejection', 'uncaughtException'] as const)
  process.on(fault, error => console.error(error))

/** The house is open before anyone can ask for it. */
async function start(): Promise<void> {
  await theHouse()
  if (!isLoopback(host) && !(await theAccess()).hasPassphrase) {
    await refuseToStart(
      `Mantel does not listen on ${host}, where other machines reach it, without a passphrase.\nSet one first: npm run passphrase\nOr leave HOST out to serve this machine alone.`,
    )
  }
  if (!stopping) server.listen(port, host, () => console.log(`Mantel listens on ${listensAt()}`))
}

start().catch(refuseToStart)
