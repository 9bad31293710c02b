import type { CustomSeriesOption, LineSeriesOption } from 'echarts/charts'
import type { ComposeOption } from 'echarts/core'
import type { Curve, Span } from '../../../../../core/running'
import { formatClock } from '../../../../../core/words'

/** One stretch of one lane: as it should be, or as it was noticed. */
export interface Bar {
  row: number
  from: number
  to: number
  actual: boolean
  title: string
}

/** Height of a lane with its name, px. */
export const LANE_HEIGHT = 42
/** Room for the curves beneath, px. */
const CURVES = { gap: 48, height: 84 }

/** All bars of a picture, lane by lane: first what should be, beneath it what was noticed. */
export const barsOf = (expected: readonly (readonly Span[])[], noticed: readonly (readonly Span[])[]): Bar[] =>
  [expected, noticed].flatMap((lanes, actual) =>
    lanes.flatMap((spans, row) =>
      spans.map(({ from, to, title = '' }) => ({ row, from, to, actual: actual === 1, title })),
    ),
  )

/** The same as a chart takes them, each with what a finger on it is told. */
export const barData = (bars: readonly Bar[], titles: readonly string[]) =>
  bars.map((b) => ({
    value: [b.row, b.from, b.to, b.actual ? 1 : 0],
    name: `${b.title || titles[b.row]!}: ${formatClock(b.from)} to ${formatClock(b.to)}`,
  }))

/** The colours of the look that is on. */
export function inksOf(): Record<string, string> {
  const style = getComputedStyle(document.documentElement)
  const names = ['ink', 'soft', 'line', 'water', 'danger', 'card', 'shade']
  return Object.fromEntries(names.map((n) => [n, style.getPropertyValue(`--${n}`).trim()]))
}

interface Drawing {
  value(k: number): number
  coord(p: [number, number]): [number, number]
}

/** A bar: hollow where it is what should be, full beneath it where it was noticed. */
const drawBar = (inks: Record<string, string>) => (_: unknown, api: Drawing) => {
  const [row, from, to, actual] = [api.value(0), api.value(1), api.value(2), api.value(3)]
  const [x, y] = api.coord([from, row])
  const [end] = api.coord([to, row])
  return {
    type: 'rect',
    shape: { x, y: actual ? y + 5 : y - 4, width: Math.max(2, end - x), height: actual ? 9 : 7, r: 2 },
    style: actual ? { fill: inks.water } : { fill: inks.shade, stroke: inks.ink, lineWidth: 1 },
  }
}

/** The name of a lane above its bars, wherever the window of time is. */
const drawName =
  (titles: readonly string[], inks: Record<string, string>, font: string) =>
  ({ coordSys }: { coordSys: { x: number } }, api: Drawing) => ({
    type: 'text',
    style: {
      text: titles[api.value(1)],
      x: coordSys.x,
      y: api.coord([0, api.value(1)])[1] - 19,
      fill: inks.ink,
      font: `13px ${font}`,
      backgroundColor: inks.card,
      padding: [0, 3, 0, 0],
    },
  })

const curveOf = (c: Curve, axis: number, inks: Record<string, string>): LineSeriesOption => ({
  type: 'line',
  id: c.id,
  name: c.title,
  xAxisIndex: 1,
  yAxisIndex: 1 + axis,
  data: c.points as [number, number][],
  showSymbol: false,
  sampling: 'lttb',
  lineStyle:
    c.dimension === 'length'
      ? { width: 2, type: 'solid', color: inks.water }
      : { width: 2, type: 'dashed', color: inks.danger },
})

export interface LanePicture {
  titles: readonly string[]
  curves: readonly Curve[]
  /** Last second that is drawn. */
  last: number
  inks: Record<string, string>
}

/** What the chart of a run is, but for its bars and the line of now. */
export function optionsOf({
  titles,
  curves,
  last,
  inks,
}: LanePicture): ComposeOption<CustomSeriesOption | LineSeriesOption> {
  const font = getComputedStyle(document.body).fontFamily
  const time = {
    type: 'value',
    min: 0,
    max: last,
    axisLabel: { color: inks.ink, formatter: formatClock, hideOverlap: true },
    splitLine: { lineStyle: { color: inks.line } },
  }
  const height = titles.length * LANE_HEIGHT
  const grids = [{ left: 12, right: 14, top: 6, height }]
  if (curves.length) grids.push({ left: 12, right: 14, top: height + CURVES.gap, height: CURVES.height })
  return {
    animation: false,
    textStyle: { fontFamily: font },
    tooltip: { trigger: 'item', formatter: ({ name }: { name: string }) => name, confine: true },
    grid: grids,
    xAxis: grids.map((_, gridIndex) => ({ ...time, gridIndex })),
    yAxis: [
      { type: 'value', gridIndex: 0, inverse: true, min: -0.55, max: titles.length - 0.45, show: false },
      ...curves.map(() => ({ type: 'value', gridIndex: 1, show: false, scale: true })),
    ],
    dataZoom: [{ type: 'inside', xAxisIndex: grids.map((_, i) => i), filterMode: 'none', zoomOnMouseWheel: 'ctrl' }],
    series: [
      {
        type: 'custom',
        id: 'bars',
        clip: true,
        renderItem: drawBar(inks),
        encode: { x: [1, 2], y: 0 },
        data: [],
        markLine: { symbol: 'none', silent: true, data: [] },
      },
      {
        type: 'custom',
        id: 'names',
        silent: true,
        renderItem: drawName(titles, inks, font),
        data: titles.map((_, i) => ({ value: [0, i] })),
      },
      ...curves.map((c, i) => curveOf(c, i, inks)),
    ],
  } as ComposeOption<CustomSeriesOption | LineSeriesOption>
}
