<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed, defineAsyncComponent } from 'vue'
import { NuxtLink } from '#components'
import { homeUnit } from '../../../../core/foundation/quantity'
import { describeFormula, describeOutcome } from '../../../../core/words'
import { useTool } from '../use-tool'
import ToolFrame from './ToolFrame.vue'
import UnitSwitch from './UnitSwitch.vue'

/** A tool of fields: what comes out with its ±, its formula and its meaning. */
const props = defineProps<{ id: string }>()
const ToolChart = defineAsyncComponent(() => import('./ToolChart.vue'))
const { tool, words, texts, choices, entered, result, problems, system, clear } = useTool(props.id)
const shown = computed(() =>
  (result.value?.outcomes ?? []).map((o) => ({
    id: o.id,
    label: words.labels[o.id],
    text: describeOutcome(o, system.value),
    formula: describeFormula(tool!, o, result.value!, entered.value.values, system.value),
  })),
)
const wanting = computed(() => (result.value?.missing ?? []).map((id) => words.labels[id]))
</script>

<template>
  <ToolFrame v-if="tool && result" :title="words.title" :use="words.use">
    <template #aside><UnitSwitch /></template>
    <template #measured>
      <div class="fields">
        <label v-for="c in tool.choices ?? []" :key="c.id">
          {{ words.labels[c.id] }}
          <select v-model="choices[c.id]">
            <option v-for="o in c.options" :key="o">{{ o }}</option>
          </select>
        </label>
        <label v-for="f in tool.fields" :key="f.id">
          <span>{{ words.labels[f.id] }} <span v-if="f.optional" class="soft small">where known</span></span>
          <span class="entry">
            <InputText
              v-model="texts[f.id]"
              class="number"
              autocomplete="off"
              inputmode="text"
              :aria-invalid="!!problems[f.id]"
              :aria-describedby="problems[f.id] ? `wrong-${f.id}` : undefined"
            />
            <span class="soft unit">{{ homeUnit(f.dimension, system, f.long) }}</span>
          </span>
          <span v-if="problems[f.id]" :id="`wrong-${f.id}`" class="wrong small" role="alert">{{ problems[f.id] }}</span>
        </label>
        <Button type="button" severity="secondary" @click="clear">Empty all</Button>
      </div>
    </template>
    <p v-if="wanting.length" class="soft">Still wanted: {{ wanting.join(', ') }}.</p>
    <p v-for="m in result.means" :key="m" class="means">{{ words.means[m] }}</p>
    <dl>
      <div v-for="o in shown" :key="o.id">
        <dt>{{ o.label }}</dt>
        <dd class="number">{{ o.text }}</dd>
        <dd class="soft small formula">{{ o.formula }}</dd>
      </div>
    </dl>
    <ToolChart v-if="result.chart" :chart="result.chart" :labels="words.labels" :system="system" />
  </ToolFrame>
  <main v-else class="page">
    <h1>There is no such tool</h1>
    <p><NuxtLink to="/tools">All tools</NuxtLink></p>
  </main>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 14rem), 1fr));
  gap: 0.7rem;
  align-items: end;
}
.fields label {
  display: grid;
  gap: 0.2rem;
}
.entry {
  display: flex;
  align-items: center;
  gap: 0.5rem;
}
.entry :deep(input) {
  width: 0;
  min-width: 0;
  flex: 1;
  min-height: 44px;
}
.unit {
  min-width: 3.2rem;
}
select {
  min-height: 44px;
  font: inherit;
  color: inherit;
  background: var(--card);
  border: 1px solid var(--soft);
  border-radius: 0.5rem;
  padding: 0 0.5rem;
}
.wrong {
  color: var(--danger);
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
</style>
