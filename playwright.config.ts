import { defineConfig } from '@playwright/test'

const port = Number(process.env.BONITAS_TEST_PORT ?? 8461)

/** The product as it is served, over a database of its own with the demo in it. */
export default defineConfig({
  testDir: './e2e',
  testMatch: '*.test.ts',
  globalSetup: './e2e/database.ts',
  fullyParallel: true,
  workers: 2,
  // how long is waited for what will come, not how fast it must be: a machine three times as slow finds the same
  timeout: 180_000,
  expect: { timeout: 30_000 },
  forbidOnly: true,
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    contextOptions: { reducedMotion: 'reduce' }, // as who asks for it: nothing is still folding away when the next click comes
    actionTimeout: 45_000,
    serviceWorkers: 'block', // but where a test is about it: requests it answers cannot be lost on purpose
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
