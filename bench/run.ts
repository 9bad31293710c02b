/**
 * `npm run bench`: how long the advice takes on this machine, in Node. One table; a figure not reached is printed as
 * not reached. Readings are drawn from a seeded generator, so the same seed gives the same steps and the same result.
 *
 *     npm run bench -- [--sheet ID] [--jobs N] [--seed N]
 */
import { createHash } from 'node:crypto'
import { parseArgs } from 'node:util'
import { findShipped } from '../cli/library'
import type { Evidence } from '../core/evidence'
import { advise, openBench } from '../core/explain'
import { orThrow } from '../core/issue'
import type { Predictor } from '../core/predict'
import { readSheet } from '../core/sheet'

const { values } = parseArgs({
  options: { sheet: { type: 'string' }, jobs: { type: 'string' }, seed: { type: 'string' } },
})
const sheetId = values.sheet ?? 'orrisk-tl40'
const jobs = Number(values.jobs ?? 12)
const seed = Number(values.seed ?? 1)
const STEPS = 8

/** Seeded generator of numbers in [0, 1) (mulberry32). */
function random(state: number): () => number {
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}
const normal = (next: () => number) => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next())

const { text, file } = findShipped(sheetId)!
const fresh = () => openBench(orThrow(readSheet(text, file, findShipped)))
const timed = <T>(work: () => T): [number, T] => {
  const t = performance.now()
  const out = work()
  return [performance.now() - t, out]
}
const at = (list: number[], q: number) =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(q * list.length))]

/** One whole job: a fault drawn by its rate, the advice followed, readings noisy. */
function job(p: Predictor, next: () => number, quick: number[], settled: number[], trail: unknown[]): void {
  const { machine } = p.bench
  const singles = p.members.filter((m) => m.present.length === 1)
  let draw = next() * singles.reduce((s, m) => s + m.weight, 0)
  const truth = singles.find((m) => (draw -= m.weight) <= 0) ?? singles[0]
  const complaint = machine.sheet.complaints.findIndex((_, k) => p.complains(truth, k))
  if (complaint < 0) return
  const evidence: Evidence[] = [{ is: 'complaint', complaint: machine.sheet.complaints[complaint].id }]
  advise(p, evidence)
  for (let step = 0; step < STEPS; step++) {
    const advice = advise(p, evidence)
    const choice = advice.plan.next[0]?.procedure
    if (advice.plan.stop || !choice) break
    const shown = p.predict(truth, choice)
    const value: (Evidence & { is: 'reading' })['value'] =
      shown.is === 'value'
        ? { is: 'value', si: Math.max(0, shown.mean + shown.noise * normal(next)) }
        : shown.is === 'sense'
          ? { is: next() < shown.yes ? 'yes' : 'no' }
          : shown
    evidence.push({ is: 'reading', test: choice.id, value, instrument: undefined })
    quick.push(timed(() => advise(p, evidence, 'best', 0))[0])
    const [ms, a] = timed(() => advise(p, evidence))
    settled.push(ms)
    trail.push([choice.id, a.suspects[0].faults.map((f) => f.id), a.suspects[0].p])
  }
}

const complaint: Evidence[] = [{ is: 'complaint', complaint: 'no-fill' }]
const [cold, predictor] = timed(() => {
  const p = fresh()
  advise(p, complaint, 'best', 0)
  return p
})
const again = Array.from({ length: 3 }, () => timed(() => advise(fresh(), complaint, 'best', 0))[0])
const quick: number[] = []
const settled: number[] = []
const digest = (p: Predictor, q: number[], s: number[]) => {
  const trail: unknown[] = []
  const next = random(seed)
  for (let i = 0; i < jobs; i++) job(p, next, q, s, trail)
  return createHash('sha256').update(JSON.stringify(trail)).digest('hex').slice(0, 16)
}
const first = digest(predictor, quick, settled)
const second = digest(fresh(), [], [])
const { members, bench } = predictor

const rows: [string, string, string][] = []
const row = (what: string, figure: number, unit: string, aim?: number) =>
  rows.push([
    what,
    `${figure.toFixed(1)} ${unit}`,
    aim === undefined
      ? ''
      : figure <= aim
        ? `reached (at most ${aim} ${unit})`
        : `NOT REACHED (at most ${aim} ${unit})`,
  ])
row('cold start to first advice', cold, 'ms', 1000)
row('the same, code warm, best of 3', Math.min(...again), 'ms')
row('step, quick answer, p50', at(quick, 0.5), 'ms')
row('step, quick answer, p95', at(quick, 0.95), 'ms', 30)
row('step, quick answer, max', Math.max(...quick), 'ms')
row('step, settled with pairs, p50', at(settled, 0.5), 'ms')
row('step, settled with pairs, p95', at(settled, 0.95), 'ms')
row('memory of the process', process.memoryUsage().heapUsed / 1e6, 'MB')
console.log(
  `sheet ${sheetId}: ${bench.machine.faults.length} faults, ${members.length} members, ${bench.procedures.length} tests; ${quick.length} steps in ${jobs} jobs, seed ${seed}\n`,
)
for (const [a, b, c] of rows) console.log(`${a.padEnd(36)}${b.padStart(12)}   ${c}`)
console.log(`\nsame seed, same result: ${first === second ? `yes (${first})` : `NO (${first}, ${second})`}`)
if (first !== second) process.exitCode = 1
