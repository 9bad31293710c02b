<script setup lang="ts">
import Button from 'primevue/button'
import RowsPreview from './RowsPreview.vue'

/** A file of rows on its way in: chosen, looked at, and taken whole or not at all. What its columns are stands in the default slot, what it comes to in `#sum`. */
defineProps<{
  title: string
  rows: readonly Record<string, string>[]
  file: string
  /** What the server found; absent before it was asked. */
  problems?: readonly { row: number; column: string; message: string }[] | undefined
  trouble: string
  busy: boolean
}>()
const emit = defineEmits<{ read: [event: Event]; take: [] }>()
</script>

<template>
  <main class="page narrow">
    <h1>{{ title }}</h1>
    <p><slot /></p>
    <label class="field"
      >Choose the file <input type="file" accept=".csv,text/csv,text/plain" @change="emit('read', $event)"
    /></label>
    <p v-if="trouble" role="alert" class="card">{{ trouble }}</p>
    <template v-if="problems">
      <p role="status">
        <template v-if="problems.length"
          ><strong
            >{{ problems.length }} {{ problems.length === 1 ? 'thing is' : 'things are' }} wrong in {{ file }}.</strong
          >
          Nothing has been taken. Mend the file and choose it again.</template
        >
        <slot v-else name="sum" />
      </p>
      <RowsPreview :rows="rows" :problems="problems" />
      <div class="row">
        <Button :disabled="problems.length > 0" :loading="busy" @click="emit('take')"
          >Take all {{ rows.length }} in</Button
        >
      </div>
    </template>
  </main>
</template>

<style scoped>
.narrow {
  max-width: 1100px;
}
.field input {
  min-height: 44px;
}
</style>
