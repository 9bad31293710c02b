<script setup lang="ts">
import Button from 'primevue/button'
import { useRouter } from 'vue-router'
import { importUnits, MOST_ROWS } from '../../../../shared/contracts/units'
import { call } from '../../../data/http'
import { useRowsImport } from '../../../data/use-rows-import'
import { RowsPreview } from '../../../ui'

const router = useRouter()
const { rows, file, preview, trouble, busy, read, take } = useRowsImport(
  (commit, rows) => call(importUnits, { body: { commit, rows } }),
  MOST_ROWS,
  () => router.push('/machines'),
)
</script>

<template>
  <main class="page narrow">
    <h1>Machines from a file</h1>
    <p>
      A file with a heading line and the columns <strong>title, serial, sheet, customer, site</strong>, separated by
      commas or semicolons. All rows are taken, or none.
    </p>
    <label class="choose">Choose the file <input type="file" accept=".csv,text/csv,text/plain" @change="read" /></label>
    <p v-if="trouble" role="alert" class="card">{{ trouble }}</p>
    <template v-if="preview">
      <p role="status">
        <template v-if="preview.problems.length"
          ><strong>{{ preview.problems.length }} things are wrong in {{ file }}.</strong> Nothing has been taken. Mend
          the file and choose it again.</template
        >
        <template v-else
          >{{ rows.length }} {{ rows.length === 1 ? 'machine' : 'machines' }}, {{ preview.newCustomers.length }} new
          customers, {{ preview.newSites.length }} new places.</template
        >
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

<style scoped>
.narrow {
  max-width: 1100px;
}
.choose {
  display: grid;
  gap: 0.4rem;
  font-weight: 600;
}
.choose input {
  min-height: 44px;
}
</style>
