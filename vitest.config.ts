import { relative } from 'node:path'
import { defineConfig } from 'vitest/config'
import { BaseSequencer, type TestSpecification } from 'vitest/node'

/** Files that take minutes, the longest first: begun last, they would leave one core waiting for the other. */
const LONGEST = [
  'test/library/every-machine.test.ts',
  'test/core/diagnosis/returns.test.ts',
  'test/core/diagnosis/stories.test.ts',
  'test/core/running/run.test.ts',
  'test/core/diagnosis/direct-look.test.ts',
  'test/library/complaints.test.ts',
  'test/core/diagnosis/diagnose.test.ts',
  'test/core/model/mangled.test.ts',
  'test/core/diagnosis/robust.test.ts',
  'test/core/diagnosis/unlisted-candidates.test.ts',
]

class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const place = ({ moduleId, project }: TestSpecification) => {
      const at = LONGEST.indexOf(relative(project.config.root, moduleId))
      return at < 0 ? LONGEST.length : at
    }
    return (await super.sort(files)).sort((a, b) => place(a) - place(b))
  }
}

// A cold start and two dozen steps of advice, on a machine that may be ten times slower than a desk.
const slow = { testTimeout: 900_000, hookTimeout: 300_000 }

export default defineConfig({
  test: {
    maxWorkers: '100%',
    passWithNoTests: false,
    sequence: { sequencer: LongestFirst },
    projects: [
      {
        test: {
          ...slow,
          name: 'pure',
          include: ['test/{core,cli,library,benchmark,house,stand-ins}/**/*.test.ts'],
          environment: 'node',
          // Nothing in these rooms has a state of its own, and what one file has run of a machine the next need not run again.
          isolate: false,
        },
      },
      {
        test: {
          ...slow,
          name: 'services',
          include: ['test/{server,app}/**/*.test.ts'],
          environment: 'node',
          globalSetup: 'test/server/cluster.ts',
        },
      },
    ],
  },
})
