import { openBench, advise } from './core/explain'
import { sheetOf, evidenceOf } from './test/core/sheets'
import { findShipped } from './cli/library'
const w = openBench(sheetOf(findShipped('orrisk-tl40')!.text))
const a = advise(w, evidenceOf(w, { complaint: 'no-drain' }, { test: 'drain-pump.ohms', reading: 'OL' }))
console.log(a.plan.state, a.belief.unexplained, a.belief.residual, a.suspects.slice(0,6).map(s=>s.faults.map(f=>f.id).join('+')+' '+s.p.toFixed(4)), a.plan.remedies.slice(0,3))
