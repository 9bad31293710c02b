<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import { DataZoomComponent, GridComponent, TooltipComponent } from 'echarts/components'
import { init, use, type EChartsType } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import { onBeforeUnmount, useTemplateRef, watch } from 'vue'
import { formatClock } from '../../../../core/words'
import { coloursOf, useChart } from '../../../ui'

/** A trace against time; the window that is chosen is drawn anew with all its peaks. */
const props = defineProps<{ points: readonly (readonly [number, number | null])[]; lasts: number; title: string }>()
const emit = defineEmits<{ span: [from: number, to: number] }>()
use([LineChart, GridComponent, TooltipComponent, DataZoomComponent, CanvasRenderer])
const place = useTemplateRef<HTMLElement>('place')
/** The window is told once a finger rests, ms. */
const RESTS = 120
let resting: ReturnType<typeof setTimeout> | undefined

function frame(drawn: EChartsType): void {
  const [ink, line, power] = coloursOf('ink', 'line', 'power')
  drawn.off('datazoom')
  drawn.setOption(
    {
      animation: false,
      textStyle: { fontFamily: getComputedStyle(document.body).fontFamily },
      grid: { left: 62, right: 16, top: 14, bottom: 74 },
      tooltip: {
        trigger: 'axis',
        valueFormatter: (x: unknown) => (typeof x === 'number' ? String(Number(x.toPrecision(6))) : '–'),
      },
      xAxis: {
        type: 'value',
        min: 0,
        max: props.lasts,
        axisLabel: { color: ink, formatter: formatClock, hideOverlap: true },
        splitLine: { lineStyle: { color: line } },
      },
      yAxis: { type: 'value', scale: true, axisLabel: { color: ink }, splitLine: { lineStyle: { color: line } } },
      dataZoom: [
        { type: 'slider', height: 30, bottom: 8, labelFormatter: formatClock, brushSelect: false, filterMode: 'none' },
        { type: 'inside', filterMode: 'none', zoomOnMouseWheel: 'ctrl' },
      ],
      series: [
        {
          id: 'trace',
          type: 'line',
          name: props.title,
          data: [],
          showSymbol: false,
          connectNulls: false,
          lineStyle: { color: power, width: 1.5 },
        },
      ],
    },
    { notMerge: true },
  )
  fill(drawn)
  drawn.on('datazoom', () => {
    clearTimeout(resting)
    resting = setTimeout(() => {
      const [zoom] = (drawn.getOption() as { dataZoom: { startValue: number; endValue: number }[] }).dataZoom
      if (zoom) emit('span', zoom.startValue, zoom.endValue)
    }, RESTS)
  })
}
const fill = (drawn: EChartsType | undefined) =>
  drawn?.setOption({ series: [{ id: 'trace', data: props.points as [number, number | null][] }] })
const canvas = (el: HTMLElement) => init(el, undefined, { renderer: 'canvas' })
const chart = useChart(place, canvas, frame, [() => props.lasts, () => props.title])
watch(
  () => props.points,
  () => fill(chart()),
)
onBeforeUnmount(() => clearTimeout(resting))
</script>

<template>
  <div ref="place" class="chart" role="img" :aria-label="`${title} over time`" />
</template>

<style scoped>
.chart {
  height: 22rem;
}
</style>
