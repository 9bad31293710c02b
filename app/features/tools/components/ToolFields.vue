<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { homeUnit } from '../../../../core/foundation/quantity'
import type { ToolState } from '../use-tool'

/** What is measured, field by field, each with what is wrong with it. */
const props = defineProps<{ state: ToolState }>()
const { tool, words, texts, choices, problems, system, clear } = props.state
</script>

<template>
  <div v-if="tool" class="fields">
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
</style>
