<script setup lang="ts">
import { useRouter } from 'vue-router'
import { importUnits, MOST_ROWS, UNIT_COLUMNS } from '../../../../shared/contracts/units'
import { call } from '../../../data/http'
import { useRowsImport } from '../../../data/use-rows-import'
import { RowsFile } from '../../../ui'

const router = useRouter()
const { rows, file, preview, trouble, busy, read, take } = useRowsImport(
  (commit, rows) => call(importUnits, { body: { commit, rows } }),
  MOST_ROWS,
  () => router.push('/machines'),
)
</script>

<template>
  <RowsFile
    title="Machines from a file"
    :rows="rows"
    :file="file"
    :problems="preview?.problems"
    :trouble="trouble"
    :busy="busy"
    @read="read"
    @take="take"
  >
    A file with a heading line and the columns <strong>{{ UNIT_COLUMNS.join(', ') }}</strong>, separated by commas or
    semicolons. All rows are taken, or none.
    <template #sum
      >{{ rows.length }} {{ rows.length === 1 ? 'machine' : 'machines' }}, {{ preview?.newCustomers.length }} new
      customers, {{ preview?.newSites.length }} new places.</template
    >
  </RowsFile>
</template>
