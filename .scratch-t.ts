import { readFileSync } from 'node:fs'
import { findShipped } from './cli/library'
import { openBench } from './core/explain'
import { orThrow } from './core/issue'
import { readSheet } from './core/sheet'
import { tellApart } from './core/diagnose'
for (const id of process.argv.slice(2)) {
  const { text, file } = findShipped(id)!
  const t0 = performance.now()
  const p = openBench(orThrow(readSheet(text, file, findShipped)))
  const t1 = performance.now()
  const told = tellApart(p)
  const { machine } = p.bench
  console.log(`== ${id}: ${machine.parts.length} parts ${machine.faults.length} faults ${p.bench.procedures.length} tests ${told.signatures} signatures; open ${(t1 - t0).toFixed(0)} ms, told ${(performance.now() - t1).toFixed(0)} ms`)
  for (const s of told.showings) if (!s.complaints.length || !s.seenBy) console.log('  ', s.fault.id, 'complaints:', s.complaints.map((k) => machine.sheet.complaints[k].id).join(' ') || 'NONE', 'seen by', s.seenBy?.id ?? 'NOTHING')
  for (const l of told.lookAlikes) console.log('   alike', (100 * l.share).toFixed(1) + '%', l.faults.map((f) => f.id).join(' '))
  const heard = machine.sheet.complaints.filter((_, k) => !told.showings.some((s) => s.complaints.includes(k)))
  if (heard.length) console.log('   complaints nobody causes:', heard.map((c) => c.id).join(' '))
  const sick = machine.sheet.complaints.filter((_, k) => p.complains(p.members[0], k))
  if (sick.length) console.log('   HEALTHY COMPLAINS:', sick.map((c) => c.id).join(' '))
}
