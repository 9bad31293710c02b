import type { TestCatalogue } from '../diagnosis/catalogue'
import type { Machine } from '../model/machine'
import type { OperatingPoint } from '../simulation/simulate'
import { levelLines } from './level-lines'
import { powerLine } from './power-line'
import type { TracedLine, TracedLines } from './types'
import { waterLine } from './water-line'

/** The lane of a part: its water, its power, and what it fills or empties. */
function laneOf(machine: Machine, snapshots: readonly OperatingPoint[], center: number): TracedLine {
  const wet = machine.kinds[center].ports.length > 0
  const none = { chain: [], vessel: undefined }
  const up = wet ? waterLine(machine, center, 'up') : none
  const down = wet ? waterLine(machine, center, 'down') : none
  const listed = new Set(machine.faults.map((f) => f.part))
  return {
    center,
    water: up.chain.toReversed(),
    waterOut: down.chain.filter((p) => listed.has(p)),
    vessel: up.vessel ?? down.vessel,
    empties: up.vessel !== undefined,
    ...powerLine(machine, snapshots, center),
  }
}

/** The lines of a machine, found from its joints and from the moments at which its parts are called. */
export function traceLines({ machine, healthy }: TestCatalogue): TracedLines {
  const { parts, kinds, faults } = machine
  const snapshots = healthy.flatMap((t) => t.snapshots.filter((s): s is OperatingPoint => s !== undefined))
  const lanes: TracedLine[] = []
  const placed = new Set<number>()
  const addLane = (center: number) => {
    const lane = laneOf(machine, snapshots, center)
    lanes.push(lane)
    for (const p of [center, ...lane.water, ...lane.waterOut, ...lane.feed, ...lane.back]) placed.add(p)
  }
  const takesPower = (part: number) => kinds[part].terminals.length >= 2
  for (const { index } of parts) if (takesPower(index) && kinds[index].ports.length === 2) addLane(index)
  // Loads without water that somebody may suspect, outermost first so that what feeds them is on their own lane.
  const listed = new Set(faults.map((f) => f.part))
  const loads = parts
    .filter(({ index: p }) => listed.has(p) && !placed.has(p) && kinds[p].line === 'power' && takesPower(p))
    .map(({ index }) => ({ index, reach: powerLine(machine, snapshots, index).feed.length }))
    .sort((a, b) => b.reach - a.reach)
  for (const { index } of loads) if (!placed.has(index)) addLane(index)
  return { lanes, levels: levelLines(machine, snapshots, new Set(lanes.map((l) => l.center))) }
}
