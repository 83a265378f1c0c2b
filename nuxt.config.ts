import { fileURLToPath } from 'node:url'

const root = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineNuxtConfig({
  modules: ['@nuxt/ui', '@pinia/nuxt', '@nuxt/eslint', 'nuxt-security'],
  ssr: false,
  devtools: { enabled: false },
  app: {
    head: {
      title: 'Mantel',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1, viewport-fit=cover' },
        { name: 'description', content: 'Runs a breeding room’s season' },
      ],
      script: [{ src: '/before.js' }],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }],
    },
  },
  css: ['~/assets/main.css'],
  colorMode: { preference: 'system', fallback: 'light', classSuffix: '' },
  ui: { fonts: false },
  spaLoadingTemplate: true,
  alias: { '#core': root('./core'), '#server': root('./server') },
  experimental: { emitRouteChunkError: 'manual' },
  compatibilityDate: '2026-01-01',
  vite: { worker: { format: 'es' }, build: { target: 'es2022', chunkSizeWarningLimit: 1500 } },
  typescript: { strict: true, tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } } },
  telemetry: { enabled: false },
  eslint: { config: { stylistic: { commaDangle: 'always-multiline' } } },
  icon: {
    provider: 'none',
    serverBundle: { collections: ['lucide'] },
    clientBundle: {
      scan: { globInclude: ['app/**/*.{vue,ts}', 'node_modules/@nuxt/ui/dist/shared/*.mjs'] },
      sizeLimitKb: 512,
    },
    fallbackToApi: false,
  },
  security: {
    headers: {
      contentSecurityPolicy: {
        'default-src': ["'none'"],
        'base-uri': ["'none'"],
        'object-src': ["'none'"],
        'frame-ancestors': ["'none'"],
        'form-action': ["'self'"],
        'script-src': ["'self'", "'nonce-{{nonce}}'", "'wasm-unsafe-eval'"],
        'script-src-attr': ["'none'"],
        'worker-src': ["'self'"],
        'connect-src': ["'self'"],
        // styles of single elements are how charts are placed
        'style-src': ["'self'", "'unsafe-inline'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'font-src': ["'self'"],
        'manifest-src': ["'self'"],
        'upgrade-insecure-requests': false,
      },
      xFrameOptions: 'DENY',
      referrerPolicy: 'no-referrer',
      xContentTypeOptions: 'nosniff',
      // plain http on a local network has no use for these, and they would lock it out
      strictTransportSecurity: false,
      originAgentCluster: false,
      crossOriginEmbedderPolicy: false,
    },
    hidePoweredBy: true,
    // requests are gated and read by the server's own code, which answers problems
    rateLimiter: false,
    requestSizeLimiter: false,
    xssValidator: false,
    corsHandler: false,
    allowedMethodsRestricter: false,
  },
})
