import type { WrittenSheet } from '../schema'
import type { SheetPart } from '../types'
import { entries, type ProblemCollector, type Path } from './problem-collector'

/** What one piece of a sheet may name of the others. */
export interface Scope {
  collector: ProblemCollector
  written: WrittenSheet
  parts: ReadonlyMap<string, SheetPart>
  /** A part by its name; what is no part at all is reported at `path`, what is only not fitted is not. */
  find(id: string, path: Path): SheetPart | undefined
  /** Whether a part, or what is named with one, belongs to an option that is not fitted. */
  isAbsent(ref: string): boolean
  phases: ReadonlySet<string>
  programs: ReadonlySet<string>
  alarms: ReadonlySet<string>
  repairs: ReadonlySet<string>
}

/** What the readers of a sheet share: the parts that are fitted, names by which they are found, and where problems go. */
export function scopeOf(
  collector: ProblemCollector,
  written: WrittenSheet,
  parts: readonly SheetPart[],
  absent: ReadonlySet<string>,
): Scope {
  const byId = new Map(parts.map((p) => [p.id, p]))
  const names = (record: Record<string, unknown> | undefined) => new Set(entries(record).map(([id]) => id))
  return {
    collector,
    written,
    parts: byId,
    find(id, path) {
      const part = byId.get(id)
      if (!part && !(written.parts && id in written.parts))
        collector.report('unknown-part', path, { found: id, expected: 'the name of a part' })
      return part
    },
    isAbsent: (ref) => absent.has(ref.split('.')[0]),
    phases: names(written.phases),
    programs: names(written.programs),
    alarms: names(written.alarms),
    repairs: names(written.repairs),
  }
}
