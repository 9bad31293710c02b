import { withArticle } from '../../../foundation/quantity'
import { findKind, KINDS, type ParamSpec } from '../../kinds'
import type { WrittenSheet } from '../schema'
import type { SheetPart } from '../types'
import { entries, oneOf, type ProblemCollector, type Path } from './problem-collector'
import { RATINGS, withRatings } from './ratings'
import type { Scope } from './scope'

const RESERVED = new Set(['kind', 'title', 'panel', 'option', 'untested', 'sits', 'tips'])

/** A part while it is resolved: what stands in the sheet, and where problems of it are reported. */
interface PartReader {
  collector: ProblemCollector
  written: Record<string, unknown>
  part: SheetPart
  at: (field: string) => Path
  /** Values that were worked out from its ratings. */
  assumed: readonly string[]
}

function reportUnknown({ collector, written, part: { kind }, at }: PartReader): void {
  const rated = kind.rated === undefined ? {} : RATINGS[kind.rated]
  const known = [kind.params, rated, kind.choices, kind.refs, kind.optionalRefs].flatMap((x) => Object.keys(x ?? {}))
  for (const field of Object.keys(written))
    if (!RESERVED.has(field) && !known.includes(field))
      collector.report('unknown-param', at(field), { found: field, expected: oneOf(known) })
}

/** The range that a parameter may have, in words of the problem record. */
const rangeOf = ({ min, max }: ParamSpec): string =>
  `${min === undefined ? '' : `at least ${min}`}${max === undefined ? '' : ` at most ${max}`} (SI)`.trim()

function resolveParams({ collector, written, part, at, assumed }: PartReader): void {
  const { kind, params, id } = part
  for (const [name, spec] of Object.entries(kind.params)) {
    const text = written[name] ?? spec.typical
    if (text === undefined) {
      collector.report('missing', ['parts', id], {
        found: `no ${name}`,
        expected: `${name}, ${withArticle(spec.dimension)}`,
      })
      continue
    }
    const q = collector.quantity(text, spec.dimension, at(name))
    if ((spec.min !== undefined && q.value < spec.min) || (spec.max !== undefined && q.value > spec.max))
      collector.report('out-of-range', at(name), { found: String(text), expected: rangeOf(spec) })
    params[name] = { ...q, origin: assumed.includes(name) ? 'assumed' : name in written ? 'sheet' : 'typical' }
  }
  for (const [first, second, turned] of kind.hysteresis ?? []) {
    const swapped = turned && String(written[turned.choice] ?? kind.choices![turned.choice][0]) === turned.is
    const [upper, lower] = swapped ? [second, first] : [first, second]
    const [above, below] = [params[upper], params[lower]]
    const shown = (name: string) => `${name} ${String(written[name] ?? kind.params[name].typical)}`
    if (above && below && !(above.value > below.value))
      collector.report('no-hysteresis', at(written[upper] === undefined ? lower : upper), {
        found: `${shown(upper)}, ${shown(lower)}`,
        expected: `${upper} above ${lower}`,
      })
  }
}

function resolveChoices({ collector, written, part, at }: PartReader): void {
  for (const [name, options] of Object.entries(part.kind.choices ?? {})) {
    const word = String(written[name] ?? options[0])
    if (!options.includes(word)) collector.report('out-of-range', at(name), { found: word, expected: oneOf(options) })
    part.choices[name] = word
  }
}

function resolveRefs({ collector, written, part }: PartReader): void {
  for (const name of Object.keys(part.kind.refs ?? {})) {
    if (written[name] === undefined)
      collector.report('missing', ['parts', part.id], {
        found: `no ${name}`,
        expected: `${name}, the name of another part`,
      })
    part.refs[name] = String(written[name])
  }
  for (const name of Object.keys(part.kind.optionalRefs ?? {}))
    if (written[name] !== undefined) part.refs[name] = String(written[name])
}

/** Panels by their ids, with why only licensed people open one. */
export type Panels = ReadonlyMap<string, { licensed?: string }>

function resolvePart(
  collector: ProblemCollector,
  id: string,
  asWritten: Record<string, unknown>,
  panels: Panels,
  hertz: number,
): SheetPart | undefined {
  const at = (field: string): Path => ['parts', id, field]
  const kind = findKind(String(asWritten.kind))
  if (!kind) {
    const expected = oneOf(KINDS.map((k) => k.id))
    collector.report('unknown-kind', at('kind'), { found: String(asWritten.kind), expected })
    return undefined
  }
  const { part: written, assumed } = withRatings(collector, kind, asWritten, hertz, at)
  const { untested } = written
  const part: SheetPart = {
    id,
    kind,
    title: typeof written.title === 'string' ? written.title : id.replaceAll('-', ' '),
    panel: typeof written.panel === 'string' ? written.panel : undefined,
    sits: typeof written.sits === 'string' ? written.sits : undefined,
    tips: typeof written.tips === 'string' ? written.tips : undefined,
    untested: typeof untested === 'string' ? untested.split(/[\s,]+/).filter(Boolean) : [],
    params: {},
    choices: {},
    refs: {},
  }
  const panel = part.panel === undefined ? undefined : panels.get(part.panel)
  if (part.panel !== undefined && !panel)
    collector.report('missing', at('panel'), {
      found: part.panel,
      expected: `a panel of this sheet: ${oneOf(panels.keys())}`,
    })
  // Nobody but licensed people gets at it.
  if (panel?.licensed !== undefined) part.untested = ['all']
  const reader = { collector, written, part, at, assumed }
  reportUnknown(reader)
  resolveParams(reader)
  resolveChoices(reader)
  resolveRefs(reader)
  return part
}

/** The parts that are fitted, and the names of those that are not: chains run past them, and nothing can be wrong with them. */
export function resolveParts(
  collector: ProblemCollector,
  sheet: WrittenSheet,
  panels: Panels,
  hertz: number,
  options: readonly { id: string; fitted: boolean }[],
): { parts: SheetPart[]; absent: Set<string> } {
  const absent = new Set(
    entries(sheet.parts).flatMap(([id, { option }]) => {
      if (option === undefined) return []
      const known = options.find((o) => o.id === option)
      if (!known)
        collector.report('missing', ['parts', id, 'option'], {
          found: String(option),
          expected: `an option of this sheet: ${oneOf(options.map((o) => o.id))}`,
        })
      return known && !known.fitted ? [id] : []
    }),
  )
  const parts = entries(sheet.parts).flatMap(([id, p]) =>
    absent.has(id) ? [] : (resolvePart(collector, id, p, panels, hertz) ?? []),
  )
  return { parts, absent }
}

/** That every part which refers to another finds there what it needs. */
export function checkReferences({ collector, parts, find }: Scope): void {
  for (const p of parts.values())
    for (const [name, target] of Object.entries(p.refs)) {
      if (target === 'undefined') continue
      const other = find(target, ['parts', p.id, name])
      const signal = { ...p.kind.refs, ...p.kind.optionalRefs }[name]
      if (other && !(signal in (other.kind.signals ?? {})))
        collector.report('unknown-signal', ['parts', p.id, name], {
          found: `${target} gives no ${signal}`,
          expected: `a part that gives ${signal}`,
        })
    }
}
