<script setup lang="ts">
import SignaturePad from 'signature_pad'
import { onMounted, onScopeDispose, ref, useTemplateRef } from 'vue'

/** A field to sign in. What a hand draws comes as rows of places, thousandths of the width and height of the field. */
const props = defineProps<{ label: string }>()
const strokes = defineModel<number[][]>({ required: true })
const PLACES = 1000
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const empty = ref(true)
let pad: SignaturePad | undefined

/** Drawn again as large as the field is now: a phone that is turned loses nothing. */
function fit() {
  const own = canvas.value
  if (!own || !pad) return
  const ratio = Math.max(window.devicePixelRatio, 1)
  const kept = strokes.value
  own.width = own.offsetWidth * ratio
  own.height = own.offsetHeight * ratio
  own.getContext('2d')!.scale(ratio, ratio)
  pad.clear()
  const point = (s: number[], k: number) => ({
    x: (s[k]! / PLACES) * own.offsetWidth,
    y: (s[k + 1]! / PLACES) * own.offsetHeight,
    pressure: 0.5,
    time: k,
  })
  pad.fromData(
    kept.map((s) => ({
      points: Array.from({ length: s.length / 2 }, (_, k) => point(s, 2 * k)),
      penColor: pad!.penColor,
      dotSize: 0,
      minWidth: 1,
      maxWidth: 2.5,
      velocityFilterWeight: 0.7,
      compositeOperation: 'source-over' as const,
    })),
  )
}
function read() {
  const { offsetWidth: w, offsetHeight: h } = canvas.value!
  const place = (at: number, of: number) => Math.min(PLACES, Math.max(0, Math.round((at / of) * PLACES)))
  // A tap alone is a dot, and no stroke.
  strokes.value = pad!
    .toData()
    .map(({ points }) => points.flatMap(({ x, y }) => [place(x, w), place(y, h)]))
    .filter((s) => s.length >= 4 && s.some((at, k) => at !== s[k % 2]))
  empty.value = strokes.value.length === 0
}
function clear() {
  pad?.clear()
  strokes.value = []
  empty.value = true
}
onMounted(() => {
  const ink = getComputedStyle(canvas.value!).color
  pad = new SignaturePad(canvas.value!, { penColor: ink })
  pad.addEventListener('endStroke', read)
  fit()
  empty.value = strokes.value.length === 0
  window.addEventListener('resize', fit)
})
onScopeDispose(() => {
  pad?.off()
  window.removeEventListener('resize', fit)
})
</script>

<template>
  <div class="field">
    <span class="small">{{ props.label }}</span>
    <canvas ref="canvas" role="img" :aria-label="`${props.label}: ${empty ? 'nothing drawn yet' : 'signed'}`" />
    <button type="button" class="word-button" :disabled="empty" @click="clear">Clear the signature</button>
  </div>
</template>

<style scoped>
canvas {
  width: 100%;
  height: 9rem;
  color: var(--ink);
  background: var(--card);
  border: 1.5px solid var(--soft);
  border-radius: 10px;
  touch-action: none;
}
.word-button {
  justify-self: start;
}
</style>
