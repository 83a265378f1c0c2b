// Installs, builds, fills the demo house (its own database, made anew each time) and serves it.
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { build, freePort, install, listensOn, root, serve, stayWith } from './steps.mjs'

install()
await build()
const database = join(root, 'data', 'demo.sqlite')
mkdirSync(join(root, 'data'), { recursive: true })
const port = await freePort(Number(process.env.PORT ?? 4180), listensOn())
const { child, address } = await serve({ port, database, env: { MANTEL_DEMO: 'anew' } })
console.log(
  `\nMantel serves the demo house, Alder Yard, at ${address}\nStop it with Ctrl-C. Your own house is untouched: npm start serves it.\n`,
)
stayWith(child)
