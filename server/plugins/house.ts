import { defineNitroPlugin } from 'nitropack/runtime'
import { closeTheHouse, theHouse } from '../house/theHouse'

/** Opens the house with the server, so that a broken database is said at once, and closes it when the server stops. */
export default defineNitroPlugin((nitro) => {
  theHouse().catch((error: unknown) => {
    console.error('Mantel could not open its database:', error)
    process.exit(1)
  })
  nitro.hooks.hook('close', closeTheHouse)
})
