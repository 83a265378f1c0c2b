import { CHAPTERS } from './scripts/layers.mjs'

/** Each chapter of core imports those before it in the list, types included; the layers above import downward. */
const above = CHAPTERS.map((chapter, i) => ({
  name: `core-${chapter}-imports-upward`,
  comment: `${chapter} stands below: what it needs of a later chapter belongs further down`,
  severity: 'error',
  from: { path: `^core/${chapter}(/|\\.ts$)` },
  to: { path: `^core/(${CHAPTERS.slice(i + 1).join('|')})(/|\\.ts$)` },
})).slice(0, -1)

export default {
  forbidden: [
    ...above,
    {
      name: 'no-circle',
      comment: 'No file leads back to itself, not by a type either',
      severity: 'error',
      from: { path: '^(core|shared|server)/' },
      to: { circular: true },
    },
    {
      name: 'core-imports-core-only',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(shared|server|app)/' },
    },
    { name: 'shared-imports-core-only', severity: 'error', from: { path: '^shared/' }, to: { path: '^(server|app)/' } },
    { name: 'server-without-app', severity: 'error', from: { path: '^server/' }, to: { path: '^app/' } },
    { name: 'app-without-server', severity: 'error', from: { path: '^app/' }, to: { path: '^server/' } },
  ],
  options: {
    exclude: { path: '(\\.test\\.ts$|node_modules)' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.tests.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.mjs', '.js', '.json'] },
  },
}
