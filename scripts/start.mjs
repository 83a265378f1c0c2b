// Installs, builds and serves your own house; an empty one is made when there is none.
import { join } from 'node:path'
import { build, freePort, install, root, serve, stayWith } from './steps.mjs'

install()
build()
const database = process.env.MANTEL_DB ?? join(root, 'data', 'mantel.sqlite')
const port = await freePort(Number(process.env.PORT ?? 4170))
const { child, address } = await serve({ port, database, env: { MANTEL_DEMO: '' } })
console.log(`\nMantel serves your house at ${address}\nIts data lies in ${database}\n`)
stayWith(child)
