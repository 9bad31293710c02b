import type { Dimension } from '../foundation/quantity'

/** Two standard deviations: a share of the reading and a step, SI. `instrument`: what of the person's own kit may take its place. */
export interface Accuracy {
  share: number
  step: number
  instrument?: 'volts' | 'ohms' | 'clamp' | 'gauge'
}

/** Limits of error of the person's own instruments, as shares of the reading. */
export type OwnAccuracy = Readonly<Partial<Record<NonNullable<Accuracy['instrument']>, number>>>

/** One field of a tool: something that is measured or read off a plate. */
export interface ToolField {
  id: string
  dimension: Dimension
  /** A length of metres rather than millimetres. */
  long?: true
  /** May stay empty: what hangs on it is not computed then. */
  optional?: true
  /** Least and most that it may be, SI; `above`: it must be greater than this. */
  above?: number
  least?: number
  most?: number
  /** What the instrument that usually takes it is uncertain by. */
  accuracy: Accuracy
}

/** Something chosen among words. */
export interface ToolChoice {
  id: string
  options: readonly string[]
}

/** What has been entered, SI by field; absent where nothing is. Choices by id. */
export interface Entered {
  values: Readonly<Record<string, number | undefined>>
  choices: Readonly<Record<string, string>>
}

/** One number that comes out. */
export interface Outcome {
  id: string
  dimension: Dimension
  /** SI. */
  value: number
  /** It is what a test of a machine reads: on a job it can be entered as that. */
  reads?: true
  /** How it follows, with `{id}` for each field or outcome that goes in: `{volts}² / {watts}`. */
  formula: string
}

/** Why a field is refused: facts, `words` makes the sentence. */
export interface FieldProblem {
  field: string
  code:
    'not-positive' | 'too-small' | 'too-large' | 'negative' | 'swapped' | 'same' | 'none' | 'infinite' | 'contradicts'
}

/** A line and what was measured, for a chart; SI. */
export interface ToolChart {
  x: { id: string; dimension: Dimension }
  y: { id: string; dimension: Dimension }
  points: readonly (readonly [number, number])[]
  line: readonly (readonly [number, number])[]
}

export interface Computed {
  outcomes: readonly Outcome[]
  /** What it comes to, by the codes of its words, the most telling first. */
  means: readonly string[]
  problems: readonly FieldProblem[]
  chart?: ToolChart
}

export interface Tool {
  id: string
  fields: readonly ToolField[]
  choices?: readonly ToolChoice[]
  /** Pure; asked only where every field that must be filled is, and lies in its range. */
  compute(entered: Entered): Computed
}

/** Nothing comes out, for what stands in a field. */
export const refused = (field: string, code: FieldProblem['code']): Computed => ({
  outcomes: [],
  means: [],
  problems: [{ field, code }],
})

/** Usual instruments, two standard deviations: a multimeter, a clamp, a thermometer, a watch, a jug, a gauge, a rule. */
export const METER: Accuracy = { share: 0.01, step: 0, instrument: 'volts' }
export const OHMMETER: Accuracy = { share: 0.01, step: 0.2, instrument: 'ohms' }
export const CLAMP: Accuracy = { share: 0.03, step: 0.02, instrument: 'clamp' }
export const THERMOMETER = { share: 0, step: 1 }
export const WATCH = { share: 0, step: 0.4 }
export const JUG = { share: 0.02, step: 10e-6 }
export const GAUGE: Accuracy = { share: 0.02, step: 2000, instrument: 'gauge' }
export const RULE = { share: 0, step: 0.001 }
export const EXACT = { share: 0, step: 0 }
