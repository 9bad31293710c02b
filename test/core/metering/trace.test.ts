import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  onIntervals,
  summarise,
  traceForm,
  TraceBuilder,
  withPeaks,
  writeTrace,
  type Trace,
} from '../../../core/metering'
import { describeTraceProblem } from '../../../core/words'

/** A file read as the page reads it, cells split by the separator that was found. */
function read(text: string) {
  const form = traceForm(text)
  if (!form) return { code: 'no-numbers' as const }
  const builder = new TraceBuilder(form)
  const rows = text.split(/\r?\n/).map((l) => l.split(form.delimiter))
  return builder.push(rows) ?? builder.trace()
}
const traceOf = (text: string): Trace => {
  const trace = read(text)
  if ('code' in trace) throw new Error(trace.code)
  return trace
}
const rows = (n: number, row: (i: number) => string) => Array.from({ length: n }, (_, i) => row(i)).join('\n') + '\n'

describe('how a trace is written is found out', () => {
  const value = (i: number) => 118 + (i % 5) / 10
  it.each([
    ['commas and points, titles', `Time (s),Volts\n${rows(9, (i) => `${i * 0.5},${value(i)}`)}`, 0.5],
    [
      'semicolons and decimal commas',
      `t;U\n${rows(9, (i) => `${String(i * 0.5).replace('.', ',')};${String(value(i)).replace('.', ',')}`)}`,
      0.5,
    ],
    [
      'tabs, what a logger says of itself, CRLF',
      `Logger 7\nmade: today\n\nsec\tV\n${rows(9, (i) => `${i}\t${value(i)}`)}`.replaceAll('\n', '\r\n'),
      1,
    ],
    ['a time of day', rows(9, (i) => `12:59:5${i},${value(i)}`), 1],
    ['past midnight', rows(9, (i) => `${i < 5 ? `23:59:5${i + 5}` : `00:00:0${i - 5}`},${value(i)}`), 1],
    ['dates', rows(9, (i) => `2026-03-01 10:00:0${i}.500,${value(i)}`), 1],
  ])('%s', (_, text, step) => {
    const { seconds, columns } = traceOf(text)
    expect(columns).toHaveLength(1)
    expect([...seconds]).toEqual(Array.from({ length: 9 }, (_, i) => i * step))
    expect([...columns[0]!.values]).toEqual(Array.from({ length: 9 }, (_, i) => value(i)))
  })
  it('one column alone is counted by its rows; beyond the range and nothing read are kept as such', () => {
    const { seconds, columns } = traceOf('118.2\nOL\n118.4\n9.9E37\n118.1\n')
    expect([...seconds]).toEqual([0, 1, 2, 3, 4])
    expect([...columns[0]!.values]).toEqual([118.2, Infinity, 118.4, Infinity, 118.1])
    expect([...traceOf('0;1,5;\n1;1,6;2,0\n2;1,7;\n').columns[1]!.values]).toEqual([NaN, 2, NaN])
  })
})

describe('what is no trace', () => {
  it('is said with its row, and nothing of it is taken', () => {
    expect(read('Dear Mara,\nthe valve is done.\n')).toEqual({ code: 'no-numbers' })
    expect(traceForm('')).toBeUndefined()
    // The first rows tell how it is written; what breaks comes long after.
    const good = rows(200, (i) => `${i},${i % 3}`)
    expect(read(`${good}200,what\n201,1\n`)).toMatchObject({ code: 'broken-row', row: 201, found: 'what' })
    expect(read(`${good}200,1,5\n`)).toMatchObject({ code: 'broken-row', row: 201 })
    expect(read(`${good}17,1\n`)).toMatchObject({ code: 'time-back', row: 201, found: '17' })
    expect(describeTraceProblem({ code: 'broken-row', row: 201, found: 'what' })).toBe(
      'Row 201: “what” does not fit the rows before it. Nothing of the file was taken.',
    )
  })
  it('any text is either a trace of finite times or refused', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.constantFrom('1', '2.5', '3,1', 'x', '', 'OL', '12:00:01'), { maxLength: 4 }), {
          maxLength: 12,
        }),
        (cells) => {
          const trace = read(cells.map((r) => r.join(';')).join('\n'))
          if ('code' in trace) return
          expect([...trace.seconds].every(Number.isFinite)).toBe(true)
          for (const c of trace.columns) expect(c.values).toHaveLength(trace.seconds.length)
        },
      ),
    )
  })
})

describe('looking at a trace', () => {
  const long = (n: number, value: (i: number) => number) => ({
    seconds: Float64Array.from({ length: n }, (_, i) => i * 0.1),
    values: Float64Array.from({ length: n }, (_, i) => value(i)),
  })
  it('drawn with few steps it loses no peak and no gap, and stays in order', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 19_999 }),
        fc.integer({ min: 0, max: 19_999 }),
        fc.integer({ min: 20, max: 400 }),
        (up, gap, steps) => {
          fc.pre(up !== gap)
          const { seconds, values } = long(20_000, (i) => (i === up ? 999 : i === gap ? NaN : Math.sin(i / 50)))
          const points = withPeaks(seconds, values, 0, 2000, steps)
          expect(points.length).toBeLessThanOrEqual(5 * steps)
          expect(points.some((p) => p[1] === 999)).toBe(true)
          expect(points.some((p) => p[1] === null)).toBe(true)
          for (let i = 1; i < points.length; i++) expect(points[i]![0]).toBeGreaterThanOrEqual(points[i - 1]![0])
        },
      ),
      { numRuns: 30 },
    )
  })
  it('finds when something was on, whatever the noise and a spike', () => {
    const spans = [
      [50, 120],
      [300, 340],
    ] as const
    const { seconds, values } = long(5000, (i) => {
      const t = i * 0.1
      const on = spans.some(([from, to]) => t >= from && t < to)
      return (on ? 118 : 1) + 4 * Math.sin(i * 1.7) + (i === 2500 ? 900 : 0)
    })
    const found = onIntervals(seconds, values).filter((s) => s.to - s.from > 1)
    expect(found.map((s) => [Math.round(s.from), Math.round(s.to)])).toEqual(spans.map((s) => [...s]))
    for (const s of found) expect(s.mean).toBeCloseTo(118, 0)
    const steady = long(100, (i) => 230 + (i % 2))
    expect(onIntervals(steady.seconds, steady.values)).toEqual([])
  })
  it('a stretch comes to its least, most and mean; beyond the range is counted by itself', () => {
    const { seconds, values } = long(100, (i) => (i === 40 ? Infinity : i))
    expect(summarise(seconds, values, 2, 5)).toEqual({
      count: 30,
      least: 20,
      most: 50,
      mean: (1085 - 40) / 30,
      over: 1,
    })
    expect(summarise(seconds, values, 500, 900)).toBeUndefined()
  })
})

describe('a trace that is written', () => {
  it('is read again as it was, with what was not read and what was over range', () => {
    const reading = fc.oneof(
      { weight: 8, arbitrary: fc.double({ min: -750, max: 750, noNaN: true }) },
      fc.constantFrom(NaN, Infinity),
    )
    fc.assert(
      fc.property(fc.array(reading, { minLength: 3, maxLength: 80 }), (values) => {
        fc.pre(values.some((v) => Number.isFinite(v)))
        const seconds = Float64Array.from(values, (_, i) => i * 0.125)
        const written = writeTrace({
          seconds,
          columns: [{ name: 'Volts, alternating (V)', values: Float64Array.from(values) }],
        })
        const back = traceOf(written)
        expect(back.columns.map((c) => c.name)).toEqual(['Volts alternating (V)'])
        expect([...back.seconds]).toEqual([...seconds])
        back.columns[0]!.values.forEach((v, i) => {
          const was = values[i]!
          if (!Number.isFinite(was)) expect(v).toEqual(was)
          else expect(Math.abs(v - was)).toBeLessThanOrEqual(1e-6 * Math.abs(was))
        })
      }),
    )
  })
})
