import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { join, relative } from 'node:path'
import { ensureBuild } from './setup/build.mjs'
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
/** Seconds of each test file. */
const seconds = new Map()

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
const readUnit = (r) => {
  for (const f of r.testResults) seconds.set(relative(root, f.name), (f.endTime - f.startTime) / 1000)
  return { passed: r.numPassedTests, failed: r.numFailedTests }
}
const readBrowser = (r) => {
  const sum = (suite) =>
    (suite.specs ?? []).flatMap((s) => s.tests.flatMap((t) => t.results)).reduce((n, x) => n + x.duration / 1000, 0) +
    (suite.suites ?? []).reduce((n, s) => n + sum(s), 0)
  for (const suite of r.suites) seconds.set(`test/browser/${suite.file}`, sum(suite))
  return { passed: r.stats.expected, failed: r.stats.unexpected + r.stats.flaky }
}

count(await step('Prepare', bin('nuxt'), ['prepare', '--logLevel=silent']))
// Each of these keeps one core busy: two at a time.
const lint = async () => {
  count(await step('Lint, with the walls of the house', bin('eslint'), ['.', '--max-warnings=0']))
  count(await step('Exports and packages that nobody uses', bin('knip'), ['--no-progress']))
}
const types = async () => {
  count(await step('Types: core and command line', bin('tsc'), ['--noEmit', '-p', 'tsconfig.core.json']))
  count(await step('Types: tests', bin('tsc'), ['--noEmit', '-p', 'tsconfig.tests.json']))
  count(await step('Types: declarations of the core', bin('tsc'), ['--build', 'tsconfig.declarations.json']))
  count(await step('Types: application and server', bin('vue-tsc'), ['--noEmit', '-p', 'tsconfig.json']))
}
await Promise.all([lint(), types()])

const unit = await step('Unit tests, and services against a PostgreSQL of their own', bin('vitest'), [
  'run',
  '--reporter=default',
  '--reporter=json',
  `--outputFile.json=${join(results, 'unit.json')}`,
])
tally('unit.json', readUnit, unit)
say('\n── Build')
await ensureBuild(root)
passed++
const browser = await step('The interface in Chromium', bin('playwright'), ['test'], {
  PLAYWRIGHT_JSON_OUTPUT_NAME: join(results, 'browser.json'),
})
tally('browser.json', readBrowser, browser)

// What stood on the page where a story failed.
const stories = join(results, 'browser')
for (const file of existsSync(stories) ? readdirSync(stories, { recursive: true }) : []) {
  if (!file.endsWith('error-context.md')) continue
  const [told] = readFileSync(join(stories, file), 'utf8').split('# Test source')
  say(`\n── ${file}\n${told.slice(told.indexOf('# Error details')).slice(0, 6000)}`)
}

say('\nThe 20 slowest files, s:')
for (const [file, s] of [...seconds].sort((a, b) => b[1] - a[1]).slice(0, 20))
  say(`${s.toFixed(1).padStart(8)}  ${file}`)
say(`\n${passed} passed, ${failed} failed`)
process.exit(failed ? 1 : 0)
