<script setup lang="ts">
import type { NamedEnd, NamedPiece } from '../../../../../core/words'

/** The piece of the circuit or of the pipe that a test is about, with what goes where: two tips, a clamp, a gauge. */
defineProps<{ piece: NamedPiece }>()
const TOOL: Record<NonNullable<NamedEnd['tool']>, string> = {
  'first-tip': '1',
  'second-tip': '2',
  clamp: 'clamp',
  gauge: 'gauge',
  bucket: 'bucket',
}
const LOOK = { eye: 'look', ear: 'listen', hand: 'feel' }
const isTip = (end: NamedEnd) => end.tool === 'first-tip' || end.tool === 'second-tip'
</script>

<template>
  <div class="piece" :class="piece.medium" role="img" :aria-label="`Where: ${piece.text}`">
    <template v-for="(b, i) in piece.boxes" :key="i">
      <span class="box" :class="[b.type, { spare: piece.boxes.length > 3 && i === 2 }]"
        >{{ b.title }}<span v-if="b.look" class="look">{{ LOOK[b.look] }}</span></span
      >
      <span
        v-if="piece.joints[i]"
        class="joint"
        :class="{
          apart: piece.joints[i].apart,
          skips: piece.joints[i].skips,
          wide: piece.joints[i].left && piece.joints[i].right,
        }"
      >
        <span
          v-for="(end, side) in { left: piece.joints[i].left, right: piece.joints[i].right }"
          v-show="end"
          :key="side"
          class="end"
          :class="side"
        >
          <template v-if="end">
            <span class="name"
              >{{ end.name }}<span v-if="end.colour" class="wire">{{ end.colour }}</span></span
            >
            <span class="dot" :class="{ on: end.tool }" />
            <span v-if="end.tool" class="tool" :class="{ tip: isTip(end) }">{{ TOOL[end.tool] }}</span>
          </template>
        </span>
      </span>
    </template>
  </div>
</template>

<style scoped>
.piece {
  display: flex;
  align-items: center;
  container-type: inline-size;
  font-size: 0.8rem;
  line-height: 1.15;
  color: var(--power);
  padding: 0.35rem 0;
}
.piece.water {
  color: var(--water);
}
.box {
  flex: 1 1 0;
  /* A word is never broken. */
  min-width: min-content;
  display: grid;
  justify-items: center;
  align-content: center;
  min-height: 3.1rem;
  padding: 0.25rem 0.3rem;
  border: 1.5px solid currentcolor;
  border-radius: 6px;
  text-align: center;
  background: var(--card);
}
.box.own {
  flex-grow: 1.35;
  border-width: 3px;
  font-weight: 650;
  color: var(--ink);
  border-color: var(--ink);
}
/* The terminal that the loads come back to. */
.box.return {
  flex-grow: 0.8;
  border-width: 0 0 4px;
  border-bottom-style: double;
  border-radius: 0;
}
.look {
  margin-top: 0.15rem;
  padding: 0 0.45rem;
  border-radius: 99px;
  background: var(--ink);
  color: var(--card);
  font-size: 0.75rem;
}
.joint {
  position: relative;
  flex: 0 1 2.9rem;
  min-width: 2.2rem;
  align-self: stretch;
  min-height: 4.6rem;
}
.joint.wide {
  flex-basis: 5.4rem;
}
/* The wire or the pipe itself. */
.joint::before {
  content: '';
  position: absolute;
  inset: calc(50% - 1.5px) 0 auto;
  border-top: 3px solid currentcolor;
}
.joint.skips::before {
  border-top-style: dotted;
}
.joint.apart::after {
  content: '';
  position: absolute;
  inset: calc(50% - 0.5rem) 35%;
  background: var(--card);
  border: solid currentcolor;
  border-width: 0 2px;
  transform: skewX(-18deg);
  height: 1rem;
}
.end {
  position: absolute;
  inset: 0;
  display: grid;
  grid-template-rows: 1fr 0.9rem 1fr;
  justify-items: start;
  color: var(--ink);
}
.end.right {
  justify-items: end;
}
.name {
  align-self: end;
  display: grid;
  padding: 0 0.2rem;
  font-weight: 600;
}
.wire {
  font-weight: 400;
}
.dot {
  align-self: center;
  width: 0.6rem;
  height: 0.6rem;
  margin: 0 0.2rem;
  border: 2px solid var(--ink);
  border-radius: 50%;
  background: var(--card);
  z-index: 1;
}
.dot.on {
  background: var(--ink);
}
.tool {
  align-self: start;
  padding: 0 0.2rem;
  font-weight: 600;
}
.tool.tip {
  width: 1.25rem;
  height: 1.45rem;
  padding: 0.35rem 0 0;
  margin: 0 -0.1rem;
  text-align: center;
  background: var(--ink);
  color: var(--card);
  clip-path: polygon(50% 0, 100% 35%, 100% 100%, 0 100%, 0 35%);
}
@container (max-width: 26rem) {
  .box.spare {
    display: none;
  }
}
</style>
