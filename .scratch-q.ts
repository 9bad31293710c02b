import { findShipped } from './cli/library'
import { openBench } from './core/explain'
import { orThrow } from './core/issue'
import { readSheet } from './core/sheet'
import { drawCall, type Sort } from './bench/draw'
import { play, policiesFor } from './bench/play'
import { random } from './bench/random'
import { TrueMachine } from './bench/true-machine'
import { STANDS_ABOVE } from './core/plan'
const [id, what, n, seed0, start] = [process.argv[2], process.argv[3], Number(process.argv[4]), Number(process.argv[5] ?? 1), Number(process.argv[6] ?? 0)]
const { text, file } = findShipped(id)!
const open = (without?: string) => {
  const sheet = orThrow(readSheet(text, file, findShipped))
  return openBench({ ...sheet, faults: sheet.faults.filter((f) => f.id !== without) })
}
if (what === 'left') {
  const whole = open()
  const next = random(seed0)
  const order = whole.bench.machine.faults.map((f) => ({ f, at: next() })).sort((a, b) => a.at - b.at)
  let [met, noticed] = [0, 0]
  for (const { f } of order.slice(start)) {
    if (met === n) break
    const blind = open(f.id)
    const severity = f.severity && Math.sqrt(f.severity.from * f.severity.to)
    const truth = new TrueMachine(blind.bench, [{ fault: { ...f, repair: -1 }, severity }], random(seed0 + met))
    const [complaint] = truth.complaints()
    if (complaint === undefined) continue
    met++
    const r = play(blind, { sort: 'unlisted', truth, repairs: [], complaint }, policiesFor(blind)[0])
    const ok = r.unexplained || r.stated < STANDS_ABOVE
    if (ok) noticed++
    console.log(f.id, complaint, ok, r.stated.toFixed(3), r.unexplained, r.tests, (r as any).first, (r as any).log)
  }
  console.log('noticed', noticed, met)
} else {
  const p = open()
  let [vain, right, solved, mins] = [0, 0, 0, 0]
  for (let i = start; i < start + n; i++) {
    const call = drawCall(p.bench, what as Sort, random(seed0 * 7919 + i))
    const truthFaults = call.truth.present.map((x) => x.fault.id + (x.misses ? '~' : '') + (x.severity ? `=${x.severity.toPrecision(2)}` : ''))
    const r = play(p, { ...call, truth: call.truth.again(random(seed0 * 104729 + i)) }, policiesFor(p)[0])
    vain += r.wrongParts; right += +r.rightFirst; solved += +r.solved; mins += r.minutes
    console.log(i, truthFaults.join('+'), call.complaint, r.minutes.toFixed(0), r.tests, 'vain', r.wrongParts, 'first', r.rightFirst, 'solved', r.solved, r.stated.toFixed(3), r.unexplained ? 'UNEXPL' : '', (r as any).log ?? '')
  }
  console.log({ vain, right, solved, mean: mins / n, n })
}
