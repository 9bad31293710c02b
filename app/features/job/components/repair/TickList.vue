<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { AppIcon } from '../../../../ui'

/** What is done or looked at, one after another, each ticked off by whoever does it. */
const props = defineProps<{
  items: readonly { text: string; caution?: string | undefined }[]
  ticks: readonly { event: string; item: string; found?: string | undefined; by: string }[]
  /** Asks what was seen as well. */
  finds?: boolean
  ordered?: boolean
  locked: boolean
}>()
const emit = defineEmits<{ tick: [item: string, found: string | undefined]; undo: [event: string] }>()
const found = ref<Record<string, string>>({})
const rows = computed(() => props.items.map((i) => ({ ...i, done: props.ticks.findLast((t) => t.item === i.text) })))
function turn(row: (typeof rows.value)[number]) {
  if (row.done) emit('undo', row.done.event)
  else emit('tick', row.text, found.value[row.text]?.trim() || undefined)
}
</script>

<template>
  <component :is="ordered ? 'ol' : 'ul'" class="plain-list">
    <li v-for="(row, i) in rows" :key="row.text">
      <label>
        <input type="checkbox" :checked="!!row.done" :disabled="locked" @change="turn(row)" />
        <span
          ><template v-if="ordered">{{ i + 1 }}. </template>{{ row.text }}
          <span v-if="row.done" class="small soft"
            >{{ row.done.by }}<template v-if="row.done.found">: {{ row.done.found }}</template></span
          ></span
        >
      </label>
      <p v-if="row.caution" class="bites small"><AppIcon name="danger" /> {{ row.caution }}</p>
      <InputText
        v-if="finds && !row.done && !locked"
        v-model="found[row.text]"
        class="found"
        :aria-label="`What was seen: ${row.text}`"
        placeholder="What was seen, if anything"
      />
    </li>
  </component>
</template>

<style scoped>
li {
  border-top: 1px solid var(--line);
  padding: 0.2rem 0;
}
label {
  display: grid;
  grid-template-columns: 1.8rem minmax(0, 1fr);
  gap: 0.5rem;
  align-items: center;
  min-height: 48px;
}
input[type='checkbox'] {
  width: 1.4rem;
  height: 1.4rem;
}
.bites {
  color: var(--danger);
  margin-left: 2.3rem;
}
.found {
  margin: 0 0 0.3rem 2.3rem;
  width: calc(100% - 2.3rem);
}
</style>
