<script setup lang="ts">
import { computed, ref, onMounted, onBeforeUnmount, useTemplateRef } from 'vue'
import type { View } from '../../../../core/advice'
import type { TracedLines } from '../../../../core/diagram'
import { layoutPicture, type Run } from '../../../../core/diagram/layout'
import { foldedLines, lanesThatMatter } from '../picture-choice'
import { boxOf, curveOf, pointsOf, returnOf, wrapTitle } from '../picture-geometry'

const props = defineProps<{
  lines: TracedLines
  parts: { title: string; line: 'water' | 'power' | 'level' }[]
  links: View['links']
  /** Part that the test on the card looks at; -1 for none. */
  next: number
}>()
const emit = defineEmits<{ pick: [part: number] }>()

const frame = useTemplateRef<HTMLElement>('frame')
const width = ref(1200)
let watcher: ResizeObserver | undefined
onMounted(() => {
  watcher = new ResizeObserver((entries) => (width.value = entries.at(-1)?.contentRect.width ?? width.value))
  watcher.observe(frame.value!)
})
onBeforeUnmount(() => watcher?.disconnect())

const upright = computed(() => width.value < 700)
const whole = ref(false)
const standing = computed(() => ({ links: new Map(props.links.map((l) => [l.part, l])), next: props.next }))
const everything = computed(() => layoutPicture(props.lines, undefined))
/** Rows above which a picture would push the next test off a laptop's screen. */
const MOST_ROWS = 6
const tooMuch = computed(() => upright.value || everything.value.rows > MOST_ROWS)
/** Where there is no room for all, only lanes that still matter are drawn, unless the whole machine is asked for. */
const shown = computed(() =>
  tooMuch.value && !whole.value ? lanesThatMatter(props.lines, standing.value, upright.value ? 3 : 4) : undefined,
)
const folded = computed(() => shown.value && foldedLines(props.lines, shown.value, standing.value))
const picture = computed(() => (folded.value ? layoutPicture(folded.value.lines, shown.value) : everything.value))

const box = computed(() => boxOf(picture.value, width.value, upright.value))
const points = computed(() => pointsOf(picture.value, box.value))
const runs = computed(() =>
  picture.value.runs.map((r: Run) => {
    const a = points.value.get(r.from)!
    return {
      line: r.line,
      path: curveOf(r.line, a, points.value.get(r.to) ?? returnOf(a, box.value), box.value),
      solid: [r.from, r.to].every((p) => standing.value.links.get(p)?.state === 'proven'),
    }
  }),
)
const ends = computed(() =>
  picture.value.runs.flatMap((r) => (r.to === -1 ? [returnOf(points.value.get(r.from)!, box.value)] : [])),
)
/** What stands in a node under its title. */
function wordOf(link: View['links'][number] | undefined): string {
  if (!link || link.state === 'untested') return ''
  const chance = link.p < 0.005 ? '' : `${Math.round(link.p * 100)} %`
  if (link.state === 'suspect') return `? ${chance}`
  if (link.state === 'intermittent') return `sometimes ${Math.round(link.restingProbability * 100)} %`
  return link.state === 'faulty' ? `faulty ${chance}` : link.state
}
const nodes = computed(() =>
  picture.value.spots.flatMap((s) => {
    const part = props.parts[s.part]
    if (!part) return []
    const link = standing.value.links.get(s.part)
    const others = folded.value?.more.get(s.part)
    return {
      ...s,
      ...points.value.get(s.part)!,
      state: link?.state ?? 'untested',
      word: others ? `and ${others} more` : wordOf(link),
      title: part.title,
      line: part.line,
      lines: wrapTitle(part.title, box.value),
      next: s.part === props.next,
    }
  }),
)
</script>

<template>
  <div ref="frame" class="picture">
    <svg
      :viewBox="`0 0 ${box.width} ${box.height}`"
      :width="box.width"
      :height="box.height"
      role="group"
      aria-label="Water line, power line and level line of this machine"
    >
      <defs>
        <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="2.2" height="6" fill="currentColor" opacity="0.28" />
        </pattern>
      </defs>
      <path v-for="(r, i) in runs" :key="i" :d="r.path" class="run fade" :class="[r.line, { solid: r.solid }]" />
      <text v-for="(e, i) in ends" :key="`n${i}`" :x="e.x" :y="e.y + 4" class="neutral" text-anchor="middle">
        return
      </text>
      <g
        v-for="n in nodes"
        :key="n.part"
        class="node"
        :class="[n.line, n.state, { next: n.next }]"
        :transform="`translate(${n.x} ${n.y})`"
        role="button"
        tabindex="0"
        :aria-label="`${n.title}: ${n.state === 'untested' ? 'not looked at' : n.state === 'intermittent' ? n.word : n.state}${n.state === 'suspect' ? `, ${n.word.replace('? ', '')}` : ''}${n.next ? ', the test on the card looks here' : ''}`"
        @click="emit('pick', n.part)"
        @keydown.enter.prevent="emit('pick', n.part)"
      >
        <rect :x="-box.nodeW / 2" :y="-box.nodeH / 2" :width="box.nodeW" :height="box.nodeH" rx="9" class="back" />
        <rect
          v-if="n.state === 'suspect'"
          :x="-box.nodeW / 2"
          :y="-box.nodeH / 2"
          :width="box.nodeW"
          :height="box.nodeH"
          rx="9"
          class="hatch"
          fill="url(#hatch)"
        />
        <rect :x="-box.nodeW / 2" :y="-box.nodeH / 2" :width="box.nodeW" :height="box.nodeH" rx="9" class="edge fade" />
        <path v-if="n.state === 'proven'" :d="`M${box.nodeW / 2 - 15} ${-box.nodeH / 2 + 1}l4 5 8 -10`" class="tick" />
        <path
          v-if="n.state === 'bypassed'"
          :d="`M${-box.nodeW / 2 + 8} ${-box.nodeH / 2}C${-box.nodeW / 3} ${-box.nodeH / 2 - 12} ${box.nodeW / 3} ${-box.nodeH / 2 - 12} ${box.nodeW / 2 - 8} ${-box.nodeH / 2}`"
          class="bridge"
        />
        <g v-if="n.next" class="probes">
          <path :d="`M${-box.nodeW / 2 - 1} ${box.nodeH / 2 + 1}l-7 8h8z`" />
          <path :d="`M${box.nodeW / 2 + 1} ${box.nodeH / 2 + 1}l7 8h-8z`" />
        </g>
        <text text-anchor="middle" class="name">
          <tspan
            v-for="(l, i) in n.lines"
            :key="i"
            x="0"
            :y="(i - (n.lines.length - 1) / 2 - (n.word ? (n.lines.length > 1 ? 0.62 : 0.5) : 0)) * 11.5 + 4"
          >
            {{ l }}
          </tspan>
        </text>
        <text v-if="n.word" text-anchor="middle" class="word" :y="box.nodeH / 2 - 4">{{ n.word }}</text>
      </g>
    </svg>
    <div class="legend small soft">
      <span class="water">━ water</span><span class="power">━ power</span><span class="level">━ level</span>
      <span>✓ proven</span><span>? suspect</span><span>╌ only sometimes</span><span>■ faulty</span
      ><span>⌒ bypassed</span><span>▲▲ test here</span>
      <button v-if="tooMuch" type="button" class="whole" @click="whole = !whole">
        {{ whole ? 'Only what matters' : 'Whole machine' }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.picture {
  overflow-x: auto;
}
svg {
  display: block;
  max-width: none;
  font-size: 12px;
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
  stroke-width: 3;
  opacity: 0.45;
}
.run.solid {
  stroke-width: 6;
  opacity: 0.9;
}
.run.return {
  stroke: var(--power);
  stroke-width: 1.6;
  stroke-dasharray: 2 4;
  opacity: 0.6;
}
.neutral {
  fill: var(--soft);
  font-size: 10px;
}
.node {
  cursor: pointer;
}
.back {
  fill: var(--card);
}
.edge {
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.2;
}
.proven .back {
  fill: color-mix(in srgb, currentcolor 14%, var(--card));
}
.proven .edge {
  stroke-width: 2.2;
}
.suspect .edge {
  stroke-dasharray: 6 4;
  stroke-width: 2.2;
}
.faulty .back {
  fill: var(--ink);
}
.faulty .edge {
  stroke: var(--ink);
  stroke-width: 4;
}
.faulty .name,
.faulty .word {
  fill: var(--card);
}
.intermittent .edge {
  stroke-width: 2.5;
  stroke-dasharray: 1.5 5;
  stroke-linecap: round;
}
.bypassed .edge {
  stroke-dasharray: 1 5;
  stroke-width: 2.5;
  stroke-linecap: round;
}
.bridge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
.tick {
  fill: none;
  stroke: var(--good);
  stroke-width: 3;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.name {
  fill: var(--ink);
  font-size: 11.5px;
}
.word {
  fill: var(--ink);
  font-size: 11px;
  font-weight: 700;
}
.node.next .edge {
  stroke: var(--ink);
  stroke-width: 3;
}
.probes path {
  fill: var(--ink);
}
.node:focus-visible {
  outline: none;
}
.node:focus-visible .edge {
  stroke: var(--good);
  stroke-width: 4;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.9rem;
  padding: 0.3rem 0.2rem 0;
}
.whole {
  border: 0;
  background: none;
  text-decoration: underline;
  padding: 0.6rem 0.2rem;
  min-height: 44px;
  cursor: pointer;
}
</style>
