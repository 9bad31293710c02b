import type { SafetyStep, Sheet } from '../sheet'
import { indexControl } from './index-control'
import { indexTests } from './index-tests'
import { indexFault } from './index-fault'
import { indexParts } from './index-parts'
import { indexReturns } from './index-returns'
import type { Machine } from './types'

/** Minutes that go by with a switch alone, where a sheet names no safety steps. */
const NO_STEPS = 1

/** Minutes of the safety steps before work of a sort. Shutting and opening the water belongs to the minutes of the hose. */
function minutesOf({ makeSafe }: Sheet, work: 'isolated' | 'energised'): number {
  const ofWater = ({ does }: SafetyStep) => does === 'shuts-water' || does === 'opens-water'
  const steps = makeSafe.filter((s) => (s.before === work || s.before === 'anything') && !ofWater(s))
  return steps.length ? steps.reduce((sum, { minutes }) => sum + minutes, 0) : NO_STEPS
}

/**
 * Turns a resolved sheet into an indexed machine. Pure; cannot fail for a sheet that `readSheet` accepted.
 * Everything is numbered in the order of writing, so renaming ids changes no number.
 */
export function buildMachine(sheet: Sheet): Machine {
  const indexed = indexParts(sheet)
  const { parts, partIndex, params } = indexed
  const kinds = sheet.parts.map((p) => p.kind)
  return {
    sheet,
    parts,
    kinds,
    partIndex,
    params,
    spreadGroups: 0,
    values: Float64Array.from(params, (p) => p.nominal),
    modes: Int8Array.from(indexed.modes),
    modeOwner: Int32Array.from(indexed.modeOwner),
    staying: indexed.staying,
    stateStarts: Int32Array.from(indexed.stateStarts),
    stateTolerance: Float64Array.from(indexed.stateTolerance),
    nodeCount: indexed.nodes.count,
    nodeLabels: indexed.nodes.labels,
    returnAt: indexReturns(parts, kinds, indexed.nodes.count),
    waterNodeCount: indexed.waterNodes.count,
    ...indexControl(sheet, indexed),
    isolators: parts.flatMap((p) => {
      const { manual, isolates } = kinds[p.index]
      return isolates && manual ? [{ mode: p.mode[manual.mode], value: manual.disconnected }] : []
    }),
    faults: sheet.faults.map((f, index) => indexFault(f, index, sheet, parts, partIndex)),
    repairs: sheet.repairs.map(({ id, minutes, price, successProbability, licensed }, index) => ({
      index,
      id,
      minutes,
      price,
      successProbability,
      licensed: licensed !== undefined,
    })),
    tests: indexTests(sheet, indexed),
    panelMinutes: new Map(sheet.panels.map(({ id, minutes }) => [id, minutes])),
    safetyMinutes: { isolate: minutesOf(sheet, 'isolated'), restore: minutesOf(sheet, 'energised') },
    frequency: sheet.hertz,
  }
}
