<script setup lang="ts">
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import type { View } from '../../../../../core/advice'
import type { MachineDrawing, MachineFacts } from '../../../../engine'
import { useMedia } from '../../../../ui'
import LineStrips from './LineStrips.vue'
import LinesDrawing from './LinesDrawing.vue'

/** The machine as it is laid out, once. What is known changes how its parts look, never where they stand; the view comes to the test. */
const props = defineProps<{
  drawing: MachineDrawing
  parts: MachineFacts['parts']
  links: View['links']
  /** Part that the test on the card looks at; -1 for none. */
  next: number
}>()
const emit = defineEmits<{ pick: [part: number] }>()

/** How large it is in its window, and the steps of the whole screen. */
const IN_WINDOW = 0.82
const ZOOMS = [0.4, 0.6, 0.82, 1, 1.3]
const narrow = useMedia('(max-width: 900px)')
const still = useMedia('(prefers-reduced-motion: reduce)')
const byPart = computed(() => new Map(props.links.map((l) => [l.part, l])))
const pane = useTemplateRef<HTMLElement>('pane')
const whole = useTemplateRef<HTMLDialogElement>('whole')
const open = ref(false)
const zoom = ref(0.6)

/** The part to be seen: where the test looks, else what is likeliest broken. */
const at = computed(() => {
  if (props.next >= 0) return props.next
  const worst = [...props.links].sort((a, b) => b.p - a.p)[0]
  return worst && worst.p > 0 ? worst.part : -1
})
/** Brings it into the middle of the window. */
async function come(behavior: ScrollBehavior = still.value ? 'auto' : 'smooth') {
  await nextTick()
  const { boxes, box } = props.drawing.picture
  const seen = boxes.find((b) => b.part === at.value)
  if (!pane.value || !seen) return
  pane.value.scrollTo({
    left: (seen.x + box.width / 2) * IN_WINDOW - pane.value.clientWidth / 2,
    top: (seen.y + box.height / 2) * IN_WINDOW - pane.value.clientHeight / 2,
    behavior,
  })
}
onMounted(() => come('auto'))
watch([at, narrow], () => come())

async function show() {
  open.value = true
  await nextTick()
  whole.value?.showModal()
}
function pick(part: number) {
  whole.value?.close()
  emit('pick', part)
}
const step = (by: 1 | -1) => {
  const at = ZOOMS.indexOf(zoom.value)
  zoom.value = ZOOMS[Math.min(ZOOMS.length - 1, Math.max(0, at + by))]!
}
</script>

<template>
  <div class="picture" role="group" aria-label="Water line, power line and level line of this machine">
    <LineStrips
      v-if="narrow"
      :strips="drawing.strips"
      :parts="parts"
      :links="byPart"
      :next="next"
      :at="at"
      @pick="emit('pick', $event)"
    />
    <div v-else ref="pane" class="pane">
      <LinesDrawing
        :picture="drawing.picture"
        :parts="parts"
        :links="byPart"
        :next="next"
        :zoom="IN_WINDOW"
        @pick="emit('pick', $event)"
      />
    </div>
    <div class="legend small soft">
      <span>▨ suspect, as far as filled</span><span>▲ ▲ test here</span><span>○ to the return</span>
      <button type="button" class="word-button push" @click="show">Whole machine</button>
    </div>
    <dialog v-if="open" ref="whole" class="full" aria-label="Whole machine" @close="open = false">
      <div class="row bar">
        <strong>Whole machine</strong>
        <button type="button" class="chip push" aria-label="Smaller" @click="step(-1)">−</button>
        <button type="button" class="chip" aria-label="Larger" @click="step(1)">+</button>
        <button type="button" class="chip" @click="whole?.close()">Close</button>
      </div>
      <div class="wide" tabindex="0" role="group" aria-label="The picture">
        <LinesDrawing
          :picture="drawing.picture"
          :parts="parts"
          :links="byPart"
          :next="next"
          :zoom="zoom"
          @pick="pick"
        />
      </div>
    </dialog>
  </div>
</template>

<style scoped>
.pane {
  height: 15.5rem;
  overflow: auto;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.2rem 0.9rem;
  padding: 0.1rem 0.2rem 0;
}
.full {
  width: 100vw;
  height: 100dvh;
  max-width: none;
  max-height: none;
  border: 0;
  padding: 0.5rem;
  background: var(--paper);
  color: var(--ink);
}
.full[open] {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  gap: 0.4rem;
}
.wide {
  overflow: auto;
  touch-action: pan-x pan-y pinch-zoom;
}
</style>
