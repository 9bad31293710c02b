<script setup lang="ts">
import Button from 'primevue/button'
import { useRouter } from 'vue-router'
import { importParts } from '../../../../shared/contracts/parts'
import { MOST_ROWS } from '../../../../shared/contracts/units'
import { call } from '../../../data/http'
import { useRowsImport } from '../../../data/use-rows-import'
import { RowsPreview } from '../../../ui'

const router = useRouter()
const { rows, preview, trouble, busy, read, take } = useRowsImport(
  (commit, rows) => call(importParts, { body: { commit, rows } }),
  MOST_ROWS,
  () => router.push('/shop/parts'),
)
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
        <Button :disabled="preview.problems.length > 0" :loading="busy" @click="take"
          >Take all {{ rows.length }} in</Button
        >
      </div>
    </template>
  </main>
</template>
