import { expose } from 'comlink'
import Papa from 'papaparse'
import {
  onIntervals,
  summarise,
  traceForm,
  TraceBuilder,
  withPeaks,
  type Trace,
  type TraceProblem,
} from '../../../core/metering'
import type { TraceApi } from './trace-protocol'

/** A larger file is none that a phone holds, bytes. */
const LARGEST = 250e6
/** So much of its beginning tells how it is written, bytes; and so much is parsed at once. */
const BEGINNING = 16_384
const AT_ONCE = 4e6

let trace: Trace | undefined

/** Reads a file from end to end in pieces; what breaks ends it. */
const parse = (file: File, builder: TraceBuilder, delimiter: string): Promise<TraceProblem | undefined> =>
  new Promise((done, fail) => {
    let wrong: TraceProblem | undefined
    Papa.parse<string[]>(file, {
      delimiter,
      chunkSize: AT_ONCE,
      chunk({ data }, parser) {
        wrong = builder.push(data)
        if (wrong) parser.abort()
      },
      complete: () => done(wrong),
      error: fail,
    })
  })

const api: TraceApi = {
  async open(file) {
    trace = undefined
    if (file.size === 0) return { problem: { code: 'empty' } }
    if (file.size > LARGEST) return { problem: { code: 'too-large', found: `${Math.round(file.size / 1e6)} MB` } }
    const form = traceForm(await file.slice(0, BEGINNING).text())
    if (!form) return { problem: { code: 'no-numbers' } }
    const builder = new TraceBuilder(form)
    const problem = await parse(file, builder, form.delimiter)
    if (problem) return { problem }
    const made = builder.trace()
    if ('code' in made) return { problem: made }
    trace = made
    const columns = made.columns.map((c) => c.name)
    return { opened: { rows: made.seconds.length, lasts: made.seconds.at(-1)!, columns, timeIs: form.timeIs } }
  },
  picture(column, from, to, steps) {
    const values = trace?.columns[column]?.values
    return trace && values ? withPeaks(trace.seconds, values, from, to, steps) : []
  },
  summary(column, from, to) {
    const values = trace?.columns[column]?.values
    return trace && values ? summarise(trace.seconds, values, from, to) : undefined
  },
  intervals(column) {
    const values = trace?.columns[column]?.values
    return trace && values ? onIntervals(trace.seconds, values) : []
  },
}
expose(api)
