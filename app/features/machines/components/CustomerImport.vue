<script setup lang="ts">
import { useRouter } from 'vue-router'
import { CUSTOMER_COLUMNS, importCustomers, MOST_ROWS } from '../../../../shared/contracts/units'
import { call } from '../../../data/http'
import { useRowsImport } from '../../../data/use-rows-import'
import { RowsFile } from '../../../ui'

const router = useRouter()
const taking = useRowsImport(
  (commit, rows) => call(importCustomers, { body: { commit, rows } }),
  MOST_ROWS,
  () => router.push('/shop/files'),
)
</script>

<template>
  <RowsFile title="Customers from a file" :of="taking">
    A file with a heading line and the columns <strong>{{ CUSTOMER_COLUMNS.join(', ') }}</strong>, separated by commas
    or semicolons: a row for each place. A row without a place is the customer alone. All rows are taken, or none.
    <template #sum
      >{{ taking.preview?.newCustomers.length }} new customers, {{ taking.preview?.newSites.length }} new places,
      {{ taking.preview?.there }} there already.</template
    >
  </RowsFile>
</template>
