<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed } from 'vue'
import { DEFAULT_UNIT, parseReading } from '../../../../core/foundation/quantity'
import { findInRows, ROW_TOOLS } from '../../../../core/measuring'
import { describeFinding, describeProblem, toolWords } from '../../../../core/words'
import { useSession } from '../../session'
import { textsOf, useKept } from '../kept'
import ToolFrame from './ToolFrame.vue'

/** Readings of one sort, one after another, and what they say together. */
const props = defineProps<{ id: string }>()
const tool = ROW_TOOLS.find((t) => t.id === props.id)!
const session = useSession()
/** How exact the person's own instruments are, where they said so. */
const own = computed(() => session.person?.kit?.accuracy ?? {})
const words = toolWords(props.id)
/** Rows that stand there at first. */
const FIRST = 6
const MOST = 60
const state = useKept(`duckweed:tool:${props.id}`, (found) => {
  const { rows, reference } = (found ?? {}) as { rows?: unknown; reference?: unknown }
  const kept = Array.isArray(rows) ? rows.slice(0, MOST).map(textsOf) : []
  const row = (k: number) => ({ name: kept[k]?.name ?? `${tool.row} ${k + 1}`, text: kept[k]?.text ?? '' })
  return {
    rows: Array.from({ length: Math.max(FIRST, kept.length) }, (_, k) => row(k)),
    reference: typeof reference === 'string' ? reference : '',
  }
})
const read = (text: string) =>
  text.trim() ? parseReading(text, { type: 'number', dimension: tool.dimension }) : undefined
const rows = computed(() =>
  state.rows.map(({ name, text }) => {
    const got = read(text)
    const value =
      got?.ok && got.value.type === 'value' ? got.value.si : got?.ok && got.value.type === 'open' ? Infinity : undefined
    return { name, value, wrong: got && !got.ok ? got.problems.map((p) => describeProblem(p)).join(' ') : '' }
  }),
)
const reference = computed(() => {
  const got = read(state.reference)
  return got?.ok && got.value.type === 'value' ? got.value.si : undefined
})
const findings = computed(() =>
  findInRows(tool, rows.value, reference.value, own.value).map((f) =>
    describeFinding(
      props.id,
      f,
      rows.value.map((r) => r.name),
    ),
  ),
)
function clear(): void {
  state.reference = ''
  for (const r of state.rows) r.text = ''
}
</script>

<template>
  <ToolFrame :title="words.title" :use="words.use">
    <template #measured>
      <label v-if="tool.reference" class="reference"
        >{{ words.labels[tool.reference.id] }}
        <InputText v-model="state.reference" class="number" autocomplete="off" />
      </label>
      <ol aria-label="Readings">
        <li v-for="(r, k) in state.rows" :key="k">
          <InputText v-model="r.name" :aria-label="`Name of ${r.name}`" autocomplete="off" />
          <InputText
            v-model="r.text"
            class="number"
            autocomplete="off"
            :aria-label="`${r.name}: ${words.labels.row}`"
            :aria-invalid="!!rows[k]?.wrong"
          />
          <span class="soft">{{ DEFAULT_UNIT[tool.dimension].symbol }}</span>
          <span v-if="rows[k]?.wrong" class="wrong small" role="alert">{{ rows[k].wrong }}</span>
        </li>
      </ol>
      <div class="row">
        <Button
          type="button"
          severity="secondary"
          :disabled="state.rows.length >= MOST"
          @click="state.rows.push({ name: `${tool.row} ${state.rows.length + 1}`, text: '' })"
          >One more</Button
        >
        <Button type="button" severity="secondary" @click="clear">Empty all</Button>
      </div>
    </template>
    <p v-if="!findings.length" class="soft">Still wanted: readings, in their order.</p>
    <p v-for="f in findings" :key="f" class="means">{{ f }}</p>
  </ToolFrame>
</template>

<style scoped>
.reference {
  display: grid;
  gap: 0.2rem;
  margin-bottom: 0.7rem;
}
ol {
  list-style: none;
  margin: 0 0 0.7rem;
  padding: 0;
  display: grid;
  gap: 0.4rem;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 1.6rem;
  gap: 0.5rem;
  align-items: center;
}
li :deep(input),
.reference :deep(input) {
  min-width: 0;
  min-height: 44px;
}
.wrong {
  grid-column: 1 / -1;
  color: var(--danger);
}
</style>
