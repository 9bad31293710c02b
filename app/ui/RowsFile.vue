<script setup lang="ts">
import Button from 'primevue/button'
import RowsPreview from './RowsPreview.vue'

/** A file of rows on its way in: chosen, looked at, and taken whole or not at all. What its columns are stands in the default slot, what it comes to in `#sum`. */
defineProps<{
  title: string
  of: {
    rows: readonly Record<string, string>[]
    file: string
    /** What the server found; absent before it was asked. */
    preview?: { problems: readonly { row: number; column: string; message: string }[] } | undefined
    trouble: string
    busy: boolean
    read: (event: Event) => unknown
    take: () => unknown
  }
}>()
</script>

<template>
  <main class="page narrow">
    <h1>{{ title }}</h1>
    <p><slot /></p>
    <label class="field"
      >Choose the file <input type="file" accept=".csv,text/csv,text/plain" @change="of.read"
    /></label>
    <p v-if="of.trouble" role="alert" class="card">{{ of.trouble }}</p>
    <template v-if="of.preview">
      <p role="status">
        <template v-if="of.preview.problems.length"
          ><strong
            >{{ of.preview.problems.length }} {{ of.preview.problems.length === 1 ? 'thing is' : 'things are' }} wrong
            in {{ of.file }}.</strong
          >
          Nothing has been taken. Mend the file and choose it again.</template
        >
        <slot v-else name="sum" />
      </p>
      <RowsPreview :rows="of.rows" :problems="of.preview.problems" />
      <div class="row">
        <Button :disabled="of.preview.problems.length > 0" :loading="of.busy" @click="of.take"
          >Take all {{ of.rows.length }} in</Button
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
