<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import type { Ladder, LadderCircuit } from '../../../../../core/diagram'
import type { MachineFacts } from '../../../../engine'
import { useOneStop } from '../../../../ui'
import { nearestTowards } from '../../nearest-towards'

/** The wiring as a ladder for each circuit: a tap on two points says where the tips go. One stop of the keyboard. */
const props = defineProps<{
  ladder: Ladder
  parts: MachineFacts['parts']
  /** Points that carry a tip, `part.terminal`. */
  first: string | undefined
  second: string | undefined
}>()
const emit = defineEmits<{ pick: [point: string] }>()
const canvas = useTemplateRef<HTMLElement>('canvas')

const COLUMN = 196
const ROW = 92
const EDGE = 34
/** From a line down to the point of a probe, and from there to the box. */
const POINT = 24
const BOX = 48
const HEAD = 34

interface Placed {
  x: number
  y: number
}
interface PointAt extends Placed {
  id: string
  name: string
  label: string
}
const x = (column: number) => EDGE + column * COLUMN
const idOf = (part: number, terminal: string) => `${props.parts[part]!.id}.${terminal}`
const point = (part: number, terminal: string, at: Placed): PointAt => ({
  ...at,
  id: idOf(part, terminal),
  name: [terminal, props.parts[part]!.colours[terminal]].filter(Boolean).join(' '),
  label: `${props.parts[part]!.title}, terminal ${terminal}`,
})

function drawn(c: LadderCircuit, top: number) {
  const y = (row: number) => top + HEAD + ROW * (row + 0.5)
  const boxes = c.rungs.map((r) => ({
    title: props.parts[r.part]!.title,
    x: x(r.column) + BOX,
    y: y(r.row) - ROW / 2 + 8,
    width: COLUMN - 2 * BOX,
    height: ROW - 16,
  }))
  const points = c.rungs.flatMap((r) => [
    point(r.part, r.left, { x: x(r.column) + POINT, y: y(r.row) }),
    point(r.part, r.right, { x: x(r.column + 1) - POINT, y: y(r.row) }),
  ])
  const wires = c.rungs.flatMap((r) => [
    `M${x(r.column)} ${y(r.row)}H${x(r.column) + BOX}`,
    `M${x(r.column + 1) - BOX} ${y(r.row)}H${x(r.to)}`,
  ])
  const nets = c.nets.map((n) => {
    const rail = n.column === 0 || n.column === c.columns
    return {
      rail,
      d: `M${x(n.column)} ${rail ? top + HEAD - 6 : y(n.fromRow)}V${rail ? y(c.rows - 1) + ROW / 2 - 8 : y(n.toRow)}`,
    }
  })
  const joins = c.rungs.flatMap((r) => [
    { x: x(r.column), y: y(r.row) },
    { x: x(r.to), y: y(r.row) },
  ])
  const rails = [
    point(c.source, c.feed, { x: x(0), y: top + HEAD - 12 }),
    point(c.source, c.return, { x: x(c.columns), y: top + HEAD - 12 }),
  ]
  return {
    title: props.parts[c.source]!.title,
    top,
    boxes,
    wires,
    nets,
    joins,
    points: [...rails, ...points],
    height: HEAD + ROW * c.rows + 18,
    width: x(c.columns) + EDGE,
  }
}
const circuits = computed(() => {
  let top = 0
  return props.ladder.circuits.map((c) => {
    const own = drawn(c, top)
    top += own.height
    return own
  })
})
const width = computed(() => Math.max(0, ...circuits.value.map((c) => c.width)))
const height = computed(() => circuits.value.reduce((sum, c) => sum + c.height, 0))
const points = computed(() => circuits.value.flatMap((c) => c.points))

const { stop, go } = useOneStop(
  canvas,
  () => props.first ?? points.value[0]?.id,
  (from, key) => {
    const at = points.value.find((p) => p.id === from)
    return at && nearestTowards(points.value, at, key)?.id
  },
)
const tipOf = (id: string) => (id === props.first ? '1' : id === props.second ? '2' : '')
</script>

<template>
  <div class="room" tabindex="-1">
    <div ref="canvas" class="canvas" :style="{ width: `${width}px`, height: `${height}px` }" @keydown="go">
      <svg :width="width" :height="height" aria-hidden="true">
        <template v-for="c in circuits" :key="c.top">
          <path v-for="(d, i) in c.wires" :key="`w${i}`" :d="d" class="wire" />
          <path v-for="(n, i) in c.nets" :key="`n${i}`" :d="n.d" class="wire" :class="{ rail: n.rail }" />
          <circle v-for="(j, i) in c.joins" :key="`j${i}`" :cx="j.x" :cy="j.y" r="3.5" />
        </template>
      </svg>
      <template v-for="c in circuits" :key="c.top">
        <h3 class="head" :style="{ top: `${c.top}px` }">{{ c.title }}</h3>
        <span
          v-for="(b, i) in c.boxes"
          :key="i"
          class="box"
          :style="{ left: `${b.x}px`, top: `${b.y}px`, width: `${b.width}px`, height: `${b.height}px` }"
          >{{ b.title }}</span
        >
        <button
          v-for="p in c.points"
          :key="p.id"
          type="button"
          class="point"
          :tabindex="p.id === stop ? 0 : -1"
          :aria-label="p.label"
          :aria-pressed="tipOf(p.id) !== ''"
          :style="{ left: `${p.x - 22}px`, top: `${p.y - 22}px` }"
          @click="emit('pick', p.id)"
        >
          <span class="dot" :class="{ on: tipOf(p.id) }">{{ tipOf(p.id) }}</span>
          <span class="name">{{ p.name }}</span>
        </button>
      </template>
    </div>
  </div>
</template>

<style scoped>
.room {
  overflow: auto;
  max-height: 26rem;
  border: 1px solid var(--line);
  border-radius: 8px;
}
.canvas {
  position: relative;
}
svg {
  position: absolute;
  inset: 0;
  color: var(--power);
  fill: currentcolor;
}
.wire {
  fill: none;
  stroke: currentcolor;
  stroke-width: 2.5;
}
.wire.rail {
  stroke-width: 4;
}
.head {
  position: absolute;
  left: 64px;
  font-size: 0.85rem;
}
.box {
  position: absolute;
  display: grid;
  place-items: center;
  padding: 2px 3px;
  border: 2px solid var(--power);
  border-radius: 6px;
  background: var(--card);
  font-size: 0.78rem;
  line-height: 1.1;
  text-align: center;
  overflow-wrap: break-word;
  hyphens: auto;
}
.point {
  position: absolute;
  width: 44px;
  height: 44px;
  padding: 0;
  border: 0;
  background: none;
  display: grid;
  place-items: center;
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}
.dot {
  width: 13px;
  height: 13px;
  border: 2px solid var(--ink);
  border-radius: 50%;
  background: var(--card);
  grid-area: 1 / 1;
  font-size: 0.85rem;
  font-weight: 700;
  line-height: 1;
}
.dot.on {
  width: 26px;
  height: 26px;
  display: grid;
  place-items: center;
  background: var(--ink);
  color: var(--card);
}
.name {
  grid-area: 1 / 1;
  align-self: end;
  font-size: 0.72rem;
  line-height: 1;
  transform: translateY(3px);
  white-space: nowrap;
}
</style>
