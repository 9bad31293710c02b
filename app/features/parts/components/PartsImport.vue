<script setup lang="ts">
import Button from 'primevue/button'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import type { z } from 'zod'
import { importParts } from '../../../../shared/contracts/parts'
import { MOST_ROWS } from '../../../../shared/contracts/units'
import { call } from '../../../data/http'
import { readRows } from '../../../data/read-rows'
import { RowsPreview } from '../../../ui'

const router = useRouter()
const rows = ref<Record<string, string>[]>([])
const preview = ref<z.infer<(typeof importParts)['answer']>>()
const trouble = ref('')
const busy = ref(false)

async function send(commit: boolean) {
  busy.value = true
  try {
    preview.value = await call(importParts, { body: { commit, rows: rows.value } })
    trouble.value = ''
    if (commit && !preview.value.problems.length) await router.push('/shop/parts')
  } catch (error) {
    trouble.value = error instanceof Error ? error.message : String(error)
  } finally {
    busy.value = false
  }
}
async function read(event: Event) {
  const chosen = (event.target as HTMLInputElement).files?.[0]
  if (!chosen) return
  preview.value = undefined
  rows.value = []
  const read = await readRows(chosen, MOST_ROWS)
  if ('fault' in read) trouble.value = read.fault
  else {
    rows.value = read.rows
    await send(false)
  }
}
</script>

<template>
  <main class="page">
    <h1>Parts from a file</h1>
    <p>
      A file with a heading line and the columns
      <strong>number, title, kind, fits, kit, substitutes, volts, degrees, contact, thread, price, reorder at</strong>;
      only the first two must be there. Several things in one cell stand with semicolons between. A number that is there
      already is written anew. All rows are taken, or none.
    </p>
    <label class="field">Choose the file <input type="file" accept=".csv,text/csv,text/plain" @change="read" /></label>
    <p v-if="trouble" role="alert" class="card">{{ trouble }}</p>
    <template v-if="preview">
      <p role="status">
        <template v-if="preview.problems.length"
          ><strong>{{ preview.problems.length }} things are wrong.</strong> Nothing has been taken. Mend the file and
          choose it again.</template
        >
        <template v-else>{{ rows.length }} parts, {{ preview.changed }} of them there already.</template>
      </p>
      <RowsPreview :rows="rows" :problems="preview.problems" />
      <div class="row">
        <Button :disabled="preview.problems.length > 0" :loading="busy" @click="send(true)"
          >Take all {{ rows.length }} in</Button
        >
      </div>
    </template>
  </main>
</template>
