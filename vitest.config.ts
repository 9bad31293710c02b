import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['test/{core,cli,library,benchmark,server,app,house}/**/*.test.ts'],
    environment: 'node',
    globalSetup: 'test/server/cluster.ts',
    // A cold start and two dozen steps of advice, on a machine that may be ten times slower than a desk.
    testTimeout: 900_000,
    hookTimeout: 300_000,
    // Two of the files take as long as all the others: every core is wanted.
    maxWorkers: '100%',
    passWithNoTests: false,
  },
})
