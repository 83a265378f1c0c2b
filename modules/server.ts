import { fileURLToPath } from 'node:url'
import { defineNuxtModule } from 'nuxt/kit'

const root = (path: string) => fileURLToPath(new URL(`../${path}`, import.meta.url))

interface ServerConfig {
  entry?: string
  compressPublicAssets?: { gzip: boolean; brotli: boolean }
}

type Chunks = (id: string, ...more: unknown[]) => string | undefined

interface ServerBuild {
  hooks: {
    hook: (
      name: 'rollup:before',
      change: (server: unknown, config: { input: unknown; output: { manualChunks: Chunks } }) => void,
    ) => void
  }
}

/** What threads share with the server, kept apart from the server itself: a thread must not start one. */
const SHARED: [chunk: string, folders: RegExp][] = [
  ['core', /^(core|shared)\//],
  ['database', /^server\/db\//],
]

/**
 * How the server is built: with its own entry, which opens the house before it listens and listens on this machine
 * alone unless it is told otherwise; and with its threads bundled beside it, each under its own name.
 */
export default defineNuxtModule({
  meta: { name: 'server' },
  setup(_, nuxt) {
    nuxt.hook('nitro:config', config => {
      if (nuxt.options.dev) return
      const server = config as ServerConfig
      server.entry = root('server/main.ts')
      server.compressPublicAssets = { gzip: true, brotli: true }
    })
    nuxt.hook('nitro:init', nitro => {
      ;(nitro as unknown as ServerBuild).hooks.hook('rollup:before', (_, config) => {
        config.input = {
          index: config.input,
          solver: root('server/workers/solver.ts'),
          backup: root('server/workers/backup.ts'),
        }
        const usual = config.output.manualChunks
        const manualChunks: Chunks = (id, ...more) =>
          SHARED.find(([, folders]) => id.startsWith(root('')) && folders.test(id.slice(root('').length)))?.[0] ??
          usual(id, ...more)
        Object.assign(config.output, { entryFileNames: '[name].mjs', manualChunks })
      })
    })
  },
})
