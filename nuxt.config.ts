import { fileURLToPath } from 'node:url'

const root = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineNuxtConfig({
  modules: ['@nuxt/ui', '@pinia/nuxt', '@nuxt/eslint'],
  ssr: false,
  devtools: { enabled: false },
  app: { head: { title: 'Mantel', htmlAttrs: { lang: 'en' }, meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1, viewport-fit=cover' }, { name: 'description', content: 'Runs a breeding room’s season' }], link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }] } },
  css: ['~/assets/main.css'],
  colorMode: { preference: 'system', fallback: 'light', classSuffix: '' },
  ui: { fonts: false },
  spaLoadingTemplate: true,
  alias: { '#core': root('./core'), '#server': root('./server') },
  compatibilityDate: '2026-01-01',
  vite: { worker: { format: 'es' }, build: { target: 'es2022', chunkSizeWarningLimit: 1500 } },
  typescript: { strict: true, tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } } },
  telemetry: { enabled: false },
  eslint: { config: { stylistic: { commaDangle: 'always-multiline' } } },
  icon: { provider: 'none', serverBundle: { collections: ['lucide'] }, clientBundle: { scan: { globInclude: ['app/**/*.{vue,ts}', 'node_modules/@nuxt/ui/dist/shared/*.mjs'] }, sizeLimitKb: 512 }, fallbackToApi: false },
})
