// Installs, builds and serves your own house; an empty one is made when there is none.
import { join } from 'node:path'
import { build, freePort, install, listensOn, root, serve, stayWith } from './steps.mjs'

install()
await build()
const database = process.env.MANTEL_DB ?? join(root, 'data', 'mantel.sqlite')
// a port that is asked for is the one that is meant; else the next free one does
const port = process.env.PORT ? Number(process.env.PORT) : await freePort(4170, listensOn())
const { child, address } = await serve({ port, database, env: { MANTEL_DEMO: '' } })
console.log(`\nMantel serves your house at ${address}\nIts data lies in ${database}\n`)
stayWith(child)
