<script setup lang="ts">
import { computed, ref, onMounted, onBeforeUnmount, useTemplateRef } from 'vue'
import type { View } from '../../../../core/advice'
import type { TracedLines } from '../../../../core/diagram'
import { foldSeries, layoutPicture, type Run } from '../../../../core/diagram/layout'

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
const stateOf = computed(() => new Map(props.links.map((l) => [l.part, l])))
const everything = computed(() => layoutPicture(props.lines, undefined))
/** Rows above which a picture would push the next test off a laptop's screen. */
const MOST_ROWS = 6
const tooMuch = computed(() => upright.value || everything.value.rows > MOST_ROWS)
/** Where there is no room for all, only lanes that still matter are drawn, unless the whole machine is asked for. */
const shown = computed(() => {
  if (!tooMuch.value || whole.value) return undefined
  const weight = (l: TracedLines['lanes'][number]) => {
    const own = [l.center, ...l.water, ...l.waterOut, ...l.back, ...l.feed]
    // What several lanes share counts for each, but less.
    return (
      own.reduce((s, p) => s + (stateOf.value.get(p)?.p ?? 0) * (l.feed.includes(p) ? 0.5 : 1), 0) +
      (own.includes(props.next) ? 1 : 0) +
      (l.center === props.next ? 1 : 0)
    )
  }
  const most = upright.value ? 3 : 4
  const ranked = [...props.lines.lanes].sort((a, b) => weight(b) - weight(a))
  return new Set(ranked.filter((l, i) => i < 1 || (i < most && weight(l) > 0.04)).map((l) => l.center))
})
/** Longest level line that is drawn though nothing on it is suspected. */
const SHORT_LEVEL = 3
const matters = (p: number) => p === props.next || (stateOf.value.get(p)?.p ?? 0) > 0.01
const folded = computed(() => {
  if (!shown.value) return undefined
  const lanes = props.lines.lanes.filter((l) => shown.value!.has(l.center))
  const vessels = lanes.flatMap((l) => l.vessel ?? [])
  const levels = props.lines.levels.filter(
    (l) => l.chain.some(matters) || (vessels.includes(l.vessel) && l.chain.length <= SHORT_LEVEL),
  )
  return foldSeries({ lanes, levels }, (p) => !matters(p) && (stateOf.value.get(p)?.state ?? 'untested') === 'untested')
})
const picture = computed(() => (folded.value ? layoutPicture(folded.value.lines, shown.value) : everything.value))

const box = computed(() => {
  const { ranks, rows } = picture.value
  const count = ranks.most - ranks.least + 1
  if (upright.value) {
    const w = Math.min(150, width.value / rows)
    return { along: 47, across: w, nodeW: w - 8, nodeH: 37, width: width.value, height: count * 47 + 4 }
  }
  const step = Math.max(86, width.value / count)
  return {
    along: step,
    across: 49,
    nodeW: Math.min(step - (step < 100 ? 10 : 18), 120),
    nodeH: 42,
    width: step * count,
    height: rows * 49 + 4,
  }
})
const at = (rank: number, row: number) => {
  const { along, across, width: w } = box.value
  const u = (rank - picture.value.ranks.least + 0.5) * along
  const pad = upright.value ? (w - picture.value.rows * across) / 2 : 0
  const v = (row + 0.5) * across + pad
  return upright.value ? { x: v, y: u } : { x: u, y: v }
}
const spotOf = computed(() => new Map(picture.value.spots.map((s) => [s.part, at(s.rank, s.row)])))

function curve({ from, to, line }: Run): string {
  const a = spotOf.value.get(from)!
  const end = spotOf.value.get(to)
  const b =
    end ?? (upright.value ? { x: a.x, y: a.y + box.value.along * 0.85 } : { x: a.x + box.value.along * 0.85, y: a.y })
  const same = upright.value ? Math.abs(a.y - b.y) < 1 : Math.abs(a.x - b.x) < 1
  if (same) {
    // Down from a valve into its vessel, beside whatever stands between.
    const off = line === 'water' ? -box.value.nodeW * 0.38 : box.value.nodeW * 0.3
    return upright.value
      ? `M${a.x} ${a.y + off * 0.3}L${b.x} ${b.y + off * 0.3}`
      : `M${a.x + off} ${a.y}L${b.x + off} ${b.y}`
  }
  // Straight along the lane, bending only beside the part that feeds it.
  const bend = (from: number, end: number) => {
    const dir = Math.sign(from - end)
    const k = Math.abs(from - end) > box.value.along ? from - dir * box.value.along : end
    return { k, c: (k + from) / 2 }
  }
  if (upright.value) {
    const { k, c } = bend(a.y, b.y)
    return `M${b.x} ${b.y}L${b.x} ${k}C${b.x} ${c} ${a.x} ${c} ${a.x} ${a.y}`
  }
  const { k, c } = bend(a.x, b.x)
  return `M${b.x} ${b.y}L${k} ${b.y}C${c} ${b.y} ${c} ${a.y} ${a.x} ${a.y}`
}
const solid = (r: Run) => [r.from, r.to].every((p) => stateOf.value.get(p)?.state === 'proven')
const ends = computed(() =>
  picture.value.runs.flatMap((r) => {
    if (r.to !== -1) return []
    const a = spotOf.value.get(r.from)!
    return upright.value ? [{ x: a.x, y: a.y + box.value.along * 0.85 }] : [{ x: a.x + box.value.along * 0.85, y: a.y }]
  }),
)

function wrap(title: string): string[] {
  const size = upright.value ? 6.1 : 6.6
  const room = Math.max(8, Math.floor(box.value.nodeW / size))
  const lines: string[] = []
  for (const word of title.split(' ')) {
    const last = lines.at(-1)
    if (last !== undefined && `${last} ${word}`.length <= room) lines[lines.length - 1] = `${last} ${word}`
    else lines.push(word)
  }
  const [first, second, ...rest] = lines
  return first !== undefined && second !== undefined && rest.length ? [first, `${second.slice(0, room - 1)}…`] : lines
}
const nodes = computed(() =>
  picture.value.spots.flatMap((s) => {
    const part = props.parts[s.part]
    if (!part) return []
    const link = stateOf.value.get(s.part)
    const state = link?.state ?? 'untested'
    const chance = link ? (link.p < 0.005 ? '' : `${Math.round(link.p * 100)} %`) : ''
    const word =
      state === 'untested' ? '' : state === 'suspect' ? `? ${chance}` : state === 'faulty' ? `faulty ${chance}` : state
    const { title, line } = part
    const others = folded.value?.more.get(s.part)
    return {
      ...s,
      ...spotOf.value.get(s.part)!,
      state,
      word: others ? `and ${others} more` : word,
      title,
      line,
      lines: wrap(title),
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
      <path
        v-for="(r, i) in picture.runs"
        :key="i"
        :d="curve(r)"
        class="run fade"
        :class="[r.line, { solid: solid(r) }]"
      />
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
        :aria-label="`${n.title}: ${n.state === 'untested' ? 'not looked at' : n.state}${n.state === 'suspect' ? `, ${n.word.replace('? ', '')}` : ''}${n.next ? ', the test on the card looks here' : ''}`"
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
      <span>✓ proven</span><span>? suspect</span><span>■ faulty</span><span>⌒ bypassed</span><span>▲▲ test here</span>
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
