<script setup lang="ts">
import { computed } from 'vue'
import type { Expectation } from '../../../../../core/advice'
import { formatQuantity, type Dimension } from '../../../../../core/foundation/quantity'

const props = defineProps<{
  healthy: Expectation
  suspects: Expectation[]
  dimension: Dimension
  typed: number | undefined
}>()

const values = computed(() =>
  [props.healthy, ...props.suspects].flatMap((e) =>
    e.mean === undefined ? [] : [{ ...e, lo: Math.max(0, e.mean - 2 * e.sd!), hi: e.mean + 2 * e.sd! }],
  ),
)
const log = computed(() => props.dimension === 'resistance')
const range = computed(() => {
  const his = values.value.map((v) => v.hi)
  const most = Math.max(...his, (props.typed ?? 0) * 1.05, 1e-9)
  if (!log.value) return { lo: 0, hi: most * 1.06 }
  const los = [
    ...values.value.map((v) => Math.max(v.lo, 0.1)),
    props.typed && props.typed > 0.1 ? props.typed : Infinity,
  ]
  return { lo: Math.min(...los, most / 10) * 0.7, hi: most * 1.5 }
})
const at = (x: number): number => {
  const { lo, hi } = range.value
  const u = log.value ? Math.log(Math.max(x, lo) / lo) / Math.log(hi / lo) : (x - lo) / (hi - lo)
  return Math.min(100, Math.max(0, u * 100))
}
const band = computed(() => values.value.find((v) => v.title === 'healthy'))
/** Suspects whose readings fall together share one mark. */
const marks = computed(() => {
  const out: { x: number; text: string; titles: string[] }[] = []
  for (const s of values.value.filter((v) => v.title !== 'healthy')) {
    const x = at(s.mean!)
    const near = out.find((m) => Math.abs(m.x - x) < 4)
    if (near) near.titles.push(s.title)
    else out.push({ x, text: formatQuantity(s.mean!, props.dimension), titles: [s.title] })
  }
  return out
})
</script>

<template>
  <div class="scale" aria-hidden="true">
    <div class="axis" />
    <div
      v-if="band"
      class="band"
      :style="{ left: `${at(band.lo)}%`, width: `${Math.max(1.5, at(band.hi) - at(band.lo))}%` }"
    />
    <span v-if="band" class="cap" :style="{ left: `${at(band.mean!)}%`, transform: `translateX(-${at(band.mean!)}%)` }"
      >healthy {{ formatQuantity(band.lo, dimension) }}–{{ formatQuantity(band.hi, dimension) }}</span
    >
    <span v-for="m in marks" :key="m.x" class="mark" :style="{ left: `${m.x}%` }" :title="m.titles.join(', ')">▾</span>
    <div v-if="typed !== undefined" class="typed" :style="{ left: `${at(typed)}%` }" />
  </div>
</template>

<style scoped>
.scale {
  position: relative;
  height: 52px;
  margin: 0 0.4rem;
}
.axis {
  position: absolute;
  left: 0;
  right: 0;
  top: 24px;
  border-top: 2px solid var(--line);
}
.band {
  position: absolute;
  top: 17px;
  height: 15px;
  background: color-mix(in srgb, var(--good) 28%, transparent);
  border: 1.5px solid var(--good);
  border-radius: 5px;
}
.cap {
  position: absolute;
  top: 35px;
  font-size: 0.78rem;
  white-space: nowrap;
  color: var(--good);
}
.mark {
  position: absolute;
  top: 1px;
  transform: translateX(-50%);
  color: var(--soft);
}
.typed {
  position: absolute;
  top: 4px;
  height: 30px;
  width: 4px;
  border-radius: 3px;
  background: var(--ink);
  transform: translateX(-50%);
}
</style>
