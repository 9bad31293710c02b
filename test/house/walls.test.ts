import { ESLint } from 'eslint'
import { describe, expect, it } from 'vitest'

/** A file in a room, and an import that its wall forbids. */
const FORBIDDEN: [file: string, code: string][] = [
  ['core/physics/circuit/x.ts', "import { plan } from '../../diagnosis/plan'\nplan()"],
  ['core/advice/x.ts', "import { binEdges } from '../diagnosis/plan/bins'\nbinEdges()"],
  ['core/simulation/measurements/x.ts', "import type { Advice } from '../../advice'\nexport type A = Advice"],
  ['core/diagram/layout/x.ts', "import { traceLines } from '..'\ntraceLines()"],
  ['app/features/job/x.ts', "import type { Bin } from '../../../core/diagnosis/plan/bins'\nexport type B = Bin"],
  ['app/engine/x.ts', "import { advise } from '../../core/advice/advise'\nadvise()"],
  ['core/job/x.ts', "import { simulate } from '../simulation/simulate'\nsimulate()"],
  ['core/job/x.ts', "import { ref } from 'vue'\nref()"],
  ['core/job/x.ts', 'export const now = () => new Date()'],
  ['core/foundation/issues/x.ts', "import { foldJob } from '../../job'\nfoldJob([])"],
  ['app/data/x.ts', "import { useSession } from '../features/session'\nuseSession()"],
  ['app/data/x.ts', "import { advise } from '../../core/advice'\nadvise()"],
  ['app/features/job/x.ts', "import { advise } from '../../../core/advice'\nadvise()"],
  ['app/features/job/x.ts', "import { useJobs } from '../jobs/use-jobs'\nuseJobs()"],
  ['app/features/job/x.ts', "import { route } from '../../../server/platform/route'\nroute()"],
  ['app/ui/x.ts', "import { call } from '../data/http'\ncall()"],
  ['app/pages/x.ts', "import { call } from '../data/http'\ncall()"],
  ['app/pages/x.ts', "import { useJobs } from '../features/jobs/use-jobs'\nuseJobs()"],
  ['server/api/x.ts', "import { Job } from '../database/models'\nJob.name"],
  ['server/api/x.ts', "import { listJobs } from '../areas/jobs/repository'\nlistJobs()"],
  ['server/areas/jobs/x.ts', "import { listUnits } from '../units/repository'\nlistUnits()"],
  ['server/areas/jobs/service.ts', "import { database } from '../../platform/database'\ndatabase().query('SELECT 1')"],
  ['server/areas/jobs/x.ts', "import { simulate } from '../../../core/simulation/simulate'\nsimulate()"],
  ['server/areas/jobs/x.ts', "import { call } from '../../../app/data/http'\ncall()"],
  ['shared/contracts/x.ts', "import { now } from '../../server/platform/clock'\nnow()"],
]
/** What must stay possible. */
const ALLOWED: [file: string, code: string][] = [
  ['app/features/job/x.ts', "import type { View } from '../../../core/advice'\nexport type V = View"],
  ['app/engine/x.ts', "import { advise } from '../../core/advice'\nexport const a = advise"],
  [
    'app/features/job/x.ts',
    "import { layoutPicture } from '../../../core/diagram/layout'\nexport const l = layoutPicture",
  ],
  ['core/advice/x.ts', "import { plan } from '../diagnosis/plan'\nexport const p = plan"],
  ['app/features/job/x.ts', "import { useSession } from '../session'\nexport const a = useSession"],
  ['server/areas/jobs/x.ts', "import { listSheets } from '../sheets/service'\nexport const a = listSheets"],
]

describe('walls of the house', () => {
  const eslint = new ESLint({ cwd: new URL('../..', import.meta.url).pathname })
  const rulesBroken = async (file: string, code: string) => {
    const [result] = await eslint.lintText(`${code}\n`, { filePath: file })
    return result!.messages.map((m) => m.ruleId ?? m.message)
  }
  it('each of them stops what it is there to stop', async () => {
    const open: string[] = []
    for (const [file, code] of FORBIDDEN)
      if (!(await rulesBroken(file, code)).some((r) => /^boundaries|^no-restricted/.test(r)))
        open.push(`${file}: ${code}`)
    expect(open).toEqual([])
  })
  it('and lets through what the house needs', async () => {
    for (const [file, code] of ALLOWED) expect(await rulesBroken(file, code), `${file}: ${code}`).toEqual([])
  })
})
