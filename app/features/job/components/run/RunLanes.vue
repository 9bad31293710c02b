<script setup lang="ts">
import { CustomChart, LineChart } from 'echarts/charts'
import { DataZoomComponent, GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { init, use, type EChartsType } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { formatQuantity } from '../../../../../core/foundation/quantity'
import { AWAY, markedPhases, markedSpans, type Course, type ExpectedRun } from '../../../../../core/running'
import { formatClock } from '../../../../../core/words'
import { useChart } from '../../../../ui'
import { barData, barsOf, inksOf, LANE_HEIGHT, optionsOf, type Bar } from './lane-options'

/** The program as it should go and as it goes, lane by lane against time. */
const props = defineProps<{ expected: ExpectedRun; course: Course; running: boolean; shown: boolean }>()
use([CustomChart, LineChart, GridComponent, TooltipComponent, DataZoomComponent, MarkLineComponent, CanvasRenderer])
const place = useTemplateRef<HTMLElement>('place')

/** Seconds that stand on the screen while a run goes on, before and after now. */
const BEHIND = 60
const AHEAD = 180
const near = ref(true)

const rows = computed(() => [{ id: 'phases', title: 'Phases' }, ...props.expected.lanes])
const gaps = computed(() => markedSpans(AWAY, props.course))
const bars = computed((): Bar[] => {
  const { expected, course, shown } = props
  return barsOf(
    [expected.phases.flatMap((p) => p.spans), ...expected.lanes.map((l) => l.spans)],
    shown ? [markedPhases(expected, course), ...expected.lanes.map((l) => markedSpans(l.id, course))] : [],
  )
})
const height = computed(() => rows.value.length * LANE_HEIGHT + 30)
const curveHeight = computed(() => (props.expected.curves.length ? 130 : 0))
const last = computed(() => Math.max(props.expected.lasts, props.shown ? props.course.now : 0))

function draw(drawn: EChartsType): void {
  const picture = {
    titles: rows.value.map((r) => r.title),
    curves: props.expected.curves,
    last: last.value,
    inks: inksOf(),
  }
  drawn.setOption(optionsOf(picture), { notMerge: true })
  follow(drawn)
}

/** Moves the line of now, what still goes on, and the window with it. */
function follow(drawn: EChartsType | undefined): void {
  if (!drawn) return
  const { now } = props.course
  const inks = inksOf()
  const upright = (at: number, color: string, type: 'solid' | 'dashed') => ({
    xAxis: at,
    lineStyle: { color, width: 2, type },
    label: { show: false },
  })
  const edges = gaps.value.flatMap((g) => [upright(g.from, inks.soft!, 'dashed'), upright(g.to, inks.soft!, 'dashed')])
  const lines = props.shown ? [upright(now, inks.danger!, 'solid'), ...edges] : []
  const titles = rows.value.map((r) => r.title)
  drawn.setOption({ series: [{ id: 'bars', data: barData(bars.value, titles), markLine: { data: lines } }] })
  const [from, to] =
    props.running && near.value ? [Math.max(0, now - BEHIND), Math.max(now, BEHIND) + AHEAD] : [0, last.value]
  drawn.dispatchAction({ type: 'dataZoom', startValue: from, endValue: Math.min(to, last.value) })
}
const canvas = (el: HTMLElement) => init(el, undefined, { renderer: 'canvas' })
const chart = useChart(place, canvas, draw, [() => props.expected, () => props.shown, last])
watch([() => props.course.now, () => props.course.marks, near], () => follow(chart()))
/** The same for whoever does not see it. */
const told = computed(() => {
  const { phases } = props.expected
  return `Program ${props.expected.title}: ${phases.map((p) => `${p.title} from ${formatClock(p.spans[0]!.from)}`).join(', ')}.`
})
const ends = computed(() =>
  props.expected.curves.map((c) => {
    const values = c.points.map((p) => p[1])
    return {
      ...c,
      span: `${formatQuantity(Math.min(...values), c.dimension)} to ${formatQuantity(Math.max(...values), c.dimension)}`,
    }
  }),
)
</script>

<template>
  <div class="lanes">
    <div class="row head small">
      <span><span class="key hollow" /> as it should go <span class="key full" /> as it was noticed</span>
      <button v-if="running" type="button" class="chip push" :aria-pressed="!near" @click="near = !near">
        Whole program
      </button>
    </div>
    <div class="scroll" tabindex="0" role="group" aria-label="Lanes of the run">
      <div ref="place" role="img" :aria-label="told" :style="{ height: `${height + curveHeight}px` }" />
    </div>
    <ul v-if="ends.length" class="small soft curves">
      <li v-for="c in ends" :key="c.id">
        <span class="key" :class="c.dimension === 'length' ? 'water' : 'warm'" /> {{ c.title }}: {{ c.span }}
      </li>
    </ul>
    <p v-if="gaps.length" class="small" role="note">
      The screen was off {{ gaps.map((g) => `from ${formatClock(g.from)} to ${formatClock(g.to)}`).join(', ') }}: timed
      by stamps, nothing spoken and nothing listened to meanwhile.
    </p>
  </div>
</template>

<style scoped>
.lanes {
  display: grid;
  gap: 0.3rem;
}
.head {
  min-height: 32px;
}
.scroll {
  overflow-x: auto;
}
.key {
  display: inline-block;
  width: 1.6rem;
  height: 0.6rem;
  border-radius: 2px;
  vertical-align: middle;
  margin-left: 0.4rem;
}
.hollow {
  border: 1px solid var(--ink);
  background: var(--shade);
}
.full {
  background: var(--water);
}
.water {
  height: 0;
  border-top: 3px solid var(--water);
}
.warm {
  height: 0;
  border-top: 3px dashed var(--danger);
}
.curves {
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
