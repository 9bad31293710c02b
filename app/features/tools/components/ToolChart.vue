<script setup lang="ts">
import { LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, TooltipComponent } from 'echarts/components'
import { init, use, type EChartsType } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue'
import { formatIn, type Dimension, type UnitSystem } from '../../../../core/foundation/quantity'
import type { ToolChart } from '../../../../core/measuring'
import { useLook } from '../../../ui'

/** What was measured and the line through it. */
const props = defineProps<{ chart: ToolChart; labels: Readonly<Record<string, string>>; system: UnitSystem }>()
use([LineChart, ScatterChart, GridComponent, TooltipComponent, SVGRenderer])
const place = useTemplateRef<HTMLElement>('place')
const { look } = useLook()
let drawn: EChartsType | undefined

function draw(): void {
  if (!place.value) return
  const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
  const [ink, line, water] = ['--ink', '--line', '--water'].map(colour)
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
  drawn ??= init(place.value, undefined, { renderer: 'svg' })
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
const fit = new ResizeObserver(() => drawn?.resize())
onMounted(() => {
  draw()
  fit.observe(place.value!)
})
watch([() => props.chart, () => props.system, look], draw)
onBeforeUnmount(() => {
  fit.disconnect()
  drawn?.dispose()
})
</script>

<template>
  <div ref="place" class="chart" role="img" :aria-label="`${labels[chart.y.id]} over ${labels[chart.x.id]}`" />
</template>

<style scoped>
.chart {
  height: 16rem;
}
</style>
