<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, TooltipComponent } from 'echarts/components'
import { init, use, type EChartsType } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import { useTemplateRef } from 'vue'
import { formatClock } from '../../../../core/words'
import { coloursOf, useChart } from '../../../ui'

/** What a meter shows against time, with the stretches in which a good machine calls. */
const props = defineProps<{
  points: readonly (readonly [number, number | null])[]
  calls: readonly { from: number; to: number }[]
  from: number
  to: number
  /** What a call of a good machine comes to: less never fills the picture. */
  high: number
  title: string
  unit: string
}>()
use([LineChart, GridComponent, TooltipComponent, MarkAreaComponent, CanvasRenderer])
const place = useTemplateRef<HTMLElement>('place')

function draw(drawn: EChartsType): void {
  const [ink, line, power, shade] = coloursOf('ink', 'line', 'power', 'shade')
  drawn.setOption(
    {
      animation: false,
      textStyle: { fontFamily: getComputedStyle(document.body).fontFamily },
      grid: { left: 56, right: 12, top: 22, bottom: 26 },
      tooltip: {
        trigger: 'axis',
        valueFormatter: (x: unknown) =>
          typeof x === 'number' ? `${Number(x.toPrecision(4))} ${props.unit}` : 'beyond its range',
      },
      xAxis: {
        type: 'value',
        min: props.from,
        max: props.to,
        axisLabel: { color: ink, formatter: formatClock, hideOverlap: true },
        splitLine: { show: false },
      },
      yAxis: {
        type: 'value',
        max: ({ max }: { max: number }) => Math.ceil(Math.max(max, props.high) * 1.05),
        name: props.unit,
        nameTextStyle: { color: ink },
        axisLabel: { color: ink },
        splitLine: { lineStyle: { color: line } },
      },
      series: [
        {
          type: 'line',
          name: props.title,
          data: props.points as [number, number | null][],
          showSymbol: false,
          connectNulls: false,
          lineStyle: { color: power, width: 2 },
          markArea: {
            silent: true,
            itemStyle: { color: shade, borderColor: line, borderWidth: 1 },
            data: props.calls.map((c) => [{ xAxis: c.from }, { xAxis: c.to }]),
          },
        },
      ],
    },
    { notMerge: true },
  )
}
const canvas = (el: HTMLElement) => init(el, undefined, { renderer: 'canvas' })
useChart(place, canvas, draw, [() => props.points, () => props.calls, () => props.to])
</script>

<template>
  <div ref="place" class="chart" role="img" :aria-label="`${title} over time`" />
</template>

<style scoped>
.chart {
  height: 11rem;
}
</style>
