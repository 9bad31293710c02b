import { sheetOf, presentIn } from './test/core/sheets'
import { findShipped } from './cli/library'
import { openBench } from './core/explain'
const p = openBench(sheetOf(findShipped('brindlow-s12')!.text))
const q = p.bench.procedures.find((x) => x.id === 'cutoff.ohms')!
const { machine } = p.bench
for (const f of [undefined, 'cutoff.stuck-open']) { const m = p.trial(f ? [presentIn(machine, f)] : []); const r = p.predict(m, q); console.log(f, r.is, r.is==='value'?r.mean:'', p.timeline(m, q.run).snapshots[q.moment]!.signal(machine.partIndex.get('boiler-tank')!, 'level')) }
