import { machineOf, presentIn } from './test/core/sheets'
import { findShipped } from './cli/library'
import { makeVariant } from './core/machine'
import { simulate, newPlantCache } from './core/simulate'
const m = machineOf(findShipped(process.argv[2])!.text)
const cache = newPlantCache()
const script = { steps: [{ at: 0, start: 0 }], until: m.programs[0].lasts, stopsWhenFinal: false, moments: [] }
const out: [number, string, number, number][] = []
for (const f of m.faults) { const a = performance.now(); const t = simulate(makeVariant(m, [presentIn(m, f.id)]), script, cache); out.push([performance.now() - a, f.id, t.events.length, t.samples.length]) }
out.sort((a, b) => b[0] - a[0]); console.log(out.slice(0, 12).map((o) => `${o[0].toFixed(0)} ${o[1]} ${o[2]} ${o[3]}`).join('\n'), out.reduce((s, o) => s + o[0], 0).toFixed(0))
