import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { root } from '../../scripts/steps.mjs'

const builds = join(root, '.output/public/_nuxt/builds/latest.json')
const template = join(root, '.tmp', 'demo.sqlite')
const stamp = `${template}.build`

const builtAs = () => (existsSync(builds) ? readFileSync(builds, 'utf8') : null)
const filledBy = () => (existsSync(stamp) ? readFileSync(stamp, 'utf8') : null)

/** The demo house as this build fills it, with its plans worked out; null while it was not filled. */
export const demoFilled = (): string | null => (filledBy() !== null && filledBy() === builtAs() ? template : null)

/** Fills the demo house once for each build of the program; every file of tests has a copy of its own. */
export default async function fillOnce(): Promise<void> {
  const build = builtAs()
  if (build === null) throw new Error('Build first: npm run build')
  if (demoFilled()) return
  mkdirSync(dirname(template), { recursive: true })
  for (const file of [stamp, template, `${template}-wal`, `${template}-shm`]) rmSync(file, { force: true })
  const { startServer } = await import('./server')
  const server = await startServer({ MANTEL_DEMO: '1' }, template)
  const plans = await fetch(`${server.address}/api/plans`)
  if (!plans.ok) throw new Error(`The demo house has no plans: ${await plans.text()}`)
  await server.stop()
  writeFileSync(stamp, build)
}
