<script setup lang="ts">
import { onScopeDispose, ref } from 'vue'

/** A button that acts once it has been held: what is confirmed with it is done, not clicked through. */
const props = withDefaults(defineProps<{ /** How long it is held, ms. */ hold?: number; disabled?: boolean }>(), {
  hold: 1000,
})
const emit = defineEmits<{ held: [] }>()
const pressed = ref(false)
let timer: ReturnType<typeof setTimeout> | undefined

function press() {
  if (props.disabled || pressed.value) return
  pressed.value = true
  timer = setTimeout(() => {
    pressed.value = false
    emit('held')
  }, props.hold)
}
function release() {
  clearTimeout(timer)
  pressed.value = false
}
onScopeDispose(release)
/** A key that goes on repeating is the same press. */
function key(event: KeyboardEvent) {
  if (event.key !== 'Enter' && event.key !== ' ') return
  event.preventDefault()
  if (!event.repeat) press()
}
/** Who works the page by voice or switch cannot hold: the press is held for them, and leaving it lets go. */
const spoken = (event: MouseEvent) => event.detail === 0 && press()
defineExpose({ press, release })
</script>

<template>
  <button
    type="button"
    class="hold"
    :class="{ pressed }"
    :style="{ '--hold': `${hold}ms` }"
    :aria-disabled="disabled || undefined"
    @pointerdown="press"
    @pointerup="release"
    @pointerleave="release"
    @pointercancel="release"
    @contextmenu.prevent
    @click="spoken"
    @keydown="key"
    @keyup="release"
    @blur="release"
  >
    <slot /><span class="soft small hint">hold 1 s</span>
  </button>
</template>

<style scoped>
.hold {
  position: relative;
  overflow: hidden;
  display: flex;
  justify-content: center;
  align-items: center;
  gap: 0.6rem;
  width: 100%;
  min-height: 52px;
  padding: 0.4rem 0.9rem;
  border: 2px solid var(--good);
  border-radius: 10px;
  background: var(--card);
  font-weight: 600;
  cursor: pointer;
  touch-action: manipulation;
  user-select: none;
  -webkit-user-select: none;
  z-index: 0;
}
.hold::before {
  content: '';
  position: absolute;
  inset: 0;
  background: color-mix(in srgb, var(--good) 38%, transparent);
  transform: scaleX(0);
  transform-origin: left;
  z-index: -1;
}
.hint {
  flex: none;
  white-space: nowrap;
}
.pressed::before {
  transform: scaleX(1);
  transition: transform var(--hold) linear;
}
.hold[aria-disabled='true'] {
  opacity: 0.55;
  cursor: default;
}
</style>
