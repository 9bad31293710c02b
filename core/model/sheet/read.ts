import { stringify } from 'yaml'
import { ok, err, type Result } from '../../foundation/result'
import { mergeSheet, type FindSheet } from './merge-sheet'
import { resolveSheet } from './resolve/resolve-sheet'
import { sheetSchema, type WrittenSheet } from './schema'
import { schemaProblems } from './schema-problems'
import { SourceMap } from './source-map'
import type { OwnOptions, Sheet } from './types'

/** A sheet as YAML without `extends` and sub-assemblies: everything that it comes to, in one piece. */
export function flattenSheet(text: string, file: string, find: FindSheet): Result<string> {
  const whole = mergeSheet(text, file, find)
  if (!whole.ok) return whole
  const { extends: _, ...rest } = whole.value.merged as Record<string, unknown>
  return ok(stringify(rest, { lineWidth: 0 }))
}

/** A sheet with the places of what was written in it. */
export interface ReadSheet {
  sheet: Sheet
  /** Gives problems that only a run shows their places. */
  sourceMap: SourceMap
}

/**
 * Reads a sheet with everything it extends and the sub-assemblies it uses, and keeps where everything was written.
 *
 * @param text YAML
 * @param file name used in places of problems
 * @param find gives the sheets that may be extended
 * @param machine what the machine has or has not, where it is otherwise than the sheet says
 * @returns the resolved sheet, or every mistake at once, each with file, line and column
 */
export function readSheetWithSource(
  text: string,
  file: string,
  find: FindSheet,
  machine: OwnOptions = [],
): Result<ReadSheet> {
  const whole = mergeSheet(text, file, find)
  if (!whole.ok) return whole
  const { layers, own, merged } = whole.value
  const sourceMap = new SourceMap(layers, own)
  const parsed = sheetSchema.safeParse(merged)
  if (!parsed.success) return err(...sourceMap.locate(schemaProblems(parsed.error.issues, merged)))
  const resolved = resolveSheet(parsed.data as WrittenSheet, machine)
  return resolved.ok ? ok({ sheet: resolved.value, sourceMap }) : err(...sourceMap.locate(resolved.problems))
}

/** `readSheetWithSource` for who needs no places later. */
export function readSheet(text: string, file: string, find: FindSheet, machine: OwnOptions = []): Result<Sheet> {
  const read = readSheetWithSource(text, file, find, machine)
  return read.ok ? ok(read.value.sheet) : read
}
