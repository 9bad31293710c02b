import type { RowTool } from './contract'

/** Share of the supply that counts as there, and as gone. */
const THERE = 0.85
const GONE = 0.15

/**
 * Volts to a proven return, point after point from the supply to the load: the first point without supply follows the open link. Volts
 * across a switch say that only where the rest of the loop is whole; walked to the return they always do.
 */
export const seriesWalk: RowTool = {
  id: 'series-walk',
  dimension: 'voltage',
  accuracy: { share: 0.014, step: 0.3, instrument: 'volts' },
  reference: { id: 'supply', dimension: 'voltage' },
  row: 'Point',
  findings(rows, supply) {
    if (supply === undefined || !(supply > 0) || !Number.isFinite(supply)) return []
    const read = rows.flatMap(({ value }, k) => (value === undefined ? [] : [{ k, share: value / supply }]))
    if (!read.length) return []
    const first = read[0]!
    if (first.share < THERE)
      return [{ code: first.share < GONE ? 'no-feed' : 'weak-feed', rows: [first.k], certainty: 'plain' }]
    const again = read.find((r, i) => i > 0 && r.share > THERE && read[i - 1]!.share < GONE)
    if (again) return [{ code: 'contradicts', rows: [again.k], certainty: 'plain' }]
    const lost = read.findIndex((r) => r.share < THERE)
    if (lost < 0) return [{ code: 'closed', rows: [read.at(-1)!.k], certainty: 'plain' }]
    const [before, at] = [read[lost - 1]!, read[lost]!]
    // Points that were left out lie between.
    const skipped = at.k - before.k > 1
    return [
      {
        code: at.share < GONE ? 'open-link' : 'joint',
        rows: [before.k, at.k],
        certainty: skipped ? 'likely' : 'plain',
      },
    ]
  },
}
