<script setup lang="ts">
import { computed } from 'vue'
import type { View } from '../../../../core/advice'
import { formatChance } from '../../../../core/words'

const props = defineProps<{ view: View }>()
const rows = computed(() => [
  ...props.view.suspects.slice(0, 7).map((s) => ({ key: s.faults.join('+'), title: s.title, p: s.p, plain: false })),
  { key: 'else', title: 'something else, not in the sheet', p: props.view.unknownFault, plain: true },
  { key: 'healthy', title: 'nothing wrong with it', p: props.view.healthy, plain: true },
  { key: 'rest', title: 'two faults at once, not yet run (about)', p: props.view.truncatedMass, plain: true },
])
</script>

<template>
  <section class="card suspects" aria-label="Suspects">
    <h2>Suspects</h2>
    <ul>
      <li v-for="r in rows" :key="r.key" :class="{ plain: r.plain }">
        <span class="number">{{ formatChance(r.p) }}</span>
        <span>{{ r.title }}</span>
        <span class="bar fade" :style="{ width: `${Math.max(0.5, r.p * 100)}%` }" />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.suspects {
  display: grid;
  gap: 0.5rem;
  align-content: start;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.15rem;
}
li {
  position: relative;
  display: grid;
  grid-template-columns: 6.4rem 1fr;
  align-items: baseline;
  padding: 0.28rem 0 0.42rem;
}
li .number {
  font-weight: 600;
}
li:first-child .number {
  font-size: 1.35rem;
}
.bar {
  position: absolute;
  bottom: 0;
  left: 0;
  height: 4px;
  border-radius: 2px;
  background: var(--ink);
}
.plain {
  color: var(--soft);
  font-size: 0.9rem;
}
.plain .bar {
  background: var(--soft);
  opacity: 0.5;
}
</style>
