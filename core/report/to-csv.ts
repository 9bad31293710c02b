import { csvOf } from '../foundation/csv'
import type { Report } from './contract'

/**
 * A report as rows: part of the report, when, by whom, what, and what belongs to it. RFC 4180, CRLF, with a head line.
 */
export function toCsv(report: Report): string {
  const rows: (string | number)[][] = [['part', 'at', 'by', 'what', 'value', 'verdict', 'meter']]
  const { unit, opened, closed, said, price } = report
  rows.push(['machine', '', '', unit.title, unit.serial ?? '', unit.customer, unit.place])
  rows.push(['call', opened.at, opened.by, said.complaints.join('; '), said.words])
  for (const f of report.findings) rows.push(['finding', '', '', f])
  for (const r of report.readings) rows.push(['reading', r.at, r.by, r.title, r.text, r.verdict, r.meter])
  rows.push(['cause', '', '', report.cause])
  for (const [part, lines] of [
    ['done', report.done],
    ['new part', report.newPart],
    ['condemned', report.condemned],
    ['proven', report.proven],
    ['bypass', report.bypasses],
    ['safety', report.safety],
    ['remark', report.remarks],
  ] as const)
    for (const l of lines) rows.push([part, l.at, l.by, l.text])
  for (const p of report.parts) rows.push(['part', '', '', p.title, p.number, p.from, p.count])
  for (const l of price?.lines ?? []) rows.push(['price', '', '', l.text, l.minor, price!.currency])
  for (const c of report.care) rows.push(['care', '', '', c])
  if (report.followUp) rows.push(['follow-up', report.followUp.on, '', report.followUp.why])
  if (closed) rows.push(['closed', closed.at, closed.by, closed.ending, closed.text])
  const width = rows[0].length
  return csvOf(rows.map((r) => [...r, ...Array<string>(Math.max(0, width - r.length)).fill('')]))
}
