import { findShipped } from '../../../cli/library'
import { createEngine } from '../../../core/advice'
import { orThrow } from '../../../core/foundation/result'
import { makeFaultedMachine, type Machine } from '../../../core/model/machine'
import { readSheet, type FindSheet, type Sheet } from '../../../core/model/sheet'
import { simulate, type Timeline } from '../../../core/simulation/simulate'
import { edit, activeFaultsIn } from '../../core/support/sheets'

/** A shipped sheet with single lines of it, or of what it brings in, changed. */
export function shipped(id: string, ...changes: [file: string, from: string, to: string][]): Sheet {
  const find: FindSheet = (name) => {
    const found = findShipped(name)
    if (!found) return undefined
    const own = changes.filter(([file]) => file === name)
    return { ...found, text: own.reduce((text, [, from, to]) => edit(text, from, to), found.text) }
  }
  const { text, file } = find(id)!
  return orThrow(readSheet(text, file, find))
}
export const run = (machine: Machine, fault?: string, values?: Float64Array): Timeline =>
  simulate(makeFaultedMachine(machine, fault ? [activeFaultsIn(machine, fault)] : [], [], values), {
    steps: [{ at: 0, start: 0 }],
    until: machine.programs[0].duration,
    stopsWhenFinal: false,
    moments: [],
  })
export const says = (machine: Machine, fault?: string) => {
  const t = run(machine, fault)
  return machine.sheet.complaints.filter((_, i) => t.complaints[i]).map((c) => c.id)
}
export const lasts = (machine: Machine, t: Timeline, phase: string) => {
  const { from, to } = t.phases[machine.phases.findIndex((p) => p.id === phase)]
  return to - from
}
/** What a test shows under a fault: the mean of a number, or the likelier word. */
export function shows(sheet: Sheet, test: string, fault?: string, instrument?: string): number | string {
  const predictor = createEngine(sheet).predictor
  const { machine, procedures } = predictor.catalogue
  const p = predictor.predict(
    predictor.hypothesisFor(fault ? [activeFaultsIn(machine, fault)] : []),
    procedures.find((x) => x.id === test)!,
    instrument,
  )
  return p.type === 'value' ? p.mean : p.type === 'sense' ? (p.yes > 0.5 ? 'yes' : 'no') : p.type
}
