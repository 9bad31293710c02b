import { machineOf } from './test/core/sheets'
import { findShipped } from './cli/library'
import { makeVariant } from './core/machine'
import { simulate, newPlantCache } from './core/simulate'
const m = machineOf(findShipped(process.argv[2])!.text)
const cache = newPlantCache()
const script = { steps: [{ at: 0, start: 0 }], until: m.programs[0].lasts, stopsWhenFinal: false, moments: [] }
let t
for (let i = 0; i < 60; i++) { const a = performance.now(); t = simulate(makeVariant(m), script, cache); if (i % 20 === 19) console.log((performance.now() - a).toFixed(1), t.events.length, t.samples.length) }
