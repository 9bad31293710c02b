import { formatIn, type Dimension, type UnitSystem } from '../../foundation/quantity'
import type { FieldProblem, Finding, Shown, Tool, ToolResult } from '../../measuring'
import type { ToolWords } from './contract'
import { coil, heater, joint, seriesWalk, transformer, wire, zoneSurvey } from './electrical'
import { beadCurve, bucket, count, descaling, level, thermistor, thermostat, timedOutput, trip, water } from './other'

const WORDS: Readonly<Record<string, ToolWords>> = {
  coil,
  joint,
  heater,
  transformer,
  wire,
  'series-walk': seriesWalk,
  'zone-survey': zoneSurvey,
  count,
  trip,
  thermostat,
  thermistor,
  'bead-curve': beadCurve,
  bucket,
  'timed-output': timedOutput,
  level,
  water,
  descaling,
}

/** What a tool is called and for. @param tool the id of one that there is */
export const toolWords = (tool: string): ToolWords => WORDS[tool]!

const REFUSED: Record<FieldProblem['code'], string> = {
  'not-positive': 'This must be more than nought.',
  'too-small': 'This is less than it can be.',
  'too-large': 'This is more than it can be here.',
  negative: 'This cannot be below nought.',
  swapped: 'These two seem to have changed places.',
  same: 'Too close to another point: farther apart tells more.',
  none: 'Nothing comes out of this: look at the volumes again.',
  infinite: 'No end to this: it is off the scale of the instrument.',
  contradicts: 'This does not go with the others.',
}

export const describeFieldProblem = ({ code }: FieldProblem): string => REFUSED[code]

const CERTAINTY = { plain: '', likely: 'Likely: ', hint: 'A hint, no more: ' }

const WAVERS = 'Within what the meter may be off it would be otherwise: read it again.'

/** What a column says, with the rows that it says it of. */
export function describeFinding(
  tool: string,
  { code, rows, certainty, wavers = false }: Finding & { wavers?: boolean },
  names: readonly string[],
): string {
  const text = toolWords(tool).means[code]!
  const plain = CERTAINTY[certainty] ? CERTAINTY[certainty] + text.charAt(0).toLowerCase() + text.slice(1) : text
  const said = wavers ? `${plain} ${WAVERS}` : plain
  return rows.length ? `${rows.map((k) => names[k]).join(', ')}. ${said}` : said
}

/** A number that came out, with its ±, in the units of whoever reads. */
export const describeOutcome = ({ value, halfWidth, dimension }: Shown, system: UnitSystem): string => {
  const text = formatIn(value, dimension, system)
  const within =
    halfWidth > 0 ? formatIn(halfWidth, dimension === 'temperature' ? 'kelvin' : dimension, system, 2, value) : ''
  return within && !/^0(?:\s|$)/.test(within) ? `${text} ±${within}` : text
}

/** How a number follows, with the numbers in it: `(230 V)² / 2 kW`. */
export function describeFormula(
  tool: Tool,
  { formula }: Shown,
  { outcomes }: ToolResult,
  values: Readonly<Record<string, number | undefined>>,
  system: UnitSystem,
): string {
  return formula.replace(/\{(\w+)\}(²?)/g, (_, id: string, squared: string) => {
    const field = tool.fields.find((f) => f.id === id)
    const out = outcomes.find((o) => o.id === id)
    const [value, dimension]: [number | undefined, Dimension] = field
      ? [values[id], field.dimension]
      : [out?.value, out?.dimension ?? 'count']
    const text = value === undefined ? toolWords(tool.id).labels[id]! : formatIn(value, dimension, system)
    return squared ? `(${text})²` : text
  })
}
