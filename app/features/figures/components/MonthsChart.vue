<script setup lang="ts">
import { BarChart, LineChart } from 'echarts/charts'
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components'
import { init, use, type EChartsType } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { computed, useTemplateRef } from 'vue'
import type { ShopFigures } from '../../../../shared/contracts/figures'
import { coloursOf, useChart } from '../../../ui'

/** Month by month: what was put right at once, what came back, and how long the way to the cause was against what was expected. */
const props = defineProps<{ months: ShopFigures['months'] }>()
use([BarChart, LineChart, GridComponent, LegendComponent, TooltipComponent, SVGRenderer])
const place = useTemplateRef<HTMLElement>('place')
const labels = computed(() =>
  props.months.map((m) =>
    new Date(`${m.month}-15T12:00:00Z`).toLocaleDateString('en-GB', {
      month: 'short',
      year: '2-digit',
      timeZone: 'UTC',
    }),
  ),
)
function draw(drawn: EChartsType): void {
  const [ink, line, water, soft] = coloursOf('ink', 'line', 'water', 'soft')
  const axis = { axisLabel: { color: ink }, axisLine: { lineStyle: { color: ink } } }
  const bar = { type: 'bar' as const, stack: 'jobs', barMaxWidth: 26 }
  drawn.setOption(
    {
      animation: false,
      grid: { left: 48, right: 52, top: 42, bottom: 30 },
      legend: { top: 0, textStyle: { color: ink } },
      tooltip: { trigger: 'axis' },
      xAxis: { type: 'category', data: labels.value, ...axis },
      yAxis: [
        {
          type: 'value',
          name: 'jobs',
          minInterval: 1,
          ...axis,
          nameTextStyle: { color: ink },
          splitLine: { lineStyle: { color: line } },
        },
        { type: 'value', name: 'min', ...axis, nameTextStyle: { color: ink }, splitLine: { show: false } },
      ],
      series: [
        {
          ...bar,
          name: 'right on the first visit',
          data: props.months.map((m) => m.firstVisit),
          itemStyle: { color: water },
        },
        {
          ...bar,
          name: 'other closed jobs',
          data: props.months.map((m) => m.jobs - m.firstVisit),
          itemStyle: { color: 'transparent', borderColor: water, borderWidth: 1.5 },
        },
        {
          type: 'line',
          yAxisIndex: 1,
          name: 'minutes to the cause',
          data: props.months.map((m) => Math.round(m.minutes)),
          lineStyle: { color: ink },
          itemStyle: { color: ink },
        },
        {
          type: 'line',
          yAxisIndex: 1,
          name: 'minutes expected',
          data: props.months.map((m) => (m.expected === null ? null : Math.round(m.expected))),
          lineStyle: { color: soft, type: 'dashed' },
          itemStyle: { color: soft },
        },
      ],
    },
    true,
  )
}
useChart(place, (el) => init(el, undefined, { renderer: 'svg' }), draw, [() => props.months])
</script>

<template>
  <div
    ref="place"
    class="chart"
    role="img"
    aria-label="Closed jobs and minutes, month by month; the same stands in the table"
  />
</template>

<style scoped>
.chart {
  height: 18rem;
}
</style>
