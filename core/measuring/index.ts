import type { Tool } from './contract'
import type { RowTool } from './rows/contract'
import { seriesWalk } from './rows/series-walk'
import { zoneSurvey } from './rows/zone-survey'
import { bucket } from './tools/bucket'
import { coil } from './tools/coil'
import { count, missBound } from './tools/count'
import { descaling } from './tools/descaling'
import { heater } from './tools/heater'
import { joint } from './tools/joint'
import { level } from './tools/level'
import { trip } from './tools/trip'
import { beadCurve, thermistor } from './tools/thermistor'
import { thermostat } from './tools/thermostat'
import { timedOutput } from './tools/timed-output'
import { transformer } from './tools/transformer'
import { water } from './tools/water'
import { wire } from './tools/wire'

/** The tools in the order in which they are listed. */
export const TOOLS = [
  coil,
  joint,
  heater,
  transformer,
  wire,
  count,
  trip,
  thermostat,
  thermistor,
  beadCurve,
  bucket,
  timedOutput,
  level,
  water,
  descaling,
] as const satisfies readonly Tool[]

/** Tools that read a column of readings together. */
export const ROW_TOOLS: readonly RowTool[] = [seriesWalk, zoneSurvey]

export const findTool = (id: string): Tool | undefined => TOOLS.find((t) => t.id === id)

export { missBound }
export { switchRecord, type SwitchRecord, type SwitchTurn } from './switch-record'
export { WIRE_SIZES, BEAD_TABLE, CONDUCTOR_COLOURS, SUPPLIES } from './tables'
export { toolsFor } from './tools-for'
export { betaOhms } from './tools/thermistor'
export { convert, type Converted } from './convert'
export { readField, runTool, type Shown, type ToolResult } from './run-tool'
export { findInRows, type JudgedFinding } from './rows/find-in-rows'
export type { Finding, ReadRow, RowTool } from './rows/contract'
export type { FieldProblem, OwnAccuracy, Tool, ToolChart, ToolChoice, ToolField } from './contract'
