import type { OwnAccuracy } from '../contract'
import { readingWidth } from '../run-tool'
import type { Finding, ReadRow, RowTool } from './contract'

/** A finding, and whether it hangs on a reading being no further off than its meter may be. */
export interface JudgedFinding extends Finding {
  wavers: boolean
}

const LESS: Record<Finding['certainty'], Finding['certainty']> = { plain: 'likely', likely: 'hint', hint: 'hint' }
const keyOf = ({ code, rows }: Finding): string => `${code} ${rows.join()}`

/**
 * What a column of readings says, and what of it would not stand if one of them were off by what its meter may be (two standard deviations,
 * either way, one at a time): that is said with less certainty.
 *
 * @param own how exact the person's own instruments are, where they said so
 */
export function findInRows(
  tool: RowTool,
  rows: readonly ReadRow[],
  reference: number | undefined,
  own: OwnAccuracy = {},
): JudgedFinding[] {
  const width = (value: number) => readingWidth(value, tool.accuracy, own)
  const found = tool.findings(rows, reference)
  const stands = new Set(found.map(keyOf))
  const look = (moved: readonly ReadRow[], by: number | undefined) => {
    const there = new Set(tool.findings(moved, by).map(keyOf))
    for (const key of stands) if (!there.has(key)) stands.delete(key)
  }
  for (const sign of [-1, 1]) {
    rows.forEach(({ value }, k) => {
      if (value === undefined || !Number.isFinite(value)) return
      const moved = Math.max(0, value + sign * width(value))
      look(rows.with(k, { ...rows[k], value: moved }), reference)
    })
    if (reference !== undefined) look(rows, reference + sign * width(reference))
  }
  return found.map((f) => {
    const wavers = !stands.has(keyOf(f))
    return wavers ? { ...f, certainty: LESS[f.certainty], wavers } : { ...f, wavers }
  })
}
