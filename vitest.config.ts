import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const root = fileURLToPath(new URL('.', import.meta.url)).replace(/\/$/, '')
const alias = { '#core': `${root}/core`, '#shared': `${root}/shared`, '#server': `${root}/server` }

export default defineConfig({
  resolve: { alias },
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          include: [
            'core/**/*.test.ts',
            'server/**/*.test.ts',
            'app/**/*.test.ts',
            'shared/**/*.test.ts',
            'scripts/**/*.test.ts',
          ],
          // the longest takes ten seconds alone, and three times as long beside a build
          testTimeout: 60_000,
          // modules hold no state, so that files may share them: most of the time went into loading core again
          isolate: false,
          maxWorkers: 2,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'api',
          include: ['tests/api/**/*.test.ts'],
          globalSetup: ['tests/api/template.ts'],
          testTimeout: 60_000,
          hookTimeout: 120_000,
          // each file has servers of its own
          maxWorkers: 2,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'browser',
          include: ['tests/browser/**/*.test.ts'],
          globalSetup: ['tests/api/template.ts'],
          testTimeout: 120_000,
          hookTimeout: 180_000,
          // as long as a visit waits for anything else
          expect: { poll: { timeout: 15_000 } },
          // two cores: while one file waits for a panel, another works
          maxWorkers: 2,
        },
      },
    ],
  },
})
