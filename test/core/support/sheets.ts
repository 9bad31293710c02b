import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { LRUCache } from 'lru-cache'
import { findShipped } from '../../../cli/library'
import type { Evidence } from '../../../core/evidence'
import { createEngine, Engine } from '../../../core/advice'
import { orThrow } from '../../../core/foundation/result'
import {
  buildMachine,
  makeFaultedMachine,
  severityAt,
  type Machine,
  type ActiveFault,
} from '../../../core/model/machine'
import type { Predictor } from '../../../core/diagnosis/predict'
import { readSheet, type Sheet } from '../../../core/model/sheet'
import { simulate, type OperatingPoint, type Timeline } from '../../../core/simulation/simulate'

export const FAMILY = findShipped('top-load-washer')!.text
export const mini = (name: string): string =>
  readFileSync(join(import.meta.dirname, '../..', 'sheets', `${name}.yaml`), 'utf8')

export const sheetOf = (text: string): Sheet => orThrow(readSheet(text, 'test.yaml', findShipped))
export const machineOf = (text: string): Machine => buildMachine(sheetOf(text))
/** Machines kept at once: the shipped ones with their own names and with others, and the mini sheets. */
const KEPT = 36
const predictors = new LRUCache<string, Predictor>({ max: KEPT })
/** One of its own, that nobody else has asked anything yet: for tests of that, and for those that change it. */
export const freshPredictorOf = (text: string): Predictor => createEngine(sheetOf(text)).predictor
/** The one that all test files of a process share: what it has computed it keeps, and no answer depends on that. */
export function predictorOf(text: string): Predictor {
  const known = predictors.get(text)
  if (known) return known
  const predictor = freshPredictorOf(text)
  predictors.set(text, predictor)
  return predictor
}

export const evidenceOf = (predictor: Predictor, ...items: object[]): Evidence[] =>
  orThrow(new Engine(predictor).read(items))

export function activeFaultsIn(machine: Machine, id: string, severity?: number): ActiveFault {
  const fault = machine.faults.find((f) => f.id === id)
  if (!fault) throw new Error(`no fault ${id}`)
  const range = fault.severity
  return { fault, severity: severity ?? (range && severityAt(range, 0.5)) }
}

/** Runs the first program and stops a few seconds into a phase. */
export function runTo(
  machine: Machine,
  phase?: string,
  ...activeFaults: ActiveFault[]
): { point: OperatingPoint; timeline: Timeline } {
  const index = machine.phases.findIndex((p) => p.id === phase)
  const timeline = simulate(makeFaultedMachine(machine, activeFaults), {
    steps: [{ at: 0, start: 0 }],
    until: machine.programs[0].duration,
    stopsWhenFinal: false,
    moments: [index < 0 ? { type: 'time', at: 40 } : { type: 'phase', phase: index, after: 4 }],
  })
  const point = timeline.snapshots[0]
  if (!point) throw new Error(`${phase} is not reached`)
  return { point, timeline }
}

/** One exact replacement in a sheet; fails when the text is not there once. */
export function edit(text: string, from: string, to: string): string {
  if (text.split(from).length !== 2) throw new Error(`not exactly once in the sheet: ${from}`)
  return text.replace(from, to)
}
