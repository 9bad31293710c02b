/**
 * Writes two years of closed jobs of the demo world: calls on its machines, their faults drawn by the rates of the sheets, told apart
 * by the advice and repaired at machines of the plain simulator. The start only loads what this wrote.
 *
 *     npm run demo-years
 *
 * `--jobs 400` so many, `--seed 1`; `--only SHEET` plays those of one sheet anew and leaves the others as they are. Takes an hour.
 */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import { findShipped } from '../cli/library'
import { createEngine, outlookOf, type Engine } from '../core/advice'
import { orThrow } from '../core/foundation/result'
import { readSheet } from '../core/model/sheet'
import { pick, random, type Random } from '../core/truth'
import { moreUnits } from '../server/database/seeds/demo-more-units'
import { EBB, units } from '../server/database/seeds/demo-units'
import { carryOut } from './carry-out'
import { PlayedJob, type SeededJob } from './demo-play'
import { takeOff } from './demo-wiring'
import { drawCall } from './draw'

const MARA = '01900000-0000-7000-8000-000000000011'
const JOSS = '01900000-0000-7000-8000-000000000012'
const option = (name: string, otherwise: number): number => {
  const at = process.argv.indexOf(`--${name}`)
  return at < 0 ? otherwise : Number(process.argv[at + 1])
}
const ONLY = process.argv.includes('--only') ? process.argv[process.argv.indexOf('--only') + 1] : undefined
const JOBS = option('jobs', 400)
const SEED = option('seed', 1)
const DAYS = 730
/** The newest of them ended so long before the first start, days. */
const NEWEST = 9
const DAY = 24 * 60
/** Share of the jobs in which somebody trusts their nose before the advice. */
const NOSE = 0.06
/** One job in so many has its wiring recorded. */
const RECORDS = 3
/** No job is read for longer, tests. */
const MOST_TESTS = 25

/** What people say of a call besides what is wrong. */
const REMARKS = [
  'Since this morning.',
  'For a week, now and then, today for good.',
  'The night shift says so.',
  'It was moved last month.',
  'It did that two years ago, too.',
  'Nobody touched anything.',
  'After the street was dug up.',
  '',
]

/** Notes of each job what the engine expected of such a call. */
function expectOf(engine: Engine, jobs: readonly SeededJob[]): void {
  const expected = new Map<string, number>()
  for (const job of jobs) {
    const opened = job.events[0].payload
    const complaint = opened.type === 'opened' ? opened.complaints[0] : ''
    if (!expected.has(complaint))
      expected.set(complaint, Math.round(10 * outlookOf(engine, [{ type: 'complaint', complaint }]).diagnosis) / 10)
    job.expected = expected.get(complaint)!
  }
}

function playOne(engine: Engine, unit: string, next: Random, minutesAgo: number, nextId: () => string): SeededJob {
  const { truth, complaint, repairs } = drawCall(engine.catalogue, 'single', next)
  const person = next() < 0.55 ? MARA : JOSS
  const job = new PlayedJob({ engine, truth, complaint, person, minutesAgo, nextId })
  const { put } = job
  put({ type: 'opened', unit, complaints: [complaint], words: pick(next, REMARKS) }, 5)
  const { sheet } = engine.machine
  if (next() < NOSE) {
    job.readOn(2)
    const others = sheet.repairs.filter((r, i) => !repairs.includes(i) && r.price > 0 && r.licensed === undefined)
    if (others.length) job.inVain(pick(next, others).id)
  }
  for (let tries = 0; ; tries++) {
    job.readOn(MOST_TESTS)
    const remedy = job.remedy()
    const index = sheet.repairs.indexOf(remedy)
    const cures = truth.activeFaults.every(({ fault }) => fault.curedBy.includes(index))
    if (cures && remedy.licensed === undefined) {
      const part = engine.machine.parts[truth.activeFaults[0].fault.part].id
      // Not everybody writes down what comes off.
      const records = job.seeded.events.length % RECORDS === 0
      const manner = records ? { takeOff: () => takeOff(engine, part, job) } : {}
      carryOut(engine, truth, job.evidence, remedy.id, job, manner)
      put({ type: 'closed', repair: remedy.id, text: remedy.title })
      return job.seeded
    }
    if (tries > 2 || remedy.licensed !== undefined) {
      const as = remedy.licensed === undefined ? 'cancelled' : 'handed-over'
      put({ type: 'closed', repair: '', text: remedy.licensed ?? 'Not found. They buy a new one.', as })
      return job.seeded
    }
    job.inVain(remedy.id)
  }
}

const file = join(import.meta.dirname, '..', 'server', 'database', 'seeds', 'demo-years.json.gz')
mkdirSync(dirname(file), { recursive: true })
const all = [...units.filter((u) => u.organisationId === EBB), ...moreUnits]
const sheets = [...new Set(all.map((u) => u.sheet))].sort()
const isOfSheet = ({ events: [{ payload }] }: SeededJob, sheet: string) =>
  payload.type === 'opened' && all.some((u) => u.id === payload.unit && u.sheet === sheet)
const jobs =
  ONLY === undefined
    ? []
    : (JSON.parse(gunzipSync(readFileSync(file)).toString()) as SeededJob[]).filter((j) => !isOfSheet(j, ONLY))
for (const [k, sheet] of sheets.entries()) {
  if (ONLY !== undefined && sheet !== ONLY) continue
  let made = 0
  const { text, file } = findShipped(sheet)!
  const own = all.filter((u) => u.sheet === sheet)
  // As many as its share of the machines comes to.
  const earlier = sheets.slice(0, k).reduce((n, s) => n + all.filter((u) => u.sheet === s).length, 0)
  const share = (n: number) => Math.round((JOBS * n) / all.length)
  const count = share(earlier + own.length) - share(earlier)
  const next = random(SEED * 1000 + k)
  let engine = createEngine(orThrow(readSheet(text, file, findShipped)))
  const began = performance.now()
  const before = jobs.length
  for (let i = 0; i < count; i++) {
    // What an engine has computed it keeps; a fresh one now and then keeps the memory down.
    if (i % 6 === 5) engine = createEngine(orThrow(readSheet(text, file, findShipped)))
    const daysAgo = NEWEST + Math.floor(next() * (DAYS - NEWEST))
    const minutesAgo = daysAgo * DAY - Math.floor(next() * 8 * 60)
    // Each sheet counts by itself: played anew it takes nobody's ids.
    const nextId = () => `0193${String(k + 1).padStart(4, '0')}-0000-7000-8000-${String(++made).padStart(12, '0')}`
    try {
      jobs.push(playOne(engine, pick(next, own).id, next, minutesAgo, nextId))
    } catch (error) {
      process.stdout.write(`${sheet}: left out: ${error instanceof Error ? error.message : String(error)}\n`)
    }
  }
  const fresh = createEngine(orThrow(readSheet(text, file, findShipped)))
  expectOf(fresh, jobs.slice(before))
  process.stdout.write(`${sheet}: ${count} jobs, ${((performance.now() - began) / 1000).toFixed(0)} s\n`)
}
jobs.sort((a, b) => b.events[0].minutesAgo - a.events[0].minutesAgo)
writeFileSync(file, gzipSync(JSON.stringify(jobs), { level: 9 }))
process.stdout.write(
  `${jobs.length} jobs, ${jobs.reduce((n, j) => n + j.events.length, 0)} events, ${readFileSync(file).length} bytes\n`,
)
