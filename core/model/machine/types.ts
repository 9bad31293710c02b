import type { Component } from '../../physics/circuit'
import type { Kind, Part, PlacedInstrument, SaidWith, Sense } from '../kinds'
import type { Dimension } from '../../foundation/quantity'
import type { Asked, Condition, Severity, Sheet } from '../sheet'
import type { CircuitReturn } from './index-returns'

/** One number of the machine. Shared by every reading that depends on it. */
export interface Param {
  index: number
  /** `part.name`, or `ambient`. */
  id: string
  dimension: Dimension
  nominal: number
  /** Standard deviation; 0 when taken as exact. */
  sd: number
  /** A spread that it has in common with others of its group, on top of its own (one sd). */
  sharedSpread?: { group: number; sd: number }
}

/** A phase with its names replaced by indices. */
export interface Phase {
  index: number
  id: string
  title: string
  /** Mode indices that are 1 while the phase runs. */
  on: number[]
  exits: { when: Condition<number>; to: number; alarm: number | undefined }[]
  final: boolean
  /** Every `after` of its exits, seconds, ascending. */
  timeLimits: number[]
}

/** A part that is held while the machine runs, with the names of its mode and value. */
export interface HeldPart {
  part: number
  setting: ModeSetting
  named: readonly [mode: string, value: string]
}

/** A special test of the sheet; `moment` is the id of a phase or of a moment of a program. */
export interface SpecialTest {
  id: string
  part: number
  signal: string
  by: Sense | PlacedInstrument
  jumper: number | undefined
  /** Part whose first lead is lifted for it. */
  lifts: number | undefined
  /** What a hand holds meanwhile. */
  holds: readonly HeldPart[]
  moment: string
  /** How long it is watched from a moment on, s; `undefined` through a phase, or where it is looked at once. */
  watched: number | undefined
  asks: Asked
  minutes: number
  caution: string | undefined
}

export interface Program {
  index: number
  id: string
  title: string
  firstPhase: number
  sets: ModeSetting[]
  /** What a hand does on the way, s from its start. */
  later: readonly { after: number; sets: readonly ModeSetting[] }[]
  needs: Condition<number> | undefined
  /** Alarms that starting it clears. */
  resets: readonly number[]
  /** How long it is watched at most, s. */
  duration: number
  /** The sheet's own moments in it, s from its start, in the order of writing. */
  moments: readonly { id: string; title: string; after: number }[]
  /** Minutes to enter a service mode; `undefined` for a program that customers run. */
  serviceMinutes: number | undefined
}

export interface Alarm {
  index: number
  code: string
  /** It clears itself when this holds. */
  clears: Condition<number> | undefined
  /** It stays through loss of power. */
  retained: boolean
}

export interface Complaint {
  index: number
  id: string
  when: Condition<number>
}

export interface Repair {
  index: number
  id: string
  minutes: number
  price: number
  /** Chance that it holds, 0 … 1. */
  successProbability: number
  /** Whether it is the work of licensed people, who have to be called. */
  licensed: boolean
}

export interface ModeSetting {
  mode: number
  value: number
}

/**
 * The indexed, immutable machine: all that a run, a prediction and a plan need, names replaced by indices. Parameter 0 is
 * the ambient temperature in °C. Texts stand on `sheet` alone.
 */
export interface Machine {
  sheet: Sheet
  parts: readonly Part[]
  kinds: readonly Kind[]
  partIndex: ReadonlyMap<string, number>
  params: readonly Param[]
  /** Groups of parameters that share a spread. */
  spreadGroups: number
  values: Float64Array
  modes: Int8Array
  /** Part that owns each mode. */
  modeOwner: Int32Array
  /** Modes that stay as a run has left them: what has tripped or blown. */
  staying: readonly number[]
  /** Value that each continuous state starts at, by its place in `values`; -1 where it starts at 0. */
  stateStarts: Int32Array
  /** Error that one step may leave in each state. */
  stateTolerance: Float64Array
  nodeCount: number
  nodeLabels: readonly string[]
  /** The return of the circuit that each electrical node belongs to; `undefined` where nothing feeds it. */
  returnAt: readonly (CircuitReturn | undefined)[]
  waterNodeCount: number
  phases: readonly Phase[]
  programs: readonly Program[]
  /** Phase that the control enters when it is powered and no program runs; -1 where it waits for a program. */
  idlePhase: number
  /** What powers the control; always powered when left out. */
  powered: Condition<number> | undefined
  alarms: readonly Alarm[]
  complaints: readonly Complaint[]
  repairs: readonly Repair[]
  /** Special tests: something watched at a moment, perhaps with a jumper in. */
  tests: readonly SpecialTest[]
  /** Minutes that opening each panel takes, by id. */
  panelMinutes: ReadonlyMap<string, number>
  /** Minutes that the sheet's safety steps take to isolate and prove dead, and before power goes back. */
  safetyMinutes: { isolate: number; restore: number }
  /** Supply frequency, Hz. */
  frequency: number
  /** Mode indices that the control commands. */
  commands: readonly number[]
  /** Modes that cut the supply when making safe. */
  isolators: readonly ModeSetting[]
  faults: readonly Fault[]
}

export type Effect =
  | { type: 'param'; param: number; op: 'to' | 'times' | 'plus'; value: number | 'severity' }
  | { type: 'mode'; mode: number; value: number }
  | { type: 'swap'; medium: 'nodes' | 'ports'; partA: number; endA: string; partB: number; endB: string }

export interface Fault {
  index: number
  id: string
  title: string
  part: number
  effects: readonly Effect[]
  ratePerYear: number
  /** Machine-years of experience that the rate counts as. */
  priorExposureYears: number
  severity: Severity | undefined
  /** Index into `machine.repairs` of what usually cures it; -1 where the sheet has none. */
  repair: number
  /** Every repair that cures it (indices): the usual one first, then what the trade does instead. */
  curedBy: readonly number[]
  /** Share of its cases that come and go, 0 … 1. */
  intermittentShare: number
  /** How often each circumstance is said where it is the cause, 0 … 1. */
  saidWith: SaidWith
  /** Faults that this one brings about, with the chance that it has. */
  causes: readonly { fault: number; chance: number }[]
}

/** A fault that is present, with its severity where it has one. */
export interface ActiveFault {
  fault: Fault
  severity: number | undefined
  /** An intermittent fault that does not act during this visit, with the share of times it still misses; else absent. */
  missProbability?: number
}

/** What hands have done to the machine on top of its faults. */
export interface Intervention {
  /** Modes held by hand: a plug pulled, a tap shut. */
  hold?: ModeSetting
  /** A jumper across terminals 0 and 1 of a part. */
  jumper?: number
  /** A part whose lead is off its first terminal. */
  lifted?: number
  /** Two parts (indices) of one kind whose leads have changed places. */
  leads?: readonly [number, number]
  /** A repair that has been done (index into the sheet's repairs): the faults it cures are gone. */
  repair?: number
}

/** A machine with faults and interventions in it, ready to run. */
export interface FaultedMachine {
  machine: Machine
  parts: readonly Part[]
  /** Electrical nodes: those of the machine, and one for each lead that hangs in the air. */
  nodeCount: number
  values: Float64Array
  /** Standard deviation of each value: what a fault sets or scales has its spread set or scaled with it. */
  standardDeviations: Float64Array
  /** Value a mode is held at, -1 where it is free. */
  heldModes: Int8Array
  addedComponents: readonly Component[]
}
