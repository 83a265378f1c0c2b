import { spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = fileURLToPath(new URL('..', import.meta.url))

/**
 * Debian's headless Chromium: the small one without a window system, which loads a screen in three quarters of the
 * time, or else the whole browser.
 */
export function chromium() {
  const paths = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium']
  return process.env.CHROMIUM ?? paths.find(existsSync) ?? null
}

/** Runs a command to its end, showing what it prints. Exits with its code when it fails. */
export function run(command, args, options = {}) {
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options })
  if (status !== 0) {
    console.error(`\n${command} ${args.join(' ')} failed.`)
    process.exit(status ?? 1)
  }
}

const BUILT_FROM = ['app', 'core', 'modules', 'server', 'shared', 'public', 'nuxt.config.ts', 'package-lock.json']

function filesUnder(path) {
  if (!existsSync(path)) return []
  if (statSync(path).isFile()) return [path]
  return readdirSync(path)
    .sort()
    .flatMap(name => filesUnder(join(path, name)))
}

function sourceHash() {
  const hash = createHash('sha256')
  for (const file of BUILT_FROM.flatMap(p => filesUnder(join(root, p))).filter(f => !f.endsWith('.test.ts')))
    hash.update(file).update(readFileSync(file))
  return hash.digest('hex')
}

const installed = join(root, 'node_modules', '.mantel-installed')
const lockHash = () =>
  createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json'), 'utf8'))
    .digest('hex')

/** Whether all that package-lock.json names stands installed. */
export const isInstalled = () => existsSync(installed) && readFileSync(installed, 'utf8') === lockHash()

export const markInstalled = () => writeFileSync(installed, lockHash())

/**
 * How the database driver is compiled: here and not fetched ready, and at a level that takes half the time of its own
 * and makes a driver as fast (a table of 200,000 rows written and read: no difference beyond what two runs differ).
 */
export const compiling = {
  ...process.env,
  npm_config_build_from_source: 'true',
  CFLAGS: `${process.env.CFLAGS ?? ''} -O1`,
  CXXFLAGS: `${process.env.CXXFLAGS ?? ''} -O1`,
}

/** Installs what package-lock.json names, unless it stands installed already. */
export function install() {
  if (isInstalled()) return
  console.log('Installing packages (the database driver is compiled: about two minutes the first time) …')
  run('npm', ['ci', '--no-audit', '--no-fund'], { env: compiling })
  run('npx', ['nuxt', 'prepare'])
  markInstalled()
}

/**
 * Builds the application, unless the build stands and nothing it is made from has changed.
 * @param through what runs the command, and throws or exits where it fails
 */
export async function build(through = run) {
  const stamp = join(root, '.output', '.built-from')
  const hash = sourceHash()
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return
  console.log('Building …')
  await through('npx', ['nuxt', 'build'], { env: { ...process.env, NODE_ENV: 'production' } })
  writeFileSync(stamp, hash)
}

/** Where the server listens: this machine alone, unless HOST says otherwise. */
export const listensOn = () => process.env.HOST || '127.0.0.1'

/** How it is reached from this machine. */
function addressOf(host, port) {
  const named = host === '0.0.0.0' ? '127.0.0.1' : host === '::' ? '::1' : host
  return `http://${named.includes(':') ? `[${named}]` : named}:${port}`
}

/** The wished port, or the next free one above it. */
export async function freePort(wished, host = '127.0.0.1') {
  for (let port = wished; port < wished + 50; port++) {
    const free = await new Promise(resolve => {
      const probe = createServer()
        .once('error', error => resolve(error.code !== 'EADDRINUSE'))
        .once('listening', () => probe.close(() => resolve(true)))
        .listen(port, host)
    })
    if (free) return port
  }
  throw new Error(`No free port from ${wished} on`)
}

/** Starts the built server and waits until it answers. */
export async function serve({ port, database, env = {} }) {
  mkdirSync(join(root, 'data'), { recursive: true })
  const host = listensOn()
  const child = spawn(process.execPath, [join(root, '.output/server/index.mjs')], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      HOST: host,
      PORT: String(port),
      NITRO_HOST: host,
      NITRO_PORT: String(port),
      MANTEL_DB: database,
      ...env,
    },
  })
  const address = addressOf(host, port)
  let ended = null
  child.once('exit', code => {
    ended = code ?? 0
  })
  for (let i = 0; i < 150; i++) {
    // it has said why
    if (ended !== null) process.exit(ended || 1)
    const ok = await fetch(`${address}/api/health`).then(
      r => r.ok,
      () => false,
    )
    if (ok) return { child, address }
    await new Promise(resolve => setTimeout(resolve, 200))
  }
  child.kill()
  throw new Error('The server did not answer within 30 seconds')
}

/** Ends with the server, and takes it along when told to stop. */
export function stayWith(child) {
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill('SIGTERM'))
  child.on('exit', code => process.exit(code ?? 0))
}
