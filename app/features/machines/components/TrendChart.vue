<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { init, use, type EChartsType } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { useTemplateRef } from 'vue'
import { formatIn, type Dimension } from '../../../../core/foundation/quantity'
import { coloursOf, formatMoment, useChart } from '../../../ui'
import type { Trend } from '../use-past'

/** Everything ever read of one thing over the years: the published band shaded, what good ones of the shop have shown between two lines. */
const props = defineProps<{ trend: Trend; timeZone: string }>()
use([LineChart, GridComponent, MarkAreaComponent, MarkLineComponent, TooltipComponent, SVGRenderer])
const place = useTemplateRef<HTMLElement>('place')
const shown = (si: number) => formatIn(si, props.trend.dimension as Dimension, 'metric')
function draw(drawn: EChartsType): void {
  const [ink, line, water, soft] = coloursOf('ink', 'line', 'water', 'soft')
  const { readings, band, known } = props.trend
  const all = [...readings.map((r) => r.si), ...(band ? [band.least, band.most] : []), ...known]
  const [least, most] = [Math.min(...all), Math.max(...all)]
  const room = (most - least || Math.abs(most) || 1) * 0.1
  drawn.setOption(
    {
      animation: false,
      grid: { left: 80, right: 20, top: 16, bottom: 30 },
      tooltip: {
        trigger: 'item',
        formatter: ({ value }: { value: [string, number] }) =>
          `${formatMoment(value[0], props.timeZone, 'day')}: ${shown(value[1])}`,
      },
      xAxis: { type: 'time', axisLabel: { color: ink }, axisLine: { lineStyle: { color: ink } } },
      yAxis: {
        type: 'value',
        min: least - room,
        max: most + room,
        axisLabel: { color: ink, formatter: shown, showMinLabel: false, showMaxLabel: false },
        splitLine: { lineStyle: { color: line } },
      },
      series: [
        {
          type: 'line',
          data: readings.map((r) => [r.at, r.si]),
          symbolSize: 10,
          lineStyle: { color: ink, width: 1.5 },
          itemStyle: { color: ink },
          ...(band
            ? {
                markArea: {
                  silent: true,
                  itemStyle: { color: water, opacity: 0.18 },
                  data: [[{ yAxis: band.least }, { yAxis: band.most }]],
                },
              }
            : {}),
          ...(known.length
            ? {
                markLine: {
                  silent: true,
                  symbol: 'none',
                  label: { show: false },
                  lineStyle: { color: soft, type: 'dashed' },
                  data: [{ yAxis: Math.min(...known) }, { yAxis: Math.max(...known) }],
                },
              }
            : {}),
        },
      ],
    },
    true,
  )
}
useChart(place, (el) => init(el, undefined, { renderer: 'svg' }), draw, [() => props.trend])
</script>

<template>
  <div ref="place" class="chart" role="img" :aria-label="`${trend.title}, over the years`" />
</template>

<style scoped>
.chart {
  height: 14rem;
}
</style>
