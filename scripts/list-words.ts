/**
 * Everything that the product would say of the shipped sheets, to be read by people:
 *
 *     npm run words [-- SHEET...]
 */
import { findShipped, shippedIds } from '../cli/library'
import { createEngine, repairGuideOf } from '../core/advice'
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
  for (const [k, r] of sheet.repairs.entries()) {
    const guide = repairGuideOf(engine.machine, k)
    out.push(
      `- repair ${r.id} · ${r.title}`,
      ...guide.access.map((a) => `    ${a}`),
      ...guide.steps.flatMap(({ text, caution }, n) => [
        `    ${n + 1}. ${text}`,
        ...(caution ? [`      ! ${caution}`] : []),
      ]),
      ...guide.lookAt.map((l) => `    while it is open: ${l}`),
      ...guide.bench.map((b) => `    bench: ${b}`),
      ...[guide.proved && `    proved first: ${guide.proved}`, r.caution && `    ! ${r.caution}`]
        .filter(Boolean)
        .map(String),
    )
  }
  out.push(...sheet.asFound.map((a) => `- as found · ${a}`))
  out.push(...sheet.settings.map((x) => `- setting · ${x.title}: ${x.found}`))
  out.push(...sheet.care.map((c) => `- care · ${c.every}: ${c.text}. ${c.why}`))
  process.stdout.write(`${out.join('\n')}\n\n`)
}
