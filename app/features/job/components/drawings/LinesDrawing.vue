<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import type { View } from '../../../../../core/advice'
import type { DrawnPicture } from '../../../../../core/diagram/layout'
import type { MachineFacts } from '../../../../engine'
import { useOneStop } from '../../../../ui'
import { nearestTowards } from '../../nearest-towards'
import PartBox from './PartBox.vue'

/** Boxes where they were laid out, and the lines between them. One stop of the keyboard: arrows go from part to part. */
const props = defineProps<{
  picture: DrawnPicture
  parts: MachineFacts['parts']
  links: ReadonlyMap<number, View['links'][number]>
  next: number
  zoom: number
}>()
const emit = defineEmits<{ pick: [part: number] }>()
const canvas = useTemplateRef<HTMLElement>('canvas')

const lines = computed(() =>
  props.picture.lines.map((l) => ({
    ...l,
    d: `M${l.points.map((p) => `${p.x} ${p.y}`).join('L')}`,
    solid: [l.from, l.to].every((p) => props.links.get(p)?.state === 'proven'),
  })),
)
const lineOf = (part: number) => props.parts[part]?.line ?? 'power'
const boxOf = (part: number) => props.picture.boxes.find((b) => b.part === part)
const { stop, go } = useOneStop(
  canvas,
  // A part that is tested may have no box.
  () => (boxOf(props.next) ?? props.picture.boxes[0])?.part,
  (from, key) => {
    const at = boxOf(from)
    return at && nearestTowards(props.picture.boxes, at, key)?.part
  },
)
</script>

<template>
  <div class="room" :style="{ width: `${picture.width * zoom}px`, height: `${picture.height * zoom}px` }">
    <div
      ref="canvas"
      class="canvas"
      :style="{ width: `${picture.width}px`, height: `${picture.height}px`, transform: `scale(${zoom})` }"
      @keydown="go"
    >
      <svg :width="picture.width" :height="picture.height" aria-hidden="true">
        <defs>
          <marker
            v-for="l in ['water', 'power', 'level']"
            :id="`head-${l}`"
            :key="l"
            viewBox="0 0 8 8"
            refX="7"
            refY="4"
            markerWidth="11"
            markerHeight="11"
            markerUnits="userSpaceOnUse"
            orient="auto"
          >
            <path d="M0 0L8 4L0 8z" :class="l" fill="currentColor" />
          </marker>
        </defs>
        <path
          v-for="(l, i) in lines"
          :key="i"
          :d="l.d"
          class="run fade"
          :class="[l.line, { solid: l.solid }]"
          :marker-end="l.line === 'return' ? undefined : `url(#head-${l.line})`"
        />
        <g v-for="b in picture.boxes.filter((x) => picture.returns.includes(x.part))" :key="b.part" class="run return">
          <path :d="`M${b.x + picture.box.width / 2 - 12} ${b.y + picture.box.height / 2}v5`" class="end" />
          <circle :cx="b.x + picture.box.width / 2 - 12" :cy="b.y + picture.box.height / 2 + 9" r="4" class="end" />
        </g>
      </svg>
      <PartBox
        v-for="b in picture.boxes"
        :key="b.part"
        class="box"
        :data-part="b.part"
        :tabindex="b.part === stop ? 0 : -1"
        :title="parts[b.part]?.title ?? ''"
        :line="lineOf(b.part)"
        :link="links.get(b.part)"
        :next="b.part === next"
        :style="{
          left: `${b.x - picture.box.width / 2}px`,
          top: `${b.y - picture.box.height / 2}px`,
          width: `${picture.box.width}px`,
          height: `${picture.box.height}px`,
        }"
        @click="emit('pick', b.part)"
      />
    </div>
  </div>
</template>

<style scoped>
.room {
  position: relative;
  overflow: hidden;
}
.canvas {
  position: absolute;
  transform-origin: 0 0;
}
svg {
  position: absolute;
  inset: 0;
}
.box {
  position: absolute;
}
.water {
  color: var(--water);
}
.power {
  color: var(--power);
}
.level {
  color: var(--level);
}
.run {
  fill: none;
  stroke: currentcolor;
  stroke-width: 2.5;
  stroke-linejoin: round;
}
.run.solid {
  stroke-width: 5;
}
.run.return {
  color: var(--power);
  stroke-width: 1.6;
  stroke-dasharray: 3 3;
}
.end {
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.6;
  stroke-dasharray: none;
}
</style>
