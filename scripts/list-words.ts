/**
 * Everything that the product would say of the shipped sheets, to be read by people:
 *
 *     npm run words [-- SHEET...]
 */
import { findShipped, shippedIds } from '../cli/library'
import { createEngine } from '../core/advice'
import { orThrow } from '../core/foundation/result'
import { readSheet } from '../core/model/sheet'
import { describeCautions } from '../core/words'

const wanted = process.argv.slice(2)
for (const id of wanted.length ? wanted : shippedIds()) {
  const { text, file } = findShipped(id)!
  const engine = createEngine(orThrow(readSheet(text, file, findShipped)))
  const { sheet } = engine.machine
  const out: string[] = [`# ${sheet.title}`]
  for (const p of engine.predictor.catalogue.procedures)
    out.push(
      `- ${p.id} · ${p.workMode} · ${engine.titleOf(p)}`,
      `    ${engine.howTo(p)}`,
      ...describeCautions(engine.machine, p).map((c) => `    ! ${c}`),
    )
  for (const s of engine.catalogue.strips)
    out.push(`- in one go · ${engine.titleOfStrip(s)} · ${s.rows.map((row) => row.id).join(', ')}`)
  for (const c of sheet.complaints) out.push(`- complaint ${c.id} · ${c.words}`)
  for (const f of engine.machine.faults) out.push(`- fault ${f.id} · ${f.title}`)
  for (const r of sheet.repairs) out.push(`- repair ${r.id} · ${r.title}`)
  process.stdout.write(`${out.join('\n')}\n\n`)
}
