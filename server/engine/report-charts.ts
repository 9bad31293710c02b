import { CustomChart, ScatterChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent } from 'echarts/components'
import { init, use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import type { Report } from '../../core/report'
import { formatClock } from '../../core/words'

use([CustomChart, ScatterChart, GridComponent, MarkAreaComponent, SVGRenderer])

const FONT = 'Roboto'
const INK = '#15211f'
const SOFT = '#52605b'
const SHADE = '#dfe6dd'
/** Height of a row and of what stands round the rows, points. */
const ROW = 16
const ROUND = 26
/** Beyond the band a reading is drawn at most so many of its widths away. */
const FURTHEST = 0.9

function drawn(width: number, rows: number, option: object): string {
  const chart = init(null, null, { renderer: 'svg', ssr: true, width, height: ROUND + ROW * rows })
  chart.setOption({ animation: false, textStyle: { fontFamily: FONT, color: INK }, ...option })
  const svg = chart.renderToSVGString()
  chart.dispose()
  return svg
}

const shortened = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1)}…` : text)

/** Names of rows on the left. */
const names = (list: readonly string[]) => ({
  type: 'category',
  data: list.map((t) => shortened(t, 46)),
  inverse: true,
  axisLine: { show: false },
  axisTick: { show: false },
  axisLabel: { fontSize: 8, color: INK, fontFamily: FONT },
})

/**
 * Readings against what a healthy machine shows: the band shaded, each reading where it lies in it or beside it.
 *
 * @returns SVG; `undefined` where nothing was read as a number
 */
export function readingsChart(readings: Report['readings'], width: number): string | undefined {
  const own = readings.filter((r) => r.band && r.band.high > r.band.low)
  if (!own.length) return undefined
  const place = ({ low, high, si }: NonNullable<Report['readings'][number]['band']>) =>
    Math.min(1 + FURTHEST, Math.max(-FURTHEST, (si - low) / (high - low)))
  return drawn(width, own.length, {
    grid: { left: 210, right: 60, top: 4, bottom: 20 },
    xAxis: {
      min: -1,
      max: 2,
      interval: 1,
      axisLabel: {
        fontSize: 8,
        color: SOFT,
        fontFamily: FONT,
        formatter: (x: number) => (x === 0 ? 'least' : x === 1 ? 'most' : ''),
      },
      splitLine: { show: false },
    },
    yAxis: names(own.map((r) => r.title)),
    series: [
      {
        type: 'scatter',
        symbolSize: 7,
        itemStyle: { color: INK },
        data: own.map((r, i) => ({
          value: [place(r.band!), i],
          symbol: r.fits === 'bad' ? 'diamond' : 'circle',
          label: { show: true, position: 'right', formatter: r.text, fontSize: 8, color: INK, fontFamily: FONT },
        })),
        markArea: { silent: true, itemStyle: { color: SHADE }, data: [[{ xAxis: 0 }, { xAxis: 1 }]] },
      },
    ],
  })
}

/** What was noted of a watched program against its clock. @returns SVG; `undefined` where nothing was */
export function runChart({ marks }: Report['runs'][number], width: number): string | undefined {
  const seen = marks.filter((m) => m.turn !== 'not')
  const lanes = [...new Set(seen.map((m) => m.lane))].slice(0, 14)
  if (!lanes.length) return undefined
  return drawn(width, lanes.length, {
    grid: { left: 210, right: 30, top: 4, bottom: 20 },
    xAxis: {
      type: 'value',
      axisLabel: { fontSize: 8, color: SOFT, fontFamily: FONT, formatter: (x: number) => formatClock(x) },
      splitLine: { lineStyle: { color: SHADE } },
    },
    yAxis: names(lanes),
    series: [
      {
        type: 'scatter',
        data: seen
          .filter((m) => lanes.includes(m.lane))
          .map((m) => ({
            value: [m.seconds, lanes.indexOf(m.lane)],
            symbol: m.turn === 'on' ? 'triangle' : 'rect',
            symbolSize: m.turn === 'on' ? 8 : 6,
            itemStyle: { color: m.turn === 'on' ? INK : SOFT },
          })),
      },
    ],
  })
}
