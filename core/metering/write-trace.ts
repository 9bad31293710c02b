import type { Trace } from './contract'

/** Digits of a value: no meter shows more. */
const DIGITS = 7

/** A trace as rows of seconds and values that every program of tables reads; what was not read is empty, beyond the range is `OL`. */
export function writeTrace({ seconds, columns }: Trace): string {
  const cell = (x: number) => (Number.isNaN(x) ? '' : Number.isFinite(x) ? String(Number(x.toPrecision(DIGITS))) : 'OL')
  const title = (name: string) => name.replace(/[",;\s]+/g, ' ').trim()
  const head = ['Seconds', ...columns.map((c) => title(c.name))].join(',')
  const rows = Array.from(seconds, (s, i) => [s.toFixed(3), ...columns.map((c) => cell(c.values[i]!))].join(','))
  return [head, ...rows, ''].join('\r\n')
}
