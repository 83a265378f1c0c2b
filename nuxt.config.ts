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
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' },
        // the house is on its way while the program is loaded
        { rel: 'preload', href: '/api/changes', as: 'fetch', crossorigin: 'anonymous' },
        { rel: 'preload', href: '/api/almanac', as: 'fetch', crossorigin: 'anonymous' },
      ],
    },
  },
  css: ['~/assets/main.css'],
  // a space between two words stands wherever the formatter breaks the line
  vue: { compilerOptions: { whitespace: 'preserve' } },
  colorMode: { preference: 'system', fallback: 'light', classSuffix: '' },
  ui: { fonts: false },
  spaLoadingTemplate: true,
  alias: { '#core': root('./core'), '#server': root('./server') },
  experimental: {
    emitRouteChunkError: 'manual',
    // all screens are fetched once the first one stands, see plugins/fetchAhead
    defaults: { nuxtLink: { prefetch: false } },
  },
  compatibilityDate: '2026-01-01',
  vite: {
    plugins: [
      {
        // the kit's popover takes its parts from a list of everything, which brings the calendars to every screen
        name: 'mantel:popover-parts',
        enforce: 'pre',
        resolveId: (id: string, from?: string) =>
          id === 'reka-ui/namespaced' && from?.includes('components/Popover.vue')
            ? root('./app/kit/popoverParts.ts')
            : null,
      },
      {
        name: 'mantel:toast-parts',
        enforce: 'pre',
        resolveId: (id: string, from?: string) =>
          id === '@vueuse/core' && from?.includes('Toast/ToastRootImpl') ? root('./app/kit/toastParts.ts') : null,
      },
    ],
    // every component, the kit's too, is written by setup
    vue: { features: { optionsAPI: false } },
    worker: { format: 'es' },
    build: {
      target: 'es2022',
      chunkSizeWarningLimit: 1500,
      reportCompressedSize: false,
      // modules of core and of contracts do nothing by being loaded, so that a screen takes only what it uses
      rollupOptions: {
        treeshake: { moduleSideEffects: id => !id.startsWith(root('./core/')) && !id.startsWith(root('./shared/')) },
      },
    },
  },
  typescript: { strict: true, tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } } },
  telemetry: { enabled: false },
  hooks: {
    // all else is fetched once the first screen stands: before that it would only stand in its way
    'build:manifest': manifest => {
      for (const item of Object.values(manifest)) item.prefetch = false
    },
  },
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
