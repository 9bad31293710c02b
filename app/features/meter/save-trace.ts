import type { Trace } from '../../../core/metering'

/** A trace as rows of seconds and values; what was not read is empty, beyond the range is `OL`. */
export function asCsv({ seconds, columns }: Trace, title: string, unit: string): string {
  const { values } = columns[0]!
  const cell = (x: number) => (Number.isNaN(x) ? '' : Number.isFinite(x) ? String(Number(x.toPrecision(7))) : 'OL')
  const rows = Array.from(seconds, (s, i) => `${s.toFixed(3)},${cell(values[i]!)}`)
  return [`Seconds,"${title}, ${unit}"`, ...rows, ''].join('\r\n')
}

/** Gives the person a file. */
export function save(name: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type: 'text/csv' }))
  const link = document.createElement('a')
  link.href = url
  link.download = name.replace(/[\\/:*?"<>|]+/g, ' ')
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 1000)
}
