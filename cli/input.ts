import { existsSync, readFileSync } from 'node:fs'
import { problem, type ProblemCode } from '../core/foundation/issues'
import { parseQuantity } from '../core/foundation/quantity'
import { InputError, orThrow } from '../core/foundation/result'
import { severityAt, type ActiveFault, type Machine } from '../core/model/machine'
import { readSheet, type Sheet } from '../core/model/sheet'
import { findShipped, shippedIds } from './library'

/** Ends a command: what was given is wrong. @throws InputError always */
export const fail = (code: ProblemCode, path: string[], found: string, expected: string): never => {
  throw new InputError([problem(code, path, { found, expected })])
}

/** The text of a sheet that a command names: a path or a shipped id. */
export function sourceOf(name: string | undefined): { file: string; text: string } {
  const expected = `a path or one of ${shippedIds().join(', ')}`
  if (name === undefined) return fail('missing', ['SHEET'], 'nothing', expected)
  const source = existsSync(name) ? { file: name, text: readFileSync(name, 'utf8') } : findShipped(name)
  return source ?? fail('unknown-sheet', ['SHEET'], name, expected)
}

export function loadSheet(name: string | undefined): Sheet {
  const { text, file } = sourceOf(name)
  return orThrow(readSheet(text, file, findShipped))
}

function activeFault(machine: Machine, text: string): ActiveFault {
  const [id, written] = text.split('=')
  const fault = machine.faults.find((f) => f.id === id)
  if (!fault) return fail('unknown-fault', ['--fault'], id, `one of ${machine.faults.map((f) => f.id).join(', ')}`)
  if (!fault.severity) return { fault, severity: undefined }
  if (written === undefined) return { fault, severity: severityAt(fault.severity, 0.5) }
  const by = fault.effects.find((e) => e.type === 'param' && e.value === 'severity')
  const dimension = by?.type === 'param' && by.op !== 'times' ? machine.params[by.param].dimension : 'ratio'
  const { from, to } = fault.severity
  const bare = Number(written)
  const severity = Number.isFinite(bare) ? bare : orThrow(parseQuantity(written, dimension, ['--fault', id])).value
  if (!(severity > 0)) fail('out-of-range', ['--fault', id], written, `above 0; usual are ${from} to ${to} (SI)`)
  return { fault, severity }
}

/** Faults as options name them, `ID` or `ID=severity`; the middle of its range where no severity is given. */
export const activeFaultsOf = (machine: Machine, texts: readonly string[] = []): ActiveFault[] =>
  texts.map((text) => activeFault(machine, text))
