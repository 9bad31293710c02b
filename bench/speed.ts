import { createHash } from 'node:crypto'
import type { Evidence } from '../core/evidence'
import { advise } from '../core/explain'
import type { Predictor } from '../core/predict'
import { readProbe } from '../core/procedure'
import { simulate } from '../core/simulate'
import { makeVariant } from '../core/machine'
import { runPlain } from '../core/reference'
import { orThrow } from '../core/issue'
import { normal, random, weighted } from './random'
import type { Row } from './table'

const STEPS = 8

const timed = <T>(work: () => T): [number, T] => {
  const t = performance.now()
  const out = work()
  return [performance.now() - t, out]
}
const at = (list: readonly number[], q: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(q * list.length))]

/** Jobs with readings from the engine's own predictions: what is timed here is the advice, not its truth. */
function timeJobs(p: Predictor, jobs: number, seed: number): { quick: number[]; settled: number[]; digest: string } {
  const next = random(seed)
  const [quick, settled, trail]: [number[], number[], unknown[]] = [[], [], []]
  const { machine } = p.bench
  for (let j = 0; j < jobs; j++) {
    const truth = weighted(
      next,
      p.members.filter((m) => m.present.length === 1),
      (m) => m.weight,
    )
    const complaint = machine.sheet.complaints.findIndex((_, k) => p.complains(truth, k))
    if (complaint < 0) continue
    const evidence: Evidence[] = [{ is: 'complaint', complaint: machine.sheet.complaints[complaint].id }]
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
            : shown.is === 'times'
              ? { is: 'times', clean: Math.round(10 * shown.clean), of: 10 }
              : shown
      evidence.push({ is: 'reading', test: choice.id, value, instrument: undefined })
      quick.push(timed(() => advise(p, evidence, 'best', 0))[0])
      const [ms, a] = timed(() => advise(p, evidence))
      settled.push(ms)
      trail.push([choice.id, a.suspects[0].faults.map((f) => f.id), a.suspects[0].p])
    }
  }
  return { quick, settled, digest: createHash('sha256').update(JSON.stringify(trail)).digest('hex').slice(0, 16) }
}

/** How long the advice takes in Node, and whether the same seed gives the same answers. */
export function speedRows(open: () => Predictor, jobs: number, seed: number): Row[] {
  const opened = timed(open)
  const p = opened[1]
  const complaint: Evidence[] = [{ is: 'complaint', complaint: p.bench.machine.sheet.complaints[0].id }]
  const first = opened[0] + timed(() => advise(p, complaint, 'best', 0))[0]
  const again = Array.from({ length: 3 }, () => timed(() => advise(open(), complaint, 'best', 0))[0])
  const one = timeJobs(p, jobs, seed)
  const two = timeJobs(open(), jobs, seed)
  const { machine } = p.bench
  const [a, b] = machine.parts.filter((x) => Object.keys(x.e).length > 1)
  const probe = orThrow(readProbe(p.bench, `${a.id}.${Object.keys(a.e)[0]} to ${b.id}.${Object.keys(b.e)[1]}`))
  const free = timed(() => p.members.forEach((m) => p.predict(m, probe)))[0]
  const script = { ...p.bench.runs[0].script, moments: [] }
  const healthy = makeVariant(machine)
  const event = Math.min(...Array.from({ length: 5 }, () => timed(() => simulate(healthy, script))[0]))
  const plain = timed(() => runPlain(healthy, script))[0]
  return [
    { what: 'cold start to first advice', figure: first, unit: 'ms', most: 1000 },
    { what: 'the same, code warm, best of 3', figure: Math.min(...again), unit: 'ms' },
    { what: 'step, quick answer, p50', figure: at(one.quick, 0.5), unit: 'ms' },
    { what: 'step, quick answer, p95', figure: at(one.quick, 0.95), unit: 'ms', most: 30 },
    { what: 'step, quick answer, max', figure: Math.max(...one.quick), unit: 'ms' },
    { what: 'step, settled with pairs, p50', figure: at(one.settled, 0.5), unit: 'ms' },
    { what: 'step, settled with pairs, p95', figure: at(one.settled, 0.95), unit: 'ms', most: 250 },
    { what: 'a free probe under every suspect', figure: free, unit: 'ms', most: 200 },
    { what: 'plain 10 ms run over event-driven run', figure: plain / event, unit: 'times', least: 50 },
    { what: 'memory of the process', figure: process.memoryUsage().heapUsed / 1e6, unit: 'MB', most: 100 },
    { what: `same seed, same result (${one.digest})`, figure: one.digest === two.digest ? 1 : 0, unit: '', least: 1 },
  ]
}
