<script setup lang="ts">
/**
 * A button for wet hands: it acts when the finger is lifted, and a drop of water, which touches for an instant or beside
 * another touch, does nothing.
 */
const emit = defineEmits<{ tap: [] }>()
/** Shortest touch of a finger, ms, and how far it may slide, px. */
const SHORTEST = 60
const SLIDE = 30
let down: { id: number; at: number; x: number; y: number } | undefined
let touches = 0

function press(event: PointerEvent) {
  if (event.pointerType === 'mouse') return
  touches++
  down = touches > 1 ? undefined : { id: event.pointerId, at: event.timeStamp, x: event.clientX, y: event.clientY }
}
function lift(event: PointerEvent) {
  if (event.pointerType === 'mouse') return
  touches = Math.max(0, touches - 1)
  const own = down
  down = undefined
  if (!own || own.id !== event.pointerId || event.timeStamp - own.at < SHORTEST) return
  if (Math.hypot(event.clientX - own.x, event.clientY - own.y) <= SLIDE) emit('tap')
}
function cancel() {
  touches = 0
  down = undefined
}
/** A mouse, a key or a switch: what a finger did was answered when it was lifted. */
function click(event: MouseEvent) {
  const { pointerType } = event as PointerEvent
  if (pointerType !== 'touch' && pointerType !== 'pen') emit('tap')
}
</script>

<template>
  <button type="button" class="dry" @pointerdown="press" @pointerup="lift" @pointercancel="cancel" @click="click">
    <slot />
  </button>
</template>

<style scoped>
.dry {
  min-height: 72px;
  border: 2px solid var(--soft);
  border-radius: 12px;
  background: var(--card);
  font-size: 1.5rem;
  font-weight: 600;
  cursor: pointer;
  touch-action: manipulation;
}
.dry:active {
  background: var(--shade);
}
</style>
