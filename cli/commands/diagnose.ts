import { existsSync, readFileSync } from 'node:fs'
import { LineCounter, parse, parseDocument } from 'yaml'
import { z } from 'zod'
import { createEngine, doubtThresholds, reasons, type Advice, type Engine } from '../../core/advice'
import { dimensionOf } from '../../core/diagnosis/catalogue'
import { TEST_STRATEGIES } from '../../core/evidence'
import type { PlanState, Suggestion } from '../../core/diagnosis/plan'
import type { Evidence, TestStrategy } from '../../core/evidence'
import { parseQuantity } from '../../core/foundation/quantity'
import { InputError, orThrow } from '../../core/foundation/result'
import { ACCEPTANCES, buildMachine, type Acceptance, type Machine, type ShopHistory } from '../../core/model/machine'
import {
  describeCandidate,
  describeDoubt,
  describeVerdict,
  formatChance,
  formatFinding,
  formatReading,
  formatSuspect,
  UNKNOWN_FAULT,
} from '../../core/words'
import { flag, many, one, text, texts, type Command } from '../command'
import { fail, loadSheet } from '../input'

const historyShape = z.strictObject({
  machineYears: z.number().nonnegative(),
  cases: z.record(z.string(), z.number().int().nonnegative()),
})
function historyOf(machine: Machine, file: string): ShopHistory {
  if (!existsSync(file)) return fail('missing', ['--history'], file, 'a JSON or YAML file')
  const read = historyShape.safeParse(parse(readFileSync(file, 'utf8')))
  if (!read.success) return fail('wrong-shape', ['--history'], file, 'machineYears: NUMBER, cases: { FAULT: COUNT, … }')
  for (const id of Object.keys(read.data.cases))
    if (!machine.faults.some((f) => f.id === id))
      fail('unknown-fault', ['--history', 'cases'], id, 'a fault of the sheet')
  return read.data
}

function knownGoodOf(machine: Machine, settings: readonly string[]): Record<string, number[]> {
  const out: Record<string, number[]> = {}
  for (const s of settings) {
    const id = s.slice(0, s.indexOf('='))
    const param = machine.params.find((p) => p.id === id)
    if (!param) return fail('unknown-param', ['--known-good'], id || s, 'PART.PARAM=VALUE')
    ;(out[id] ??= []).push(orThrow(parseQuantity(s.slice(id.length + 1), param.dimension, ['--known-good', id])).value)
  }
  return out
}

function loadEvidence(engine: Engine, file: string | undefined): Evidence[] {
  if (file === undefined || !existsSync(file))
    return fail('missing', ['--evidence'], file ?? 'nothing', 'a JSON or YAML file')
  const lines = new LineCounter()
  const doc = parseDocument(readFileSync(file, 'utf8'), { lineCounter: lines })
  if (doc.errors.length) return fail('not-yaml', [file], doc.errors[0].message.split('\n')[0], 'YAML or JSON')
  const read = engine.read(doc.toJS() as unknown)
  if (read.ok) return read.value
  throw new InputError(
    read.problems.map((p) => {
      const node = doc.getIn(p.place.path, true) as { range?: [number, number, number] } | undefined
      const { line, col } = node?.range ? lines.linePos(node.range[0]) : { line: undefined, col: undefined }
      return { ...p, place: { ...p.place, file, line, column: col } }
    }),
  )
}

/** Why the first test is the next one, in words. */
const whyFirst = ({ predictor }: Engine, a: Advice): string =>
  reasons(predictor, a.belief, a.interpreted, a.plan.next[0])
    .map((r) => `${r.text} (${formatChance(r.chance)}) would point to ${r.leads} (${formatChance(r.p)})`)
    .join('; ')

const titleOf = (engine: Engine, { procedure, strip }: Suggestion): string =>
  strip ? engine.titleOfStrip(strip) : engine.titleOf(procedure)

/** Advice in the public form. */
function publicForm(engine: Engine, a: Advice) {
  const { sheet, faults } = engine.machine
  const ids = (list: readonly number[]) => list.map((f) => faults[f].id)
  return {
    suspects: a.suspects.filter((s) => s.p > 1e-6).map((s) => ({ faults: s.faults.map((f) => f.id), p: s.p })),
    unexplained: a.belief.unknownFault,
    residual: a.belief.truncatedMass,
    // Of a column the first reading, with all of them beside it.
    next: a.plan.next.map((s, i) => ({
      test: s.procedure.id,
      ...(s.strip ? { column: s.strip.rows.map((row) => row.id) } : {}),
      minutes: s.minutes,
      saving: s.saving,
      why: i ? titleOf(engine, s) : whyFirst(engine, a),
    })),
    verdicts: a.verdicts.map((v, i) => ({
      test: v.test,
      says: formatFinding(v.finding),
      band: v.band,
      slip: a.belief.doubts[i].grossError,
    })),
    repairs: a.plan.remedies.map((r) => ({
      repair: sheet.repairs[r.repair].id,
      p: r.p,
      minutes: r.minutes,
      price: r.price,
      licensed: sheet.repairs[r.repair].licensed,
      unproven: ids(r.unproven),
      killers: ids(r.rootCauses),
    })),
    besides: a.plan.unlistedCandidates.map(({ fault, share, distinguishedBy }) => ({
      fault: fault.id,
      share,
      tells: distinguishedBy?.procedure.id,
    })),
    state: a.plan.state,
  }
}

const STATES: Record<PlanState, string> = {
  testing: 'Next tests',
  'cause-stands': 'The cause stands: no test is worth its minutes any more. Repair:',
  'quicker-done':
    'Quicker done than tested, at next to no cost. Watch a whole cycle; if it still fails, go on. Repair:',
  unexplained: 'The readings fit nothing on the sheet. Take the doubtful ones again. Nearest repairs:',
  undecided: 'No cause is clear enough, and no test is worth its minutes. Nearest repairs:',
}
/** Lines shown of each list. */
const MOST = { suspects: 8, repairs: 3, candidates: 4, tests: 5 }
const padded = (p: number) => formatChance(p).padStart(10)

function printReadings(engine: Engine, a: Advice): void {
  const { belief } = engine.predictor.calibration
  const thresholds = doubtThresholds(a, belief)
  a.verdicts.forEach((v, i) => {
    const { procedure, value } = a.interpreted.case.readings[i]
    const dimension = dimensionOf(procedure)
    const reading = `${engine.titleOf(procedure)}: ${formatReading(value, dimension)}.`
    const doubt = describeDoubt(a.belief.doubts[i], value, dimension, thresholds[i])
    console.log(`${reading} ${describeVerdict(v, dimension, value)} ${doubt}`.trimEnd())
  })
}

function printRepairs({ machine }: Engine, { plan }: Advice): void {
  for (const r of plan.remedies.slice(0, MOST.repairs)) {
    const { title, licensed, caution } = machine.sheet.repairs[r.repair]
    console.log(`  ${padded(r.p)}  ${title}`)
    if (licensed !== undefined) console.log(`${' '.repeat(14)}Stop here: ${licensed}`)
    if (caution !== undefined) console.log(`${' '.repeat(14)}Before it: ${caution}`)
  }
  if (plan.unlistedCandidates.length) console.log('\nNot on the sheet')
  for (const { fault, share, distinguishedBy: by } of plan.unlistedCandidates.slice(0, MOST.candidates)) {
    const told = by ? `; ${by.procedure.id} would tell (${by.minutes.toFixed(1)} min)` : ''
    console.log(`  ${fault.title}: ${describeCandidate(share)}${told}`)
  }
}

function print(engine: Engine, a: Advice): void {
  printReadings(engine, a)
  console.log('\nSuspects')
  for (const s of a.suspects.slice(0, MOST.suspects)) console.log(`  ${padded(s.p)}  ${formatSuspect(s.faults)}`)
  console.log(`  ${padded(a.belief.unknownFault)}  ${UNKNOWN_FAULT}`)
  console.log(`  ${padded(a.belief.truncatedMass)}  pairs of faults not run (about)`)
  console.log(`\n${STATES[a.plan.state]}`)
  if (a.plan.stop) return printRepairs(engine, a)
  for (const s of a.plan.next.slice(0, MOST.tests))
    console.log(
      `  saves ${s.saving.toFixed(1)} min in ${s.minutes.toFixed(1)} min  ${s.strip?.id ?? s.procedure.id}: ${titleOf(engine, s)}`,
    )
  console.log(`  why: ${whyFirst(engine, a)}`)
}

/** From evidence to suspects, verdicts, the next tests and the repairs. */
export const diagnose: Command = {
  name: 'diagnose',
  usage: `SHEET --evidence FILE [--bands ${ACCEPTANCES.join('|')}] [--known-good PARAM=VALUE]... [--history FILE] [--order ${TEST_STRATEGIES.join('|')}] [--json]`,
  options: { evidence: text, bands: text, 'known-good': texts, history: text, order: text, json: flag },
  run([name], given) {
    const sheet = loadSheet(name)
    const acceptance = (one(given, 'bands') ?? 'published') as Acceptance
    if (!ACCEPTANCES.includes(acceptance)) fail('wrong-shape', ['--bands'], acceptance, ACCEPTANCES.join(', '))
    const strategy = (one(given, 'order') ?? 'best') as TestStrategy
    if (!TEST_STRATEGIES.includes(strategy)) fail('wrong-shape', ['--order'], strategy, TEST_STRATEGIES.join(', '))
    const machine = buildMachine(sheet)
    const history = one(given, 'history')
    const engine = createEngine(sheet, {
      acceptance,
      knownGood: knownGoodOf(machine, many(given, 'known-good')),
      shopHistory: history === undefined ? undefined : historyOf(machine, history),
    })
    const advice = engine.advise(loadEvidence(engine, one(given, 'evidence')), strategy)
    if (given.json) return publicForm(engine, advice)
    print(engine, advice)
    return undefined
  },
}
