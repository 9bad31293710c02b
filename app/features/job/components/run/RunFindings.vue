<script setup lang="ts">
import Button from 'primevue/button'
import type { RunFinding } from '../../../../../core/running'

/** What a run says of the tests of its machine: each is entered as if it had been typed on its card. */
defineProps<{
  findings: readonly RunFinding[]
  entered: ReadonlySet<string>
  locked: boolean
  running: boolean
  proving: boolean
}>()
const emit = defineEmits<{ record: [finding: RunFinding]; all: [] }>()
</script>

<template>
  <section v-if="findings.length" class="card" aria-label="What this run says">
    <h2>What this run says</h2>
    <ul>
      <li v-for="f in findings" :key="f.test" class="row">
        <span
          >{{ f.title }}: <strong class="number">{{ f.text }}</strong><span v-if="f.instead" class="small soft"
            >; {{ f.instead }} came in its place, unless it was missed</span
          ></span
        >
        <span v-if="entered.has(f.test)" class="push small soft">entered</span>
        <button
          v-else-if="!locked && !proving"
          type="button"
          class="chip push"
          :aria-label="`Enter ${f.title}`"
          @click="emit('record', f)"
        >
          Enter
        </button>
      </li>
    </ul>
    <p v-if="proving" class="small soft" role="note">
      A repair is being proved: what this run says is judged under Prove. If it still fails, say so there, and enter it
      here then.
    </p>
    <Button
      v-else-if="!locked && findings.some((f) => f.instead === undefined && !entered.has(f.test))"
      :severity="running ? 'secondary' : undefined"
      @click="emit('all')"
      >Enter all as readings</Button
    >
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 0.5rem;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  min-height: 52px;
  flex-wrap: nowrap;
}
</style>
