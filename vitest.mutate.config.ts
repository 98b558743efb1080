import { defineConfig } from 'vitest/config'

/** The tests of the core alone, as mutation testing runs them. */
export default defineConfig({
  test: { include: ['core/**/*.test.ts'], testTimeout: 20_000, pool: 'threads' },
})
