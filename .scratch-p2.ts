import { sheetOf, evidenceOf } from './test/core/sheets'
import { findShipped } from './cli/library'
import { openBench, advise } from './core/explain'
const sheet = sheetOf(findShipped(process.argv[2])!.text)
for (let i = 0; i < 4; i++) {
  const a = performance.now()
  const p = openBench(sheet)
  const b = performance.now()
  advise(p, evidenceOf(p, { complaint: sheet.complaints[3].id }), 'best', 0)
  console.log((b - a).toFixed(0), (performance.now() - b).toFixed(0), p.members.length)
}
