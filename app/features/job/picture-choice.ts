import type { View } from '../../../core/advice'
import type { TracedLine, TracedLines } from '../../../core/diagram'
import { foldSeries } from '../../../core/diagram/layout'

/** Chance above which a part matters for what is drawn. */
const MATTERS_ABOVE = 0.01
/** Weight above which a lane is drawn beside the heaviest. */
const LANE_ABOVE = 0.04
/** Longest level line that is drawn though nothing on it is suspected. */
const SHORT_LEVEL = 3

/** What is to be said of the parts of a machine just now. */
export interface Standing {
  links: ReadonlyMap<number, View['links'][number]>
  /** Part that the test on the card looks at; -1 for none. */
  next: number
}

/** How much of what is going on lies on a lane. What several lanes share counts for each, but less. */
function weightOf(lane: TracedLine, { links, next }: Standing): number {
  const own = [lane.center, ...lane.water, ...lane.waterOut, ...lane.back, ...lane.feed]
  const chances = own.reduce((s, p) => s + (links.get(p)?.p ?? 0) * (lane.feed.includes(p) ? 0.5 : 1), 0)
  return chances + (own.includes(next) ? 1 : 0) + (lane.center === next ? 1 : 0)
}

/** Centres of the lanes that still matter, the heaviest always. */
export function lanesThatMatter(lines: TracedLines, standing: Standing, most: number): Set<number> {
  const ranked = lines.lanes
    .map((l) => ({ center: l.center, weight: weightOf(l, standing) }))
    .sort((a, b) => b.weight - a.weight)
  return new Set(ranked.filter((l, i) => i < 1 || (i < most && l.weight > LANE_ABOVE)).map((l) => l.center))
}

/** The lines of some lanes alone, with parts in series of which nothing is to be said drawn as one. */
export function foldedLines(
  { lanes, levels }: TracedLines,
  shown: ReadonlySet<number>,
  { links, next }: Standing,
): ReturnType<typeof foldSeries> {
  const matters = (p: number) => p === next || (links.get(p)?.p ?? 0) > MATTERS_ABOVE
  const drawn = lanes.filter((l) => shown.has(l.center))
  const vessels = drawn.flatMap((l) => l.vessel ?? [])
  const near = levels.filter(
    (l) => l.chain.some(matters) || (vessels.includes(l.vessel) && l.chain.length <= SHORT_LEVEL),
  )
  return foldSeries(
    { lanes: drawn, levels: near },
    (p) => !matters(p) && (links.get(p)?.state ?? 'untested') === 'untested',
  )
}
