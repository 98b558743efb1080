import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    maxWorkers: 3, // some tests wait for programs they start; the default leaves one worker on two cores
    projects: [
      {
        test: {
          name: 'core',
          include: ['core/**/*.test.ts', 'demo/**/*.test.ts'],
          testTimeout: 60_000,
          pool: 'threads',
          isolate: false,
        },
      },
      { plugins: [vue()], test: { name: 'web', include: ['web/**/*.test.ts'], environment: 'happy-dom' } },
      {
        test: {
          name: 'server',
          include: ['server/**/*.test.ts'],
          globalSetup: './server/testing/postgres.ts',
          testTimeout: 90_000,
          hookTimeout: 180_000, // the demo takes ten seconds to load, and several times that on a loaded machine
          pool: 'forks',
          isolate: false,
        },
      },
      { test: { name: 'scripts', include: ['scripts/**/*.test.ts'], testTimeout: 120_000, hookTimeout: 60_000 } },
    ],
  },
})
