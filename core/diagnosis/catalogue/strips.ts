import type { Machine } from '../../model/machine'
import { measurementType } from '../../simulation/measurements'
import type { Loosening, Procedure, Strip } from './procedure'

/** Minutes of each further reading once the meter is there: the tip goes on to the next terminal. */
const NEXT_ROW = 0.3

/** Whether a live tip may go from point to point by hand: in a circuit of its own behind a transformer, never on mains. */
function mayMoveLive({ parts, kinds, returnAt }: Machine, { measurement: m }: Procedure): boolean {
  const source = 'a' in m && 'part' in m ? returnAt[parts[m.part].nodes[m.a]] : undefined
  return source !== undefined && kinds[source.part].returns?.of === 'circuit'
}

/** What readings must have in common to be one column; `undefined` where a reading stands by itself. */
function columnOf(machine: Machine, p: Procedure): string | undefined {
  const { parts, returnAt } = machine
  const { measurement: m, needs, meter } = p
  // Without a panel of their own parts stand apart from each other: in the lawn, at a tap.
  if (!measurementType(m).inColumn || !('part' in m) || !needs.panels.length || needs.asFound) return undefined
  if ('held' in m && m.held) return undefined
  if (p.workMode === 'energised' && !mayMoveLive(machine, p)) return undefined
  const toReturn = 'b' in m && m.b === '@return' && 'a' in m
  const source = toReturn ? returnAt[parts[m.part].nodes[m.a as string]] : undefined
  const points = source ? `to ${source.part}.${source.terminal}` : `${parts[m.part].kind} ${'id' in m ? m.id : ''}`
  const { power, panels, arrival } = needs
  return JSON.stringify([m.type, meter, p.workMode, power, [...panels].sort(), arrival, p.run, p.moment, points])
}

/** What comes off for all rows; live, one lead is clipped on for all of them and the other goes from point to point. */
function loosenedFor(rows: readonly Procedure[]): Loosening[] {
  const all = new Map(rows.flatMap((r) => r.needs.loosened).map((l) => [l.key, l]))
  const clips = [...all.values()].filter((l) => l.type === 'clips')
  const [first] = clips
  const rest = [...all.values()].filter((l) => l.type !== 'clips')
  return first ? [...rest, { ...first, key: clips.map((c) => c.key).join('+') }] : rest
}

/** Readings at one place as one test. @param rows at least two, in the order of the place */
export function stripOf(rows: readonly Procedure[], id: string): Strip {
  const [first] = rows
  return {
    id,
    key: rows.map((r) => r.key).join('+'),
    rows,
    workMode: first.workMode,
    needs: { ...first.needs, loosened: loosenedFor(rows) },
    minutes: first.minutes + (rows.length - 1) * NEXT_ROW,
  }
}

/**
 * The columns that a machine offers: readings of one sort that are taken at one place (behind the same panel, at the same moment,
 * from the same common, or of parts of the same kind), two at least.
 */
export function stripsOf(machine: Machine, procedures: readonly Procedure[]): Strip[] {
  const columns = new Map<string, Procedure[]>()
  for (const p of procedures) {
    const column = columnOf(machine, p)
    if (column === undefined) continue
    const rows = columns.get(column)
    if (rows) rows.push(p)
    else columns.set(column, [p])
  }
  return [...columns.values()].flatMap((rows) =>
    rows.length > 1 ? [stripOf(rows, `${rows[0].id}+${rows.length - 1}`)] : [],
  )
}
