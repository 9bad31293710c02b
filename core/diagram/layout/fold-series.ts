import type { TracedLines } from '..'

/** Fewest parts in series that are drawn as one. */
const SERIES = 3

/**
 * Draws parts in series of which nothing is to be said as their first one alone, so that what matters has room. Pure.
 *
 * @param plain whether nothing is to be said of a part
 * @returns the lines without the parts left out, and for each part that stands for others how many
 */
export function foldSeries(
  { lanes, levels }: TracedLines,
  plain: (part: number) => boolean,
): { lines: TracedLines; more: ReadonlyMap<number, number> } {
  const fixed = new Set([...lanes.map((l) => l.center), ...levels.map((l) => l.vessel)])
  const hidden = new Set<number>()
  const more = new Map<number, number>()
  for (const chain of lanes.flatMap((l) => [l.feed, l.water])) {
    let series: number[] = []
    // What stands for others stays, and ends a series: another lane may come to it.
    const loose = (p: number) => plain(p) && !fixed.has(p) && !more.has(p) && !hidden.has(p)
    for (const p of [...chain, -1]) {
      if (p >= 0 && loose(p)) series.push(p)
      else {
        if (series.length >= SERIES) {
          const [first, ...others] = series
          more.set(first, others.length)
          for (const other of others) hidden.add(other)
        }
        series = []
      }
    }
  }
  const seen = (chain: readonly number[]) => chain.filter((p) => !hidden.has(p))
  return {
    more,
    lines: {
      lanes: lanes.map((l) => ({
        ...l,
        water: seen(l.water),
        waterOut: seen(l.waterOut),
        feed: seen(l.feed),
        back: seen(l.back),
      })),
      levels: levels.map((l) => ({ ...l, chain: seen(l.chain) })),
    },
  }
}
