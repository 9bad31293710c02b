import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import { startCluster } from '../../scripts/setup/cluster.mjs'

declare module 'vitest' {
  export interface ProvidedContext {
    /** Address of a PostgreSQL of the tests' own, as its owner. */
    cluster: string
  }
}

/** One PostgreSQL for all test files; each makes a database of its own in it. */
export default async function setup(project: TestProject) {
  const cluster = process.env.TEST_DATABASE_URL
    ? { url: process.env.TEST_DATABASE_URL, stop: () => undefined }
    : await startCluster(join(import.meta.dirname, '../..'), 'unit', { fresh: true })
  project.provide('cluster', cluster.url)
  return () => cluster.stop()
}
