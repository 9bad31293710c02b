import { createHash } from 'node:crypto'
import v8 from 'node:v8'
import vm from 'node:vm'
import type { Predictor } from '../core/diagnosis/predict'
import { parseProbe } from '../core/diagnosis/catalogue'
import { simulate } from '../core/simulation/simulate'
import { makeFaultedMachine } from '../core/model/machine'
import { runPlain } from '../core/truth'
import { orThrow } from '../core/foundation/result'
import type { Row } from './table'
import { quantile, timeCold, timed, timeJobs, timeTable } from './time-jobs'

const digestOf = (trail: unknown[]): string =>
  createHash('sha256').update(JSON.stringify(trail)).digest('hex').slice(0, 16)

/** What is alive in this process, MB. */
function aliveMegabytes(): number {
  v8.setFlagsFromString('--expose-gc')
  const collect = vm.runInNewContext('gc') as () => void
  // What typed arrays held is given back a little after the arrays themselves.
  collect()
  collect()
  const { heapUsed, arrayBuffers } = process.memoryUsage()
  return (heapUsed + arrayBuffers) / 1e6
}

/** How long the advice takes in Node, and whether the same seed gives the same answers. */
export function speedRows(open: () => Predictor, jobs: number, seed: number): Row[] {
  const before = aliveMegabytes()
  const { ms: first, predictor: p } = timeCold(open)
  const one = timeJobs(p, jobs, seed)
  const memory = aliveMegabytes() - before
  const again = Array.from({ length: 3 }, () => timeCold(open).ms)
  const table = timeTable(timeCold(open).predictor)
  const two = timeJobs(open(), jobs, seed)
  const digest = digestOf(one.trail)
  const { machine } = p.catalogue
  const [a, b] = machine.parts.filter((x) => Object.keys(x.nodes).length > 1)
  const probe = orThrow(
    parseProbe(p.catalogue, `${a.id}.${Object.keys(a.nodes)[0]} to ${b.id}.${Object.keys(b.nodes)[1]}`),
  )
  const free = timed(() => p.hypotheses.forEach((m) => p.predict(m, probe)))[0]
  const script = { ...p.catalogue.runs[0].script, moments: [] }
  const healthy = makeFaultedMachine(machine)
  const event = Math.min(...Array.from({ length: 5 }, () => timed(() => simulate(healthy, script))[0]))
  const plain = timed(() => runPlain(healthy, script))[0]
  return [
    { what: 'cold start to first advice', figure: first, unit: 'ms', most: 1000 },
    { what: 'the same, code warm, best of 3', figure: Math.min(...again), unit: 'ms' },
    { what: 'every test under every suspect', figure: table, unit: 'ms', most: 6000 },
    { what: 'step, quick answer, p50', figure: quantile(one.quick, 0.5), unit: 'ms' },
    { what: 'step, quick answer, p95', figure: quantile(one.quick, 0.95), unit: 'ms', most: 30 },
    { what: 'step, quick answer, max', figure: Math.max(...one.quick), unit: 'ms' },
    { what: 'step, settled with pairs, p50', figure: quantile(one.settled, 0.5), unit: 'ms' },
    { what: 'step, settled with pairs, p95', figure: quantile(one.settled, 0.95), unit: 'ms', most: 250 },
    { what: 'a free probe under every suspect', figure: free, unit: 'ms', most: 200 },
    { what: 'plain 10 ms run over event-driven run', figure: plain / event, unit: 'times', least: 50 },
    { what: `memory, ${jobs} jobs on one sheet`, figure: memory, unit: 'MB', most: 100 },
    { what: `same seed, same result (${digest})`, figure: digest === digestOf(two.trail) ? 1 : 0, unit: '', least: 1 },
  ]
}
