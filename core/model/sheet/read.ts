import { LineCounter, parseDocument, stringify, type Document } from 'yaml'
import type { ProblemLocation, Problem } from '../../foundation/issues'
import { ok, err, type Result } from '../../foundation/result'
import { withPrefix, assemblyUsesOf } from './assemble'
import { resolveSheet } from './resolve/resolve-sheet'
import { sheetSchema, type WrittenSheet } from './schema'
import { schemaProblems } from './schema-problems'
import type { Sheet } from './types'

/** Finds another sheet by its id; `undefined` when there is none. */
export type FindSheet = (id: string) => { file: string; text: string } | undefined

interface Layer {
  file: string
  doc: Document
  lines: LineCounter
  raw: unknown
}

const MAX_DEPTH = 8

function parseLayer(file: string, text: string): Result<Layer> {
  const lines = new LineCounter()
  const doc = parseDocument(text, { lineCounter: lines })
  if (doc.errors.length)
    return err(
      ...doc.errors.map((e): Problem => {
        const { line, col } = lines.linePos(e.pos[0])
        return { code: 'not-yaml', place: { file, line, column: col, path: [] }, found: e.message.split('\n')[0] }
      }),
    )
  return ok({ file, doc, lines, raw: doc.toJS() as unknown })
}

const isMap = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null && !Array.isArray(x)

/** Child over base: maps merge, everything else replaces. A `null` stays until all has been merged: what it takes away may come in last. */
function merge(base: unknown, over: unknown): unknown {
  if (!isMap(base) || !isMap(over)) return over
  const out = new Map(Object.entries(base))
  for (const [k, v] of Object.entries(over)) out.set(k, out.has(k) ? merge(out.get(k), v) : v)
  return Object.fromEntries(out)
}

/** Takes out every entry that a `null` stands for. */
function withoutNulls(taken: unknown): unknown {
  if (!isMap(taken)) return taken
  const kept = Object.entries(taken).filter(([, v]) => v !== null)
  return Object.fromEntries(kept.map(([k, v]) => [k, withoutNulls(v)]))
}

/** Line and column of a path, from the layer that wrote it last; the nearest written parent when the path itself is absent. */
function placeIn(layers: Layer[], path: (string | number)[]): ProblemLocation {
  for (let keep = path.length; keep >= 0; keep--)
    for (const layer of layers) {
      const part = path.slice(0, keep)
      const node = (keep === 0 ? layer.doc.contents : layer.doc.getIn(part, true)) as
        { range?: [number, number, number] } | undefined
      if (!node?.range) continue
      const { line, col } = layer.lines.linePos(node.range[0])
      return { file: layer.file, line, column: col, path }
    }
  return { file: layers[0]?.file, path }
}

/** A sheet and those it extends, nearest first. */
function layersOf(text: string, file: string, find: FindSheet): Result<Layer[]> {
  const layers: Layer[] = []
  const seen = new Set<string>()
  let next: { file: string; text: string } | undefined = { file, text }
  while (next) {
    const parsed = parseLayer(next.file, next.text)
    if (!parsed.ok) return parsed
    const layer = parsed.value
    layers.push(layer)
    const { id, extends: base } = (layer.raw ?? {}) as { id?: unknown; extends?: unknown }
    if (typeof id === 'string') seen.add(id)
    if (typeof base !== 'string') break
    const place = placeIn([layer], ['extends'])
    if (seen.has(base) || layers.length > MAX_DEPTH)
      return err({ code: 'extends-itself', place, found: base, expected: 'a sheet that does not lead back here' })
    next = find(base)
    if (!next) return err({ code: 'unknown-sheet', place, found: base, expected: 'the id of a sheet in the library' })
  }
  return ok(layers)
}

const mergeLayers = (layers: Layer[]): unknown =>
  layers
    .map((l) => l.raw)
    .reverse()
    .reduce((base, over) => merge(base, over))

/** A sheet with its sub-assemblies under it, those of sub-assemblies as well. */
function withAssemblies(raw: unknown, layers: Layer[], find: FindSheet, through: readonly string[]): Result<unknown> {
  const uses = assemblyUsesOf(raw)
  if (!uses.length) return ok(raw)
  const problems: Problem[] = []
  let base: unknown = {}
  for (const use of uses) {
    const place = placeIn(layers, ['parts', use.prefix, 'assembly'])
    if (through.includes(use.assembly)) {
      problems.push({
        code: 'extends-itself',
        place,
        found: use.assembly,
        expected: 'a sub-assembly that does not lead back here',
      })
      continue
    }
    const found = find(use.assembly)
    if (!found) {
      problems.push({
        code: 'unknown-sheet',
        place,
        found: use.assembly,
        expected: 'the id of a sub-assembly in the library',
      })
      continue
    }
    const own = layersOf(found.text, found.file, find)
    const whole = own.ok ? withAssemblies(mergeLayers(own.value), own.value, find, [...through, use.assembly]) : own
    if (whole.ok) {
      const { given } = (whole.value ?? {}) as { given?: Record<string, unknown> }
      for (const name of Object.keys(given ?? {}))
        if (!(name in use.given))
          problems.push({
            code: 'missing',
            place: placeIn(layers, ['parts', use.prefix]),
            found: `no ${name}`,
            expected: `with: { ${name}: a part of this sheet }`,
          })
      base = merge(base, withPrefix(whole.value, use))
    } else problems.push(...whole.problems)
  }
  if (problems.length) return err(...problems)
  const { parts, ...rest } = raw as { parts: Record<string, unknown> }
  const names = new Set(uses.map((u) => u.prefix))
  const kept = Object.fromEntries(Object.entries(parts).filter(([id]) => !names.has(id)))
  return ok(merge(base, { ...rest, parts: kept }))
}

/** A sub-assembly read by itself has the parts that it will be given. */
function standingAlone(raw: unknown): unknown {
  const { assembly, given, parts } = (raw ?? {}) as { assembly?: unknown; given?: object; parts?: object }
  return assembly === true && given ? { ...(raw as object), parts: { ...given, ...parts } } : raw
}

/** What was written, and what it comes to with everything that it extends and brings in. */
interface MergedSheet {
  layers: Layer[]
  /** With what it extends, sub-assemblies still named. */
  own: unknown
  merged: unknown
}

function mergeSheet(text: string, file: string, find: FindSheet): Result<MergedSheet> {
  const read = layersOf(text, file, find)
  if (!read.ok) return read
  const layers = read.value
  const own = mergeLayers(layers)
  const whole = withAssemblies(own, layers, find, [])
  if (!whole.ok) return whole
  const merged = withoutNulls(standingAlone(whole.value))
  if (layers.length > 1 && merged && typeof merged === 'object') {
    const { family = false } = (layers[0].raw ?? {}) as { family?: boolean }
    ;(merged as { family?: boolean }).family = family
  }
  return ok({ layers, own, merged })
}

/** A sheet as YAML without `extends` and sub-assemblies: everything that it comes to, in one piece. */
export function flattenSheet(text: string, file: string, find: FindSheet): Result<string> {
  const whole = mergeSheet(text, file, find)
  if (!whole.ok) return whole
  const { extends: _, ...rest } = whole.value.merged as Record<string, unknown>
  return ok(stringify(rest, { lineWidth: 0 }))
}

/** Mistakes in the order in which they stand in the file that is read, then those of the files that it uses. */
const asWritten =
  (file: string) =>
  (a: Problem, b: Problem): number => {
    const far = ({ place }: Problem) => (place.file === file ? '' : (place.file ?? ''))
    return (
      far(a).localeCompare(far(b)) ||
      (a.place.line ?? 0) - (b.place.line ?? 0) ||
      (a.place.column ?? 0) - (b.place.column ?? 0)
    )
  }

/**
 * Reads a sheet with everything it extends and the sub-assemblies it uses.
 *
 * @param text YAML
 * @param file name used in places of problems
 * @param find gives the sheets that may be extended
 * @returns the resolved sheet, or every mistake at once, each with file, line and column
 */
export function readSheet(text: string, file: string, find: FindSheet): Result<Sheet> {
  const whole = mergeSheet(text, file, find)
  if (!whole.ok) return whole
  const { layers, own, merged } = whole.value
  const located = (problems: Problem[]): Result<never> =>
    err(...problems.map((p) => ({ ...p, place: placeIn(layers, writtenPath(p.place.path)) })).sort(asWritten(file)))
  /** What came in with a sub-assembly stands where the sheet brings it in. */
  const writtenPath = (path: (string | number)[]): (string | number)[] => {
    const use = assemblyUsesOf(own).find((u) => String(path[1] ?? '').startsWith(`${u.prefix}-`))
    const written = layers.some((l) => l.doc.hasIn(path.slice(0, 2)))
    return use && !written ? ['parts', use.prefix] : path
  }
  const parsed = sheetSchema.safeParse(merged)
  if (!parsed.success) return located(schemaProblems(parsed.error.issues, merged))
  const resolved = resolveSheet(parsed.data as WrittenSheet)
  return resolved.ok ? resolved : located(resolved.problems)
}

/** Gives problems found later, when the sheet was run, their places in its text. */
export function locateProblems(text: string, file: string, find: FindSheet, problems: readonly Problem[]): Problem[] {
  const read = layersOf(text, file, find)
  return problems.map((p) => (read.ok ? { ...p, place: placeIn(read.value, p.place.path) } : p))
}
