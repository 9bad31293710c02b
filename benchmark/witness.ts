/**
 * The witness of the engine: drawn evidence on shipped sheets, and every number the advice gives for it. A change that
 * keeps behaviour keeps these numbers to 1e-12.
 *
 *     node scripts/bundled.mjs benchmark/witness.ts            compares every shipped sheet with the kept record
 *     node scripts/bundled.mjs benchmark/witness.ts --write    draws the evidence anew and keeps what is said now
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { findShipped, shippedIds } from '../cli/library'
import type { Evidence } from '../core/evidence'
import { advise, createEngine } from '../core/advice'
import { orThrow } from '../core/foundation/result'
import { formatFinding } from '../core/words'
import { severityAt } from '../core/model/machine'
import { readSheet } from '../core/model/sheet'
import { pick, random, DrawnMachine } from '../core/truth'

/** What is kept of one answer: names in the order shown, and numbers. */
interface Said {
  names: string[]
  numbers: number[]
}
interface Call {
  evidence: Evidence[]
  said: Said[]
}
type Witness = Record<string, Call[]>

const FILE = join(import.meta.dirname, '..', 'test', 'fixtures', 'witness.json')
const CALLS = 2
const READINGS = 4
/** Greatest relative difference that counts as the same number. */
export const SAME = 1e-12

/** Shipped sheets of whole machines that stand somewhere. */
const machines = () => shippedIds().filter((id) => /^maker:/m.test(findShipped(id)!.text))

export const kept = (): Witness => JSON.parse(readFileSync(FILE, 'utf8')) as Witness

const predictorOf = (id: string) => {
  const { text, file } = findShipped(id)!
  return createEngine(orThrow(readSheet(text, file, findShipped))).predictor
}

function said(predictor: ReturnType<typeof predictorOf>, evidence: readonly Evidence[]): Said {
  const a = advise(predictor, evidence)
  return {
    names: [
      a.plan.state,
      ...a.suspects.slice(0, 12).map((s) => s.faults.map((f) => f.id).join('+')),
      ...a.plan.next.slice(0, 8).map((s) => s.procedure.id),
      ...a.verdicts.map((v) => formatFinding(v.finding)),
    ],
    numbers: [
      a.belief.unknownFault,
      a.belief.truncatedMass,
      ...a.suspects.slice(0, 12).map((s) => s.p),
      ...a.plan.next.slice(0, 8).flatMap((s) => [s.saving, s.minutes]),
      ...a.plan.remedies.slice(0, 6).flatMap((r) => [r.p, r.minutes]),
      ...a.links.map((l) => l.p),
    ],
  }
}

/** Evidence as a call would bring it: a broken machine drawn, and the tests advised read on it. */
function draw(id: string): Call[] {
  const next = random(11)
  return Array.from({ length: CALLS }, () => {
    const predictor = predictorOf(id)
    const { catalogue } = predictor
    for (;;) {
      const fault = pick(next, catalogue.machine.faults)
      const severity = fault.severity && severityAt(fault.severity, 0.5)
      const truth = new DrawnMachine(catalogue, [{ fault, severity }], random(7), undefined, 0)
      const [complaint] = truth.complaints()
      if (complaint === undefined) continue
      const evidence: Evidence[] = [{ type: 'complaint', complaint }]
      const numbers = [said(predictor, evidence)]
      for (let i = 0; i < READINGS; i++) {
        const test = advise(predictor, evidence).plan.next[0]?.procedure
        if (!test) break
        evidence.push({ type: 'reading', test: test.id, value: truth.read(test), instrument: undefined })
        numbers.push(said(predictor, evidence))
      }
      return { evidence, said: numbers }
    }
  })
}

/** Runs the kept evidence of a sheet again. @returns the greatest relative difference of a number, and names that changed */
export function compare(id: string, calls: readonly Call[]): { worst: number; changed: string[] } {
  let worst = 0
  const changed: string[] = []
  for (const { evidence, said: before } of calls) {
    const predictor = predictorOf(id)
    before.forEach((old, i) => {
      const now = said(predictor, evidence.slice(0, i + 1))
      if (now.names.join() !== old.names.join()) changed.push(`${id}, answer ${i}: ${now.names.join(', ')}`)
      if (now.numbers.length !== old.numbers.length) worst = Infinity
      old.numbers.forEach((x, k) => {
        const scale = Math.max(Math.abs(x), Math.abs(now.numbers[k] ?? NaN), 1e-9)
        const off = Math.abs(x - now.numbers[k]) / scale
        worst = Math.max(worst, Number.isNaN(off) ? Infinity : off)
      })
    })
  }
  return { worst, changed }
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) {
  if (process.argv.includes('--write'))
    writeFileSync(FILE, `${JSON.stringify(Object.fromEntries(machines().map((id) => [id, draw(id)])))}\n`)
  for (const [id, calls] of Object.entries(kept())) {
    const { worst, changed } = compare(id, calls)
    process.stdout.write(
      `${id}: ${worst <= SAME && !changed.length ? 'same' : 'NOT THE SAME'} (worst ${worst.toExponential(1)})\n`,
    )
    for (const line of changed) process.stdout.write(`  ${line}\n`)
    if (worst > SAME || changed.length) process.exitCode = 1
  }
}
