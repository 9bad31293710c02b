import type { SafetyEffect } from '../../evidence'
import type { Cure, Kind, PlacedInstrument, SaidWith, Sense } from '../kinds'
import type { Quantity } from '../../foundation/quantity'
import type { Condition } from './condition'

/** What a machine may have or not. */
export interface SheetOption {
  id: string
  title: string
  fitted: boolean
}
/** What one machine has or has not, where it is otherwise than its sheet says. */
export type OwnOptions = readonly Pick<SheetOption, 'id' | 'fitted'>[]

/** A sheet with every quantity read and every name found. Order is the order of writing. */
export interface Sheet {
  id: string
  title: string
  family: boolean
  assembly: boolean
  maker: string | undefined
  model: string | undefined
  searchWords: string[]
  options: SheetOption[]
  source: string
  /** How often such a machine fails in all, and who says so; `undefined` where the rates stand as written. */
  rates: { inAll: number; source: string } | undefined
  /** What the rates that kinds and sheet give were multiplied by. */
  rateScale: number
  hertz: number
  ambient: Quantity
  panels: SheetPanel[]
  parts: SheetPart[]
  /** Joints: pairs of terminals (or ports) that are one node. */
  wiring: { name: string; joints: [TerminalRef, TerminalRef][] }[]
  water: { name: string; joints: [TerminalRef, TerminalRef][] }[]
  /** Colours of wires, where the tech sheet says them. */
  colours: (TerminalRef & { colour: string })[]
  /** Plugs by the names beside them, with what is on each pin. */
  connectors: { id: string; title: string | undefined; pins: (TerminalRef & { pin: string })[] }[]
  control: { powered: Condition | undefined; starts: string | undefined } | undefined
  programs: SheetProgram[]
  phases: SheetPhase[]
  alarms: SheetAlarm[]
  complaints: { id: string; words: string; when: Condition }[]
  moments: { id: string; title: string; program: string; after: number }[]
  faults: SheetFault[]
  repairs: SheetRepair[]
  tests: SheetTest[]
  makeSafe: SafetyStep[]
  /** What a customer beside the machine may be told to do or to leave. */
  customer: string[]
  /** What to look at before anything is moved. */
  asFound: string[]
  settings: { id: string; title: string; found: string; usual: string | undefined }[]
  care: { id: string; text: string; every: string; why: string }[]
  cautions: { appliesTo: 'isolated' | 'energised' | 'water'; text: string }[]
}

/** Something that has to be opened, and how. */
export interface SheetPanel {
  id: string
  title: string
  minutes: number
  tools: readonly string[]
  fasteners: string | undefined
  /** Which edge lifts first, which way it tips. */
  opens: string | undefined
  /** What hangs on it. */
  hangs: string | undefined
  /** Why only licensed people open it. */
  licensed: string | undefined
}

/** An alarm ends with the power, unless it keeps; some end by themselves. */
export interface SheetAlarm {
  code: string
  title: string
  means: string
  /** How lamps or beeps show it, in words. */
  lamps: string | undefined
  clears: Condition | undefined
  retained: boolean
}

export interface SafetyStep {
  id: string
  title: string
  text: string
  before: 'anything' | 'isolated' | 'energised'
  /** What it brings about. */
  does?: SafetyEffect
  /** Where it is proved dead, with its preposition. */
  at?: string
  /** It is asked again once the machine has been live. */
  again?: boolean
  /** How long it takes. */
  minutes: number
}

export interface SheetPart {
  id: string
  kind: Kind
  title: string
  panel: string | undefined
  /** Where it sits, and where the tips of the meter go while it runs. */
  sits: string | undefined
  tips: string | undefined
  /** Tests of its kind (ids of measurements) that can tell nothing on this machine. */
  untested: string[]
  params: Record<string, Quantity & { origin: 'sheet' | 'assumed' | 'typical' }>
  choices: Record<string, string>
  refs: Record<string, string>
}

export interface TerminalRef {
  part: string
  terminal: string
}

/** A mode of a part as a hand holds it. */
export interface HandSetting {
  part: string
  mode: string
  value: string
}

export interface SheetProgram {
  id: string
  title: string
  firstPhase: string | undefined
  sets: HandSetting[]
  /** What a hand does on the way, s from its start. */
  later: { after: number; sets: HandSetting[] }[]
  needs: Condition | undefined
  /** Codes of the alarms that starting it clears. */
  resets: string[]
  /** How a service mode is entered and left, in words, with the minutes that takes. */
  service: { enter: string; leave: string; minutes: number } | undefined
  /** How long it is watched at most, s. */
  duration: number
}

export interface SheetPhase {
  id: string
  title: string
  on: string[]
  exits: { when: Condition; to: string; alarm: string | undefined }[]
  final: boolean
}

export type SheetEffect =
  | { type: 'param'; part: string; param: string; op: 'to' | 'times' | 'plus'; value: number | 'severity' }
  | { type: 'mode'; part: string; mode: string; value: string }
  | { type: 'swap'; medium: 'wiring' | 'water'; a: TerminalRef; b: TerminalRef }

/** How bad a fault may be: a range in SI. */
export interface Severity {
  from: number
  to: number
  scale: 'log' | 'linear'
}

export interface SheetFault {
  id: string
  part: string
  title: string
  effects: SheetEffect[]
  ratePerYear: number
  /** Nobody complains of it by itself. */
  latent: boolean
  /** Machine-years of experience that the rate counts as. */
  priorExposureYears: number
  severity: Severity | undefined
  repair: string
  /** What usually cures it, as its kind says; absent for a fault of the sheet's own. */
  cure: Cure | undefined
  /** Other repairs that cure it, where the trade differs. */
  instead: readonly string[]
  /** Share of its cases that come and go, 0 … 1. */
  intermittentShare: number
  /** How often each circumstance is said with it, 0 … 1. */
  saidWith: SaidWith
  causes: { fault: string; chance: number }[]
}

export interface SheetRepair {
  id: string
  title: string
  minutes: number
  price: number
  /** Chance that it holds, 0 … 1. */
  successProbability: number
  /** Work of licensed people: what is theirs. Advice stops there. */
  licensed: string | undefined
  /** What bites at it, or what to warn of before it is begun. */
  caution: string | undefined
  notes: RepairNotes
}

/** What hands need at a repair. */
export interface RepairNotes {
  /** In their order; `caution`: what bites at the step. */
  steps: readonly { text: string; caution: string | undefined }[]
  /** What is done to the part; by its faults where it is left out. */
  work: Cure | undefined
  /** What is looked at and cleaned while it is open. */
  lookAt: readonly string[]
  partNumber: string | undefined
  kit: readonly string[]
  substitutes: readonly string[]
  interim: { text: string; until: string } | undefined
  /** How the new part is proved before it goes in. */
  proved: string | undefined
}

/** What is asked of something watched: whether it is ever seen, whether all the while, or how long. */
export type Asked = 'ever' | 'always' | 'how long'

export interface SheetTest {
  id: string
  title: string
  jumper: string | undefined
  lifts: string | undefined
  holds: readonly HandSetting[]
  part: string
  signal: string
  /** By what it is noticed, or with what it is read. */
  by: Sense | PlacedInstrument
  moment: string
  /** s; `undefined` where a phase is watched to its end, or something is looked at once */
  watched: number | undefined
  asks: Asked
  minutes: number
  caution: string | undefined
}
