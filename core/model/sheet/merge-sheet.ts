import type { Problem } from '../../foundation/issues'
import { ok, err, type Result } from '../../foundation/result'
import { assemblyUsesOf, type AssemblyUse } from './assembly-uses'
import { parseLayer, placeIn, type Layer } from './layer'
import { merge, withoutNulls } from './merge'
import { withCalled, withPrefix } from './with-prefix'

/** Finds another sheet by its id; `undefined` when there is none. */
export type FindSheet = (id: string) => { file: string; text: string } | undefined

const MAX_DEPTH = 8

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

/** A sub-assembly as it is in the sheet that uses it. */
function broughtIn(use: AssemblyUse, layers: Layer[], find: FindSheet, through: readonly string[]): Result<unknown> {
  const [place, found] = [placeIn(layers, ['parts', use.prefix, 'assembly']), use.assembly]
  if (through.includes(use.assembly))
    return err({ code: 'extends-itself', place, found, expected: 'a sub-assembly that does not lead back here' })
  const file = find(use.assembly)
  if (!file) return err({ code: 'unknown-sheet', place, found, expected: 'the id of a sub-assembly in the library' })
  const own = layersOf(file.text, file.file, find)
  if (!own.ok) return own
  const whole = withAssemblies(mergeLayers(own.value), own.value, find, [...through, use.assembly])
  if (!whole.ok) return whole
  const { given = {} } = (whole.value ?? {}) as { given?: Record<string, unknown> }
  const missing = Object.keys(given).filter((name) => !(name in use.given))
  if (missing.length)
    return err(
      ...missing.map((name): Problem => ({
        code: 'missing',
        place: placeIn(layers, ['parts', use.prefix]),
        found: `no ${name}`,
        expected: `with: { ${name}: a part of this sheet }`,
      })),
    )
  return ok(withPrefix(whole.value, use))
}

/** A sheet with its sub-assemblies under it, those of sub-assemblies as well. */
function withAssemblies(raw: unknown, layers: Layer[], find: FindSheet, through: readonly string[]): Result<unknown> {
  const uses = assemblyUsesOf(raw)
  if (!uses.length) return ok(raw)
  const problems: Problem[] = []
  let base: unknown = {}
  for (const use of uses) {
    const brought = broughtIn(use, layers, find, through)
    if (brought.ok) base = merge(base, brought.value)
    else problems.push(...brought.problems)
  }
  if (problems.length) return err(...problems)
  const { parts, ...rest } = raw as { parts: Record<string, unknown> }
  const names = new Set(uses.map((u) => u.prefix))
  const kept = Object.fromEntries(Object.entries(parts).filter(([id]) => !names.has(id)))
  return ok(merge(base, { ...rest, parts: kept }))
}

/** A sub-assembly read by itself has the parts that it will be given, and is called a part. */
function standingAlone(raw: unknown): unknown {
  const { assembly, given, parts } = (raw ?? {}) as { assembly?: unknown; given?: object; parts?: object }
  return assembly === true ? withCalled({ ...(raw as object), parts: { ...given, ...parts } }, 'part') : raw
}

/** What was written, and what it comes to with everything that it extends and brings in. */
export interface MergedSheet {
  layers: Layer[]
  /** With what it extends, sub-assemblies still named. */
  own: unknown
  merged: unknown
}

/**
 * Reads a sheet with the files that it extends and brings in, and puts them together.
 *
 * @returns mistakes of YAML, of names that no sheet has, and of sheets that lead back to themselves
 */
export function mergeSheet(text: string, file: string, find: FindSheet): Result<MergedSheet> {
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
