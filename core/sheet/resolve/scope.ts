import type { WrittenSheet } from '../shape'
import type { SheetPart } from '../types'
import { entries, type Desk, type Path } from './desk'

/** What one piece of a sheet may name of the others. */
export interface Scope {
  desk: Desk
  w: WrittenSheet
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

export function scopeOf(desk: Desk, w: WrittenSheet, parts: readonly SheetPart[], absent: ReadonlySet<string>): Scope {
  const byId = new Map(parts.map((p) => [p.id, p]))
  const names = (record: Record<string, unknown> | undefined) => new Set(entries(record).map(([id]) => id))
  return {
    desk,
    w,
    parts: byId,
    find(id, path) {
      const part = byId.get(id)
      if (!part && !(w.parts && id in w.parts))
        desk.say('unknown-part', path, { found: id, expected: 'the name of a part' })
      return part
    },
    isAbsent: (ref) => absent.has(ref.split('.')[0]),
    phases: names(w.phases),
    programs: names(w.programs),
    alarms: names(w.alarms),
    repairs: names(w.repairs),
  }
}
