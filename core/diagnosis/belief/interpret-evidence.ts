import type { Evidence } from '../../evidence'
import type { Intervention, Machine } from '../../model/machine'
import { interventionsKey } from '../predict'
import { findProcedure, type TestCatalogue, type WorkState } from '../catalogue'
import type { Case, ContextualReading } from './types'

/** What the log of actions leads to: the case for the belief, and how machine and technician stand now. */
export interface InterpretedEvidence {
  case: Case
  workState: WorkState
  /** What hands have left in the machine, as the next reading meets it. */
  interventions: Intervention[]
  /** Parts with a jumper across them now. */
  jumpers: number[]
  /** Parts whose plug is pulled or whose tap is shut by hand now. */
  parted: number[]
}

export const initialWorkState: WorkState = { power: 'on', open: [], running: undefined }

function manualIntervention(machine: Machine, part: number): Intervention {
  const { mode, disconnected: parted } = machine.kinds[part].manual!
  return { hold: { mode: machine.parts[part].mode[mode], value: parted } }
}

/** Gives each reading the context of the actions before it. Actions of a retracted reading stay. */
export function interpretEvidence(catalogue: TestCatalogue, evidence: readonly Evidence[]): InterpretedEvidence {
  const { machine } = catalogue
  const complaints: { complaint: number; interventions: Intervention[] }[] = []
  const readings: ContextualReading[] = []
  let workState: WorkState = initialWorkState
  const jumpers = new Set<number>()
  const parted = new Set<number>()
  const repairs: number[] = []
  const interventionsNow = (): Intervention[] => [
    ...[...new Set(repairs)].sort((a, b) => a - b).map((repair) => ({ repair })),
    ...[...parted].sort((a, b) => a - b).map((part) => manualIntervention(machine, part)),
    ...[...jumpers].sort((a, b) => a - b).map((jumper) => ({ jumper })),
  ]
  for (const e of evidence) {
    if (e.type === 'complaint') {
      const k = machine.complaints.findIndex((c) => c.id === e.complaint)
      const interventions = [...new Set(repairs)].sort((a, b) => a - b).map((repair) => ({ repair }))
      const said = (c: (typeof complaints)[number]) =>
        c.complaint === k && interventionsKey(c.interventions) === interventionsKey(interventions)
      if (k >= 0 && !complaints.some(said)) complaints.push({ complaint: k, interventions })
      continue
    }
    if (e.type === 'reading') {
      const procedure = findProcedure(catalogue, e.test, e.instrument)
      if (!procedure) continue
      readings.push({ procedure, value: e.value, meter: e.instrument, interventions: interventionsNow() })
      const { power, panels, arrival: reach } = procedure.needs
      workState = {
        power: power === 'any' ? workState.power : power,
        open: [...new Set([...workState.open, ...panels])],
        running: reach
          ? { program: reach.program, seconds: reach.seconds }
          : power === 'off'
            ? undefined
            : workState.running,
      }
      continue
    }
    const { verb, target } = e.action
    const part = target === undefined ? -1 : (machine.partIndex.get(target) ?? -1)
    switch (verb) {
      case 'isolate':
        workState = { ...workState, power: 'off', running: undefined }
        break
      case 'restore':
        workState = { ...workState, power: 'on' }
        break
      case 'open':
        workState = { ...workState, open: [...new Set([...workState.open, target!])] }
        break
      case 'close':
        workState = { ...workState, open: workState.open.filter((p) => p !== target) }
        break
      case 'start':
        workState = {
          ...workState,
          running: { program: machine.programs.findIndex((p) => p.id === target), seconds: 0 },
        }
        break
      case 'unplug':
        parted.add(part)
        break
      case 'plug':
        parted.delete(part)
        break
      case 'jumper':
        jumpers.add(part)
        break
      case 'unjumper':
        jumpers.delete(part)
        break
      case 'repair':
        repairs.push(machine.repairs.findIndex((r) => r.id === target))
    }
  }
  return {
    case: { complaints, readings, repairs },
    workState,
    interventions: interventionsNow(),
    jumpers: [...jumpers],
    parted: [...parted],
  }
}
