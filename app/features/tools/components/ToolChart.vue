<script setup lang="ts">
import { LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, TooltipComponent } from 'echarts/components'
import { init, use, type EChartsType } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { useTemplateRef } from 'vue'
import { formatIn, type Dimension, type UnitSystem } from '../../../../core/foundation/quantity'
import type { ToolChart } from '../../../../core/measuring'
import { coloursOf, useChart } from '../../../ui'

/** What was measured and the line through it. */
const props = defineProps<{ chart: ToolChart; labels: Readonly<Record<string, string>>; system: UnitSystem }>()
use([LineChart, ScatterChart, GridComponent, TooltipComponent, SVGRenderer])
const place = useTemplateRef<HTMLElement>('place')

function draw(drawn: EChartsType): void {
  const [ink, line, water] = coloursOf('ink', 'line', 'water')
  const axis = (of: { id: string; dimension: Dimension }) => ({
    type: 'value' as const,
    name: props.labels[of.id] ?? '',
    nameLocation: 'middle' as const,
    nameGap: 26,
    scale: true,
    nameTextStyle: { color: ink },
    axisLabel: { color: ink, formatter: (x: number) => formatIn(x, of.dimension, props.system) },
    axisLine: { lineStyle: { color: ink } },
    splitLine: { lineStyle: { color: line } },
  })
  drawn.setOption({
    animation: false,
    grid: { left: 70, right: 20, top: 16, bottom: 46 },
    tooltip: {
      trigger: 'item',
      formatter: ({ value }: { value: [number, number] }) =>
        `${formatIn(value[0], props.chart.x.dimension, props.system)}, ${formatIn(value[1], props.chart.y.dimension, props.system)}`,
    },
    xAxis: axis(props.chart.x),
    yAxis: { ...axis(props.chart.y), nameGap: 52 },
    series: [
      { type: 'line', data: props.chart.line, showSymbol: false, lineStyle: { color: water, width: 2 } },
      { type: 'scatter', data: props.chart.points, symbolSize: 10, itemStyle: { color: ink } },
    ],
  })
}
useChart(place, (el) => init(el, undefined, { renderer: 'svg' }), draw, [() => props.chart, () => props.system])
</script>

<template>
  <div ref="place" class="chart" role="img" :aria-label="`${labels[chart.y.id]} over ${labels[chart.x.id]}`" />
</template>

<style scoped>
.chart {
  height: 16rem;
}
</style>
