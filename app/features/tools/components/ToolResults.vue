<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { describeFormula, describeOutcome } from '../../../../core/words'
import type { ToolState } from '../use-tool'

/** What comes out: its meaning, each number with its ± and its formula, a curve where looking beats reading. */
const props = defineProps<{ state: ToolState }>()
const ToolChart = defineAsyncComponent(() => import('./ToolChart.vue'))
const { tool, words, entered, result, system } = props.state
const shown = computed(() =>
  (result.value?.outcomes ?? []).map((o) => ({
    ...o,
    label: words.labels[o.id],
    text: describeOutcome(o, system.value),
    how: describeFormula(tool!, o, result.value!, entered.value.values, system.value),
  })),
)
const wanting = computed(() => (result.value?.missing ?? []).map((id) => words.labels[id]))
</script>

<template>
  <p v-if="wanting.length" class="soft">Still wanted: {{ wanting.join(', ') }}.</p>
  <p v-for="m in result?.means ?? []" :key="m" class="means">{{ words.means[m] }}</p>
  <dl>
    <div v-for="o in shown" :key="o.id">
      <dt>{{ o.label }}</dt>
      <dd class="number">{{ o.text }}</dd>
      <dd class="soft small formula">{{ o.how }}</dd>
      <dd class="use"><slot name="outcome" :outcome="o" /></dd>
    </div>
  </dl>
  <ToolChart v-if="result?.chart" :chart="result.chart" :labels="words.labels" :system="system" />
</template>

<style scoped>
p {
  margin: 0;
}
.means {
  font-size: 1.1rem;
  font-weight: 600;
}
dl {
  margin: 0;
  display: grid;
}
dl div {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 0.8rem;
  padding: 0.4rem 0;
  border-top: 1px solid var(--line);
}
dd {
  margin: 0;
}
dd.number {
  font-weight: 700;
  text-align: right;
}
.formula {
  grid-column: 1 / -1;
  overflow-wrap: anywhere;
}
.use {
  grid-column: 1 / -1;
}
.use:empty {
  display: none;
}
</style>
