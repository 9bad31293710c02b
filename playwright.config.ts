import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'test/browser',
  globalSetup: './test/browser/prepared.ts',
  // Each file has a place of its own: what waits in one leaves the core to the other.
  workers: 2,
  // A whole visit on a machine that may be ten times slower than a desk: what hangs is found by `expect`, what is slow by the benchmark.
  timeout: 1_200_000,
  expect: { timeout: 90_000 },
  outputDir: 'test-results/browser',
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['list'], ['json']] : [['list']],
  use: {
    actionTimeout: 60_000,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
