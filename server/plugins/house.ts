import { defineNitroPlugin } from 'nitropack/runtime'
import { closeTheHouse, theHouse, theSimulator } from '../house/theHouse'

/**
 * Opens the house with the server and closes it when the server stops. The built server awaits it in `main.ts` before
 * it listens.
 */
export default defineNitroPlugin(nitro => {
  if (import.meta.dev) {
    theHouse().catch((error: unknown) => {
      console.error(error)
      process.exit(1)
    })
  }
  // the devices of a demonstration read by the minute
  const ticker = process.env.MANTEL_DEMO
    ? setInterval(() => {
        void theSimulator()
          .then(s => s?.catchUp())
          .catch(console.error)
      }, 60_000)
    : null
  nitro.hooks.hook('close', async () => {
    if (ticker) clearInterval(ticker)
    await closeTheHouse()
  })
})
