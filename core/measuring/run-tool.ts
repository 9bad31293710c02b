import { homeUnit, parseReading, type ReadingValue, type UnitSystem } from '../foundation/quantity'
import type { Result } from '../foundation/result'
import type { Accuracy, Computed, Entered, FieldProblem, Outcome, OwnAccuracy, Tool, ToolField } from './contract'

const BARE = /^[-+−]?(?:\d+(?:[.,]\d*)?|[.,]\d+)$/u

/**
 * What was typed into a field, SI: in either system, a bare number in the home unit of the one that is read in.
 *
 * @example readField(field, '38 psi', 'metric') // 262,001 Pa
 */
export function readField(field: ToolField, text: string, system: UnitSystem): Result<ReadingValue> {
  const plain = text.trim()
  const unit = BARE.test(plain) ? homeUnit(field.dimension, system, field.long) : ''
  return parseReading(unit ? `${plain} ${unit}` : plain, { type: 'number', dimension: field.dimension })
}

export interface Shown extends Outcome {
  /** Two standard deviations of what comes out, SI, by those of what goes in. */
  halfWidth: number
}

export interface ToolResult extends Omit<Computed, 'outcomes'> {
  outcomes: readonly Shown[]
  /** Fields that must still be filled before anything comes out. */
  missing: readonly string[]
}

/** What is less than this is nought to every instrument, SI. */
const LEAST = 1e-9

function problemsOf(tool: Tool, { values }: Entered): FieldProblem[] {
  return tool.fields.flatMap((f): FieldProblem[] => {
    const value = values[f.id]
    if (value === undefined) return []
    if (!Number.isFinite(value)) return [{ field: f.id, code: 'infinite' }]
    if (f.above !== undefined && !(value > f.above + LEAST))
      return [{ field: f.id, code: f.above === 0 ? 'not-positive' : 'too-small' }]
    if (f.least !== undefined && value < f.least)
      return [{ field: f.id, code: f.least === 0 ? 'negative' : 'too-small' }]
    if (f.most !== undefined && value > f.most) return [{ field: f.id, code: 'too-large' }]
    return []
  })
}

/** Step of the central difference, as a share of the uncertainty of a field. */
const STEP = 0.01

/** A limit of error is as likely anywhere within: two standard deviations of it (GUM 4.3.7). */
const OF_LIMIT = 2 / Math.sqrt(3)

/** By the person's own instrument where they said how exact it is, else by a usual one, SI. */
export const readingWidth = (value: number, { share, step, instrument }: Accuracy, own: OwnAccuracy): number =>
  Math.abs(value) * ((instrument && own[instrument] !== undefined ? own[instrument] * OF_LIMIT : undefined) ?? share) +
  step

/** First-order propagation: each field moved by itself, the moves added as squares (GUM, uncorrelated). */
function halfWidths(tool: Tool, entered: Entered, outcomes: readonly Outcome[], kit: OwnAccuracy): number[] {
  const squares = outcomes.map(() => 0)
  for (const { id, accuracy } of tool.fields) {
    const value = entered.values[id]
    if (value === undefined) continue
    const own = readingWidth(value, accuracy, kit)
    if (own === 0) continue
    const at = (x: number) => tool.compute({ ...entered, values: { ...entered.values, [id]: x } }).outcomes
    const [up, down] = [at(value + STEP * own), at(value - STEP * own)]
    outcomes.forEach((o, k) => {
      const [high, low] = [up.find((x) => x.id === o.id)?.value, down.find((x) => x.id === o.id)?.value]
      const move = high === undefined || low === undefined ? NaN : (high - low) / (2 * STEP)
      if (Number.isFinite(move)) squares[k]! += move ** 2
    })
  }
  return squares.map(Math.sqrt)
}

/**
 * What a tool makes of what has been entered. Never a number that is none: what cannot be computed is a problem at its field.
 *
 * @param kit limits of error of the person's own instruments
 * @example runTool(heater, { values: { rated: 230, watts: 2000 }, choices: {} }).outcomes[0].value // 26.45 Ω
 */
export function runTool(tool: Tool, entered: Entered, kit: OwnAccuracy = {}): ToolResult {
  const problems = problemsOf(tool, entered)
  const missing = tool.fields.filter((f) => !f.optional && entered.values[f.id] === undefined).map((f) => f.id)
  if (problems.length || missing.length) return { outcomes: [], means: [], problems, missing }
  const computed = tool.compute(entered)
  if (computed.problems.length) return { outcomes: [], means: [], problems: computed.problems, missing }
  const sound = computed.outcomes.filter((o) => Number.isFinite(o.value))
  const widths = halfWidths(tool, entered, sound, kit)
  return { ...computed, outcomes: sound.map((o, k) => ({ ...o, halfWidth: widths[k]! })), missing }
}
