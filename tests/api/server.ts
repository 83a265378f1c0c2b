import { type ChildProcess, spawn } from 'node:child_process'
import { copyFileSync, existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort, root } from '../../scripts/steps.mjs'
import { demoFilled } from './template'

export interface RunningServer {
  address: string
  database: string
  /** Stops it as a system would, and tells the exit code; its database goes with it unless it is kept. */
  stop: (keepDatabase?: boolean) => Promise<number>
  /** Ends it as a power cut would. */
  kill: () => Promise<void>
  pid: number
}

/**
 * Ports of each worker apart, and under those that a system hands out to whoever connects: one that was free a moment ago
 * is free still.
 */
let nextPort = 20_000 + 500 * Number(process.env.VITEST_POOL_ID ?? 0)
async function ownPort(host?: string): Promise<number> {
  const port = await freePort(nextPort, host)
  nextPort = port + 1
  return port
}

/** Starts the built server on a database of its own in a temporary folder. */
export async function startServer(env: Record<string, string> = {}, keep?: string): Promise<RunningServer> {
  const entry = join(root, '.output/server/index.mjs')
  if (!existsSync(entry)) throw new Error('Build first: npm run build')
  const folder = keep ? '' : mkdtempSync(join(tmpdir(), 'mantel-'))
  const database = keep ?? join(folder, 'house.sqlite')
  const filled = env.MANTEL_DEMO && !keep && demoFilled()
  if (filled) copyFileSync(filled, database)
  const port = await ownPort(env.HOST)
  const child: ChildProcess = spawn(process.execPath, [entry], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      HOST: '127.0.0.1',
      PORT: String(port),
      MANTEL_DB: database,
      MANTEL_DEMO: '',
      MANTEL_TODAY: '2026-11-25',
      ...env,
    },
    stdio: ['ignore', 'ignore', 'inherit'],
  })
  const ended = new Promise<number>(resolve => child.once('exit', code => resolve(code ?? -1)))
  const address = `http://${env.HOST ?? '127.0.0.1'}:${port}`
  for (let i = 0; ; i++) {
    if (
      await fetch(`${address}/api/health`).then(
        r => r.ok,
        () => false,
      )
    )
      break
    // a machine that is shared may stand still for half a minute
    if (i > 600) throw new Error('The server did not answer')
    await new Promise(resolve => setTimeout(resolve, 100))
  }
  return {
    address,
    database,
    pid: child.pid!,
    kill: async () => {
      child.kill('SIGKILL')
      await ended
    },
    stop: async (keepDatabase = false) => {
      child.kill('SIGTERM')
      const code = await ended
      if (folder && !keepDatabase) rmSync(folder, { recursive: true, force: true })
      return code
    },
  }
}
