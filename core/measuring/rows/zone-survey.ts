import type { Finding, RowTool } from './contract'

/** Of what is usual on this controller: less is shorted, about half is two at once, more is a joint. */
const SHORTED = 0.3
const HALF = [0.42, 0.6] as const
const RAISED = 1.35
/** Two halves are alike within this share, and so it is one place where they meet. */
const ALIKE = 0.04
/** Usual ohms of 24 V irrigation solenoids with their wires, Ω: what no zone says of another is judged by it. */
const USUAL = [15, 80] as const

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b)
  const mid = sorted.length >> 1
  return sorted.length % 2 ? sorted[mid]! : (sorted[mid - 1]! + sorted[mid]!) / 2
}

/**
 * All zones at the controller, wires lifted, each to the common: their pattern. Everything open is the common; one open is that run; one
 * near zero a shorted coil or wire; one halved two valves on it; two equally halved two wires touching; all raised the common's joints.
 * Swapped wires read as they should.
 */
export const zoneSurvey: RowTool = {
  id: 'zone-survey',
  dimension: 'resistance',
  accuracy: { share: 0.012, step: 0.3, instrument: 'ohms' },
  row: 'Zone',
  findings(rows) {
    const read = rows.flatMap(({ value }, k) => (value === undefined ? [] : [{ k, value }]))
    const finite = read.filter((r) => Number.isFinite(r.value))
    const open = read.filter((r) => !Number.isFinite(r.value)).map((r) => r.k)
    if (read.length < 2) return []
    if (finite.length === 0) return [{ code: 'common', rows: open, certainty: 'plain' }]
    const out: Finding[] = []
    // What most zones show is what a zone of this controller shows.
    const usual = median(finite.filter((r) => r.value > USUAL[0] / 2).map((r) => r.value))
    const of = (low: number, high: number) => finite.filter((r) => r.value / usual >= low && r.value / usual < high)
    if (open.length === 1) out.push({ code: 'run-open', rows: open, certainty: 'plain' })
    else if (open.length > 1) out.push({ code: 'several-open', rows: open, certainty: 'likely' })
    const sure = finite.length >= 3 ? 'plain' : 'hint'
    const shorted = finite.filter((r) => !Number.isFinite(usual) || r.value / usual < SHORTED).map((r) => r.k)
    if (shorted.length) out.push({ code: 'shorted', rows: shorted, certainty: sure })
    const halves = of(...HALF)
    const pair = halves.find((a) => halves.some((b) => a !== b && Math.abs(a.value / b.value - 1) <= ALIKE))
    if (pair) {
      const both = halves.filter((r) => Math.abs(r.value / pair.value - 1) <= ALIKE).map((r) => r.k)
      out.push({ code: 'touching', rows: both, certainty: 'likely' })
      for (const r of halves)
        if (!both.includes(r.k))
          out.push({ code: 'doubled', rows: [r.k], certainty: sure === 'plain' ? 'likely' : 'hint' })
    } else
      for (const r of halves)
        out.push({ code: 'doubled', rows: [r.k], certainty: sure === 'plain' ? 'likely' : 'hint' })
    const raised = of(RAISED, Infinity).map((r) => r.k)
    if (raised.length) out.push({ code: 'joint', rows: raised, certainty: 'likely' })
    if (Number.isFinite(usual) && usual > USUAL[1])
      out.push({ code: 'all-raised', rows: finite.map((r) => r.k), certainty: 'likely' })
    return out.length ? out : [{ code: 'alike', rows: [], certainty: 'plain' }]
  },
}
