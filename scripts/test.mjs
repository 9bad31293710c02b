import { mkdirSync, readFileSync, rmSync, existsSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuild } from './setup/build.mjs'
import { startCluster } from './setup/cluster.mjs'
import { CHROMIUM, ensureDebian, postgresBin } from './setup/debian.mjs'
import { ensurePackages } from './setup/packages.mjs'
import { run } from './setup/run.mjs'
import { say } from './setup/say.mjs'

const root = join(import.meta.dirname, '..')
const bin = (name) => join(root, 'node_modules/.bin', name)
const results = join(root, 'test-results')

await ensurePackages(root)
await ensureDebian([...(postgresBin() ? [] : ['postgresql']), ...(existsSync(CHROMIUM) ? [] : ['chromium'])])
rmSync(results, { recursive: true, force: true })
mkdirSync(results, { recursive: true })

let passed = 0
let failed = 0
const step = async (title, command, args, env = {}) => {
  say(`\n── ${title}`)
  const code = await run(command, args, { cwd: root, env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1', ...env } })
  return code === 0
}
const count = (ok) => (ok ? passed++ : failed++)

/** Counts of a test report; a runner that failed without counting a failure still counts as one. */
function tally(file, read, ok) {
  let report = { passed: 0, failed: 0 }
  try {
    report = read(JSON.parse(readFileSync(join(results, file), 'utf8')))
  } catch {
    say(`No report ${file} was written.`)
  }
  passed += report.passed
  failed += report.failed
  if (report.passed + report.failed === 0 || (!ok && report.failed === 0)) failed++
}

count(await step('Prepare', bin('nuxt'), ['prepare', '--logLevel=silent']))
count(await step('Lint', bin('eslint'), ['.', '--max-warnings=0']))
count(await step('Types: core, command line, tests', bin('tsc'), ['--noEmit', '-p', 'tsconfig.core.json']))
count(await step('Types: application and server', bin('vue-tsc'), ['--noEmit', '-p', 'tsconfig.json']))

const cluster = process.env.TEST_DATABASE_URL ? undefined : await startCluster(root, 'test', { fresh: true })
const env = { TEST_DATABASE_URL: process.env.TEST_DATABASE_URL ?? cluster.url }
try {
  const unit = await step(
    'Unit tests',
    bin('vitest'),
    ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${join(results, 'unit.json')}`],
    env,
  )
  tally('unit.json', (r) => ({ passed: r.numPassedTests, failed: r.numFailedTests }), unit)
  say('\n── Build')
  await ensureBuild(root)
  passed++
} finally {
  cluster?.stop()
}
const browser = await step('The interface in Chromium', bin('playwright'), ['test'], {
  PLAYWRIGHT_JSON_OUTPUT_NAME: join(results, 'browser.json'),
})
tally('browser.json', (r) => ({ passed: r.stats.expected, failed: r.stats.unexpected + r.stats.flaky }), browser)

say(`\n${passed} passed, ${failed} failed`)
process.exit(failed ? 1 : 0)
