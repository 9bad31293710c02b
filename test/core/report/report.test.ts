import Papa from 'papaparse'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { findShipped } from '../../../cli/library'
import { createEngine, judgementOf, readEach, reportMachineOf } from '../../../core/advice'
import { parseMoney } from '../../../core/foundation/money'
import { orThrow } from '../../../core/foundation/result'
import { foldJob, upcast, writtenOf, type SequencedEvent, type WrittenEvent } from '../../../core/job'
import { readSheet } from '../../../core/model/sheet'
import { reportOf, toCsv, type ReportReader } from '../../../core/report'

interface Seeded {
  id: string
  events: (Omit<WrittenEvent, 'at' | 'seq'> & { minutesAgo: number })[]
}
const jobs = JSON.parse(readFileSync('server/database/seeds/demo-jobs.json', 'utf8')) as Seeded[]

/** A demo job that was closed, on its machine, with what is added to it. */
function told(reader: ReportReader, ...added: SequencedEvent['payload'][]) {
  const own = jobs.find((j) => j.events.some((e) => (e.payload as { type: string }).type === 'closed'))!
  const at = (minutes: number) => new Date(Date.parse('2026-11-30T12:00:00Z') - minutes * 60_000).toISOString()
  const events = own.events.map((e, i): SequencedEvent => ({
    ...upcast({ ...e, at: at(e.minutesAgo), seq: i + 1 }),
    seq: i + 1,
    by: 'Mara E.',
  }))
  added.forEach((payload, k) =>
    events.push({ ...events.at(-1)!, id: `01950000-0000-7000-8000-00000000000${k}`, seq: events.length + 1, payload }),
  )
  const { text, file } = findShipped('orrisk-tl40')!
  const engine = createEngine(orThrow(readSheet(text, file, findShipped)))
  const job = foldJob(events)
  const read = readEach(engine, writtenOf(job))
  const named = read.flatMap((r) => (r.evidence.type === 'reading' ? [r.event] : []))
  const judgement = judgementOf(engine, engine.advise(read.map((r) => r.evidence)), named)
  const unit = { title: 'Laundry left', customer: 'Harbour Lights Hostel', place: 'Laundry', serial: '=1+1' }
  return { job, report: reportOf(own.id, job, unit, reportMachineOf(engine), judgement, reader) }
}

describe('the report of a job', () => {
  it('tells everything that was entered, once, with what a good machine shows', () => {
    const { job, report } = told('customer')
    const readings = job.log.filter((l) => l.type === 'reading')
    expect(report.readings).toHaveLength(readings.length)
    expect(readings.length).toBeGreaterThan(3)
    for (const r of report.readings) expect(r.verdict, r.title).not.toBe('')
    expect(report.proven).toHaveLength(job.proven.length)
    expect(report.safety).toHaveLength(job.safetyLog.length)
    expect(report.safety.every((s) => s.text !== '')).toBe(true)
    expect(report.closed!.ending).not.toBe('')
    expect(report.price!.total).toBe(job.quote!.total)
    expect(report.runs).toHaveLength(1)
    // Nothing is called by its id.
    const ids = /\b[a-z]+-[a-z]+\.[a-z-]+\b/
    for (const text of [
      ...report.findings,
      ...report.readings.map((r) => r.title),
      ...report.proven.map((p) => p.text),
    ])
      expect(text).not.toMatch(ids)
  })

  it('leaves out of the customer’s copy what the own people noted for themselves', () => {
    const notes = [
      { type: 'note', text: 'Cheap screen again.' } as const,
      { type: 'note', text: 'Flush the line first.', to: 'customer' } as const,
    ]
    const texts = (reader: ReportReader) => JSON.stringify(told(reader, ...notes).report)
    expect(texts('own')).toContain('Cheap screen again.')
    expect(texts('customer')).not.toContain('Cheap screen again.')
    expect(texts('customer')).toContain('Flush the line first.')
  })

  it('as rows reads back with every field, whatever stands in it, and no spreadsheet takes a field for a formula', () => {
    const odd = 'He said "no", then\r\nleft; =2+2, ünïcode Ω'
    const { report } = told('own', { type: 'note', text: odd }, { type: 'note', text: '@cmd' })
    const { data, errors } = Papa.parse<string[]>(toCsv(report), { skipEmptyLines: true })
    expect(errors).toEqual([])
    const [head, ...rows] = data
    expect(rows.every((r) => r.length === head!.length)).toBe(true)
    expect(rows.filter((r) => r[0] === 'reading').map((r) => r[4])).toEqual(report.readings.map((r) => r.text))
    expect(rows.some((r) => r[3] === odd)).toBe(true)
    expect(rows.flat().filter((f) => /^[=+@\t]/.test(f))).toEqual([])
    expect(rows.some((r) => r[4] === "'=1+1")).toBe(true)
  })
})

describe('money as it is typed', () => {
  it('is read in minor units or not at all', () => {
    const read = (text: string, units = 100) => parseMoney(text, units)
    expect(['38', '38,5', '38.50', '€ 38.50', '38 EUR', '-3', '0'].map((t) => read(t))).toEqual([
      3800, 3850, 3850, 3850, 3800, -300, 0,
    ])
    expect(['', 'x', '1.234', '3..5', '1e3', '38.501', '3,5,1'].map((t) => read(t))).toEqual(Array(7).fill(undefined))
    expect(read('500', 1)).toBe(500)
    expect(read('5.5', 1)).toBeUndefined()
  })
})
