import prettier from 'eslint-config-prettier/flat'
import withNuxt from './.nuxt/eslint.config.mjs'

/** Layers: app → shared → core, server → shared → core; chapters of core meet at each other's index only. */
const deep = { regex: '^(\\.\\./)+[a-z]+/.+', message: 'Import the chapter by its index: its insides are its own.' }
const forbid = (files, ...patterns) => ({
  files,
  ignores: ['**/*.test.ts'],
  rules: { 'no-restricted-imports': ['error', { patterns }] },
})

// what Prettier sets is not judged a second time
const formatted = { ...prettier, files: ['**/*.ts', '**/*.mts', '**/*.mjs'] }
// of Vue it sets scripts and styles; in templates it would take away spaces between inline parts, so they stay as they are
const stylistic = Object.entries(prettier.rules).filter(([name]) => name.startsWith('@stylistic/'))
const scripts = { files: ['**/*.vue'], rules: Object.fromEntries(stylistic) }

export default withNuxt(
  { ignores: ['.output/**', '.nuxt/**', 'node_modules/**', 'data/**'] },
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@stylistic/max-statements-per-line': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/multi-word-component-names': 'off',
      'vue/html-indent': 'off',
      // as the formatter writes them
      'vue/html-self-closing': ['warn', { html: { void: 'always' } }],
      'vue/first-attribute-linebreak': 'off',
      'vue/html-closing-bracket-newline': 'off',
      // a new line in content is a space more or less
      'vue/multiline-html-element-content-newline': 'off',
      'vue/require-default-prop': 'off',
    },
  },
  forbid(['core/**/*.ts'], deep, {
    regex: '^(vue|nuxt|h3|knex|pinia|better-sqlite3|node:|#imports|#shared|#server|#app|~|@/)',
    message: 'core imports nothing but core and small maths libraries.',
  }),
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'CallExpression[callee.object.name="Date"][callee.property.name="now"]',
          message: 'The clock is passed in.',
        },
        { selector: 'NewExpression[callee.name="Date"][arguments.length=0]', message: 'The clock is passed in.' },
        {
          selector: 'CallExpression[callee.object.name="Math"][callee.property.name="random"]',
          message: 'The random source is passed in.',
        },
      ],
    },
  },
  forbid(['shared/**/*.ts'], { regex: '^(#server|~|@/|vue|nuxt|h3|knex)', message: 'shared imports core only.' }),
  forbid(['server/**/*.ts'], { regex: '^(~|@/|.*/app/)', message: 'server does not import the interface.' }),
  forbid(['app/**/*.{ts,vue}'], { regex: '^(#server|.*/server/)', message: 'app talks to the server over the API.' }),
  formatted,
  scripts,
)
