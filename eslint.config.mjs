import { existsSync, readdirSync } from 'node:fs'
import js from '@eslint/js'
import { defineConfig, globalIgnores } from 'eslint/config'
import regexp from 'eslint-plugin-regexp'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

/** A step of the core is used from outside through its index.ts; its kinds of row are listed by core/makeover. */
const steps = readdirSync(new URL('./core', import.meta.url)).filter(
  (folder) => folder !== 'steps' && existsSync(new URL(`./core/${folder}/step.ts`, import.meta.url)),
)
const face = (step, prefix) => ({
  regex: `${prefix}${step}/(?!(index|kinds)\\.ts$)`,
  message: `Use the public face of the step: core/${step}/index.ts.`,
})
const fromAbove = steps.map((step) => face(step, '^#core/'))
const besides = (own) => steps.filter((step) => step !== own).map((step) => face(step, '^\\.\\./'))

/** Floors: imports go down only. Each entry says what a floor may not reach. */
const floors = [
  {
    files: ['core/**/*.ts'],
    regex:
      '^(node:|vue|vue-router|pinia|element-plus|@vueuse|express|pg$|drizzle-orm|comlink)|^#(web|server|demo)/|(^|/)(web|server|demo)/',
    message: 'The core stands on nothing above it: no interface, no server, no Node.',
  },
  {
    files: ['server/**/*.ts'],
    regex: '^(vue|vue-router|pinia|element-plus|@vueuse|comlink)|^#web/|/web/',
    message: 'The server does not reach into the interface.',
  },
  {
    files: ['web/**/*.ts', 'web/**/*.vue'],
    regex: '^(node:|express|pg$|drizzle-orm)|^#server/|/server/',
    message: 'The interface does not reach into the server: it speaks to its routes.',
  },
  {
    files: ['web/parts/**', 'web/stores/**'],
    regex: `^(node:|express|pg$|drizzle-orm)|^#server/|/server/|^\\.\\./(${steps.join('|')})/`,
    message: 'Parts and stores know no step: a step uses them.',
  },
  { files: ['demo/**/*.ts'], regex: '^(node:|vue)|^#(web|server)/', message: 'The demo is data for the core.' },
]

export default defineConfig(
  globalIgnores([
    'dist/',
    'node_modules/',
    '.bonitas/',
    '**/*.tmp.*',
    'server/database/migrations/',
    'test-results/',
    'playwright-report/',
  ]),
  js.configs.recommended,
  ts.configs.strictTypeChecked,
  vue.configs['flat/essential'],
  {
    // no pattern takes longer than its text is long, whatever the text
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential' }],
    },
  },
  {
    languageOptions: {
      parserOptions: {
        project: ['./tsconfig.json', './tsconfig.web.json'],
        extraFileExtensions: ['.vue'],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/no-unused-vars': [
        'error',
        { varsIgnorePattern: '^_', argsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-misused-spread': 'off', // a text is spread to count its characters as people count them
      '@typescript-eslint/no-dynamic-delete': 'off',
      'no-console': 'error',
      'no-unexpected-multiline': 'off', // Prettier breaks lines where no line would end
      // a name says the thing: wall, finish, order, left, right
      'id-denylist': ['error', 'one', 'other', 'of', 'now', 'each'],
      'no-restricted-syntax': [
        'error',
        {
          // `from` is a field beside `to`; as a variable it says nothing
          selector:
            'VariableDeclarator > Identifier[name=from], :function > Identifier[name=from], ArrayPattern > Identifier[name=from]',
          message: 'Name the thing: start, origin, source.',
        },
      ],
      'max-lines': ['error', 300], // a file holds one idea; what is data has no such bound (below)
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: ts.parser } },
    rules: {
      'vue/no-mutating-props': ['error', { shallowOnly: true }], // a field of a form is handed down to be typed into
      '@typescript-eslint/no-useless-default-assignment': 'off', // destructured props have their defaults here
    },
  },
  {
    files: ['demo/**', 'core/rulebook/**', 'core/palette/library.ts', '**/*.generated.ts'],
    rules: { 'max-lines': 'off' },
  },
  { files: ['**/*.ts', '**/*.vue'], rules: { 'no-undef': 'off' } }, // the compiler knows better
  ...floors.map(({ files, regex, message }) => ({
    files,
    ignores: ['**/*.test.ts', '**/testing/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex, message }, ...fromAbove, ...(files[0].startsWith('core/') ? besides(null) : [])] },
      ],
    },
  })),
  // within a step, its own files are near; the other steps stay behind their faces
  ...steps.map((step) => ({
    files: [`core/${step}/*.ts`],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex: floors[0].regex, message: floors[0].message }, ...besides(step)] },
      ],
    },
  })),
  // a test may set up what no user could, and asserts on answers as they come
  {
    files: ['**/*.test.ts', '**/testing/**', 'e2e/**'],
    rules: {
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
    },
  },
  {
    files: ['scripts/**/*.mjs', 'scripts/**/*.mts', '*.mjs'],
    extends: [ts.configs.disableTypeChecked],
    languageOptions: {
      parserOptions: { project: null },
      globals: {
        process: 'readonly',
        URL: 'readonly',
        setTimeout: 'readonly',
        clearTimeout: 'readonly',
        setInterval: 'readonly',
        console: 'readonly',
        fetch: 'readonly',
      },
    },
    rules: { 'no-console': 'off' },
  },
)
