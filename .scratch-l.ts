import { findShipped } from './cli/library'
import { openBench, advise, viewOf } from './core/explain'
import { orThrow } from './core/issue'
import { readSheet } from './core/sheet'
import { random } from './bench/random'
import { TrueMachine } from './bench/true-machine'
const { text, file } = findShipped('orrisk-tl40')!
const fid = process.argv[2]
const sheet = orThrow(readSheet(text, file, findShipped))
const whole = openBench(sheet)
const f = whole.bench.machine.faults.find((x) => x.id === fid)!
const blind = openBench({ ...sheet, faults: sheet.faults.filter((x) => x.id !== fid) })
const severity = f.severity && Math.sqrt(f.severity.from * f.severity.to)
const truth = new TrueMachine(blind.bench, [{ fault: { ...f, repair: -1 }, severity }], random(1))
const [complaint] = truth.complaints()
const evidence: any[] = [{ is: 'complaint', complaint }]
for (let k = 0; k < 30; k++) {
  const a = advise(blind, evidence)
  const top = a.suspects.slice(0, 3).map((s) => `${s.faults.map((x) => x.id + (x.severity ? '=' + x.severity.toPrecision(2) : '')).join('+') || 'healthy'} ${s.p.toFixed(3)}`)
  console.log(k, a.plan.state, 'else', a.belief.unexplained.toFixed(3), 'res', a.belief.residual.toFixed(3), '|', top.join(' | '))
  if (a.plan.state !== 'testing') break
  const t = a.plan.next[0].procedure
  const value = truth.read(t)
  console.log('    ', t.id, JSON.stringify(value), 'saving', a.plan.next[0].saving.toFixed(2), 'min', a.plan.next[0].minutes.toFixed(1))
  evidence.push({ is: 'reading', test: t.id, value, instrument: undefined })
}
