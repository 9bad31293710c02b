<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import type { CycleVerdict } from '../../../../../core/running'
import { formatClock } from '../../../../../core/words'

/** Whether a watched cycle shows a good machine: what must happen when, and when it did. */
const props = defineProps<{
  /** What the last run since the decision comes to; `undefined` where none was watched, or its windows are still being run. */
  verdict: CycleVerdict | undefined
  running: boolean
  watched: boolean
  title: string
}>()
const emit = defineEmits<{ watch: []; passed: []; failed: [] }>()
const SAYS = {
  passed: 'in its time',
  early: 'too early',
  late: 'too late',
  missing: 'did not come',
  unwatched: 'not noted',
} as const
/** What tells, and whatever was noted besides. */
const rows = computed(() => (props.verdict?.criteria ?? []).filter((c) => c.tells || c.state !== 'unwatched'))
const note = computed(() => {
  if (!props.watched) return 'No program has been watched since the repair was decided.'
  if (props.running) return `${props.title} goes on.`
  if (!props.verdict) return 'Running good machines for the windows …'
  return {
    passed: 'All that tells whether the repair did came in its time.',
    failed: 'Something did not come as on a good machine.',
    open: 'Something that tells whether the repair did was not noted: it has to be seen.',
  }[props.verdict.as]
})
</script>

<template>
  <div class="stack">
    <p class="small" role="status">{{ note }}</p>
    <table v-if="rows.length" class="small" aria-label="What must happen when">
      <tbody>
        <tr v-for="c in rows" :key="`${c.lane} ${c.turn} ${c.nth}`" :class="c.state">
          <th scope="row">{{ c.title }}</th>
          <td class="number">{{ formatClock(c.from) }} to {{ formatClock(c.to) }}</td>
          <td>
            <span v-if="c.at !== undefined && c.state !== 'missing'" class="number">{{ formatClock(c.at) }}, </span
            ><strong>{{ SAYS[c.state] }}</strong>
          </td>
        </tr>
      </tbody>
    </table>
    <div class="chips">
      <Button severity="secondary" @click="emit('watch')">{{
        running ? 'Back to the run' : watched ? 'Watch it once more' : 'Watch a cycle'
      }}</Button>
      <Button v-if="verdict?.as === 'passed'" severity="secondary" @click="emit('passed')">It holds: this cycle</Button>
      <Button v-if="verdict && verdict.as !== 'passed' && !running" severity="secondary" @click="emit('failed')"
        >It does not</Button
      >
    </div>
  </div>
</template>

<style scoped>
table {
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 400;
}
th,
td {
  padding: 0.2rem 0.5rem 0.2rem 0;
  border-top: 1px solid var(--line);
  vertical-align: top;
}
.early strong,
.late strong,
.missing strong {
  color: var(--danger);
}
.unwatched {
  color: var(--soft);
}
</style>
