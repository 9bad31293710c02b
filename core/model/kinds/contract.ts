import type { Component } from '../../physics/circuit'
import type { Dimension } from '../../foundation/quantity'
import type { WaterLink } from '../../physics/water'
import type { SaidWith } from './circumstances'

/**
 * What every kind of part must say. The engine knows only this contract and names no kind.
 * A kind stands in a folder of its own with three files: `interface` (what it has), `behaviour` (what it does),
 * `service` (what is tested on it and what goes wrong with it).
 */
export interface Kind extends KindInterface, KindBehaviour, KindService {}

export type Line = 'water' | 'power' | 'level'

export interface ParamSpec {
  dimension: Dimension
  /** What it is, where its name does not say it. */
  description?: string
  /** Typical value with its tolerance, as a sheet would write it; absent when every sheet must give it. */
  typical?: string
  /** Valid range in SI, inclusive. */
  min?: number
  max?: number
}

export interface ModeSpec {
  name: string
  values: readonly string[]
  /** Index of the value at rest, or the name of the choice that names it. */
  initial: number | { choice: string }
  /** It stays as a run has left it until a hand or a repair changes it: what has tripped or blown. */
  stays?: true
  /** What a hand does to hold it at a value, where the name does not say it: "ice held on the bulb". */
  byHand?: Readonly<Record<string, string>>
}

export interface KindInterface {
  id: string
  /** The trade's name for it. */
  title: string
  line: Line
  /** Electrical terminals, in the order a wiring chain passes through. */
  terminals: readonly string[]
  /** Water ports, in the order a water chain passes through. */
  ports: readonly string[]
  /** Of them, where water leaves into the open: nothing is joined there. */
  openPorts?: readonly string[]
  params: Record<string, ParamSpec>
  /** Choices of a sheet for this part, each a list of words; the first is the usual one. */
  choices?: Record<string, readonly string[]>
  /** References to other parts: name of the field → signal that the other part must give. */
  refs?: Record<string, string>
  /** The same for references that may be left out. */
  optionalRefs?: Record<string, string>
  modes?: readonly ModeSpec[]
  /**
   * Continuous states, SI, all starting at 0 unless the param named here gives the start; `tolerance` is the error
   * that one step may leave in it.
   */
  states?: readonly { name: string; initialParam?: string; tolerance: number }[]
  /** Mode that the control sets to 0 or 1 when a phase lists this part under `on`. */
  command?: string
  /** Mode that a hand works (switch held, plug pulled, tap shut), with the value that opens the path. */
  manual?: { mode: string; disconnected: number }
  /** Further modes that a hand can force for a program: a float lifted, a tube blown into. */
  forcible?: readonly string[]
  /**
   * Pairs of params of which the first must lie above the second: where it switches and where it returns. The other way
   * round on parts of which a choice is as named.
   */
  hysteresis?: readonly (readonly [string, string, { choice: string; is: string }?])[]
  /** What a tech sheet may say of it instead of the values that follow from that: rated volts and power, litres. */
  rated?: 'coil' | 'heater' | 'tank'
  /** Params that are the ohms of a winding: bands are published for them, siblings compared. */
  windings?: readonly string[]
  /** Bands, Ω, in which good windings of this kind lie, one for each usual voltage; where none fits only open or short counts. */
  windingBands?: readonly (readonly [number, number])[]
  /**
   * A source of a circuit: the terminal that its loads come back to, which readings to the return are taken against, with
   * the trade's word for it. `of`: the supply of the machine, or a circuit of its own behind it.
   */
  returns?: { terminal: string; word: string; of: 'supply' | 'circuit' }
  /** A supply's conductors by the trade's word, each by its terminal: what is proved dead, to each other and to earth. */
  conductors?: Readonly<Record<string, string>>
  /** Groups of terminals that nothing in the part ever joins to each other; left out where all can be joined. */
  insulated?: readonly (readonly string[])[]
  /** Where its supply can be cut for making safe. */
  isolates?: boolean
  /** No part that hands could take off: only a place where a fault may be. */
  isPlace?: true
  /** Mode and value in which its contact stands open. */
  interrupts?: { mode: string; value: number }
  /** What can hurt or break something while it is on. */
  endangers?: 'heat' | 'motion' | 'pressure'
  /** Whether a jumper may be put across terminals 0 and 1; by one of its choices where a sheet decides. */
  jumperAllowed?: boolean | { choice: string; is: string }
  /** The lead at its first terminal may be lifted, and the machine run with it off: what hangs on it then does without. */
  leadLifts?: true
}

/** A part of a resolved machine, with its places in the flat arrays. */
export interface Part {
  index: number
  id: string
  title: string
  kind: string
  line: Line
  panel: string | undefined
  /** Ids of measurements of its kind that can tell nothing on this machine. */
  untested: readonly string[]
  nodes: Record<string, number>
  ports: Record<string, number>
  param: Record<string, number>
  mode: Record<string, number>
  state: Record<string, number>
  ref: Record<string, number>
  choice: Record<string, string>
}

/** What a kind may look at while the machine runs. Volts and amperes are magnitudes (RMS of AC and DC). */
export interface PointView {
  readonly time: number
  /** Parameter values, SI. */
  readonly values: Float64Array
  /** Modes. */
  readonly modes: Int8Array
  /** Continuous states, SI. */
  readonly states: Float64Array
  /** Time of the last change of each mode, s. */
  readonly modeSince: Float64Array
  /** °C */
  readonly ambient: number
  volts(a: number, b: number): number
  /** Signed DC voltage from b to a. */
  dcVolts(a: number, b: number): number
  /** Greatest current through any component of the part. */
  amps(part: Part): number
  /** Pa */
  pressure(node: number): number
  /** m³/s through the part, positive from its first port to its second. */
  flow(part: Part): number
  /** Net flow into the vessel at a water node, m³/s. */
  inflow(node: number): number
  /** What water brings to a node less what it takes away, m³·°C/s: flow times temperature. */
  heatFlowInto(node: number): number
  /** The part that `part` refers to under `name`; `undefined` where the sheet leaves it out. */
  referred(part: Part, name: string): Part | undefined
  /** A signal of the part that `part` refers to under `name`. */
  referredSignal(part: Part, name: string, signal: string): number
}

/** Words that fit the part as a sheet has chosen it: by the value of one of its choices, else the usual ones. */
export interface WordsByChoice {
  choice: string
  words: Readonly<Record<string, string>>
}

export interface SignalSpec {
  description: string
  descriptionBy?: WordsByChoice
  /** From where on it is true, for the pages on kinds: "from 0.2 L/min". */
  from?: string
  dimension?: Dimension
  /** A signal of the part without which there is nothing to read: a vessel without water has no temperature of it. */
  where?: string
  read(part: Part, point: PointView): number
}

export interface KindBehaviour {
  /** Electrical components of the part as it stands. Structure may depend on modes only. */
  stamp?(part: Part, point: PointView, emit: (c: Component) => void): void
  /** Set when what `stamp` gives follows continuous states: a source voltage, or a resistance. */
  stampDependsOnState?: 'source' | 'resistance'
  /** Water links of the part as it stands. */
  links?(part: Part, point: PointView, emit: (s: WaterLink) => void): void
  /** Nodes held at a fixed pressure, Pa. */
  fixedPressures?(part: Part, point: PointView, emit: (node: number, pascals: number) => void): void
  /** Temperature of the water that comes from a node, °C. */
  temperatures?(part: Part, point: PointView, emit: (node: number, celsius: number) => void): void
  /** Adds to the rates of change of the part's states, or of a part that it refers to. */
  rates?(part: Part, point: PointView, derivatives: Float64Array): void
  /** The mode changes the part wants now; the engine applies them one after another and asks again. */
  transition?(part: Part, point: PointView, request: (mode: number, value: number) => void): void
  /** The next instant at which `transition` may want something because of time alone; Infinity when none. */
  nextTimeEvent?(part: Part, point: PointView): number
  signals?: Record<string, SignalSpec>
  /** Signal that says the part is called for: tests of it wait for that moment. Default: it carries current. */
  active?: string
}

/**
 * What each measurement that a part can offer needs to know of where it is taken, by its id. Every folder of
 * `simulation/measurements` adds its own entry here, so that this contract knows no instrument.
 */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type
export interface MeasurementFields {}

export type OfferedMeasurement<Id extends keyof MeasurementFields> = {
  id: string
  type: Id
  /** Hand work of the reading itself, min, where it differs from the usual. */
  minutes?: number
  /** Modes of the part that a hand holds for it, by name. */
  held?: Record<string, string>
  /** It shows only with water standing before the part: where the machine off leaves none there, it is looked at idle. */
  underPressure?: true
  /** After it has been called, where that can be. */
  afterCall?: true
  /** A lead is put across it for that: a bypass until it is out. */
  bridges?: true
  /** What has to come off to reach it: the joint of its first water port, and what is drawn out behind that. */
  reach?: 'joint'
} & MeasurementFields[Id]

/** Something an instrument or a sense can be put to, as a kind offers it. Facts alone: `words` makes the sentences. */
export type MeasurementSpec = { [Id in keyof MeasurementFields]: OfferedMeasurement<Id> }[keyof MeasurementFields]

export type Sense = 'ear' | 'eye' | 'hand'

export type EffectSpec =
  | { param: string; to: number | 'severity' }
  | { param: string; times: number | 'severity' }
  | { param: string; plus: number | 'severity' }
  | { mode: string; at: string }

export interface FaultTemplate {
  title: string
  titleBy?: WordsByChoice
  /** Parts on which it makes sense: those whose choice of this name is one of these. All when left out. */
  only?: { choice: string; is: readonly string[] }
  effects: readonly EffectSpec[]
  /** Range of the severity that effects refer to; SI of the param's dimension, or a bare factor. */
  severity?: { from: number; to: number; scale: 'log' | 'linear' }
  /** Typical occurrences per machine and year. */
  ratePerYear: number
  /** Share of its cases that come and go, 0 … 1; 0 when left out. */
  intermittentShare?: number
  /** What people say of the days before, where this is the cause. */
  saidWith?: SaidWith
  /** What usually cures it. */
  cure: Cure
}

/** What is done to a part that is at fault. */
export type Cure = 'replace' | 'clean' | 'restore' | 'remake'

/** One step of a work; `caution`: what bites at it. */
export type WorkStep = string | { do: string; caution: string }

/** How the trade does a work on a part of a kind, where a sheet says nothing of its own. `<it>` stands for the part. */
export interface WorkTemplate {
  /** In their order. */
  steps: readonly WorkStep[]
  /** What is looked at while it is open. */
  lookAt?: readonly string[]
  /** How a new part is proved before it goes in. */
  proved?: string
}

/** How a part is checked off the machine: floats in water, what warmth works warmed, coils with a meter and air. */
export type BenchSort = 'dipped' | 'heated' | 'coil'

type Works = Partial<Record<Cure, WorkTemplate>>

export interface KindService {
  bench?: BenchSort
  measurements?(part: Part): readonly MeasurementSpec[]
  faults?: Record<string, FaultTemplate>
  works?: Works
  /** Others where a choice of the part makes it another thing. */
  worksBy?: { choice: string; works: Readonly<Record<string, Works>> }
}
