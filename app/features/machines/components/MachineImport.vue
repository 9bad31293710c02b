<script setup lang="ts">
import { useRouter } from 'vue-router'
import { importUnits, MOST_ROWS, UNIT_COLUMNS } from '../../../../shared/contracts/units'
import { call } from '../../../data/http'
import { useRowsImport } from '../../../data/use-rows-import'
import { RowsFile } from '../../../ui'

const router = useRouter()
const taking = useRowsImport(
  (commit, rows) => call(importUnits, { body: { commit, rows } }),
  MOST_ROWS,
  () => router.push('/machines'),
)
</script>

<template>
  <RowsFile title="Machines from a file" :of="taking">
    A file with a heading line and the columns <strong>{{ UNIT_COLUMNS.join(', ') }}</strong>, separated by commas or
    semicolons. All rows are taken, or none.
    <template #sum
      >{{ taking.rows.length }} {{ taking.rows.length === 1 ? 'machine' : 'machines' }},
      {{ taking.preview?.newCustomers.length }} new customers, {{ taking.preview?.newSites.length }} new
      places.</template
    >
  </RowsFile>
</template>
