<script setup lang="ts">
import { useRouter } from 'vue-router'
import { importParts, PART_COLUMNS } from '../../../../shared/contracts/parts'
import { MOST_ROWS } from '../../../../shared/contracts/units'
import { call } from '../../../data/http'
import { useRowsImport } from '../../../data/use-rows-import'
import { RowsFile } from '../../../ui'

const router = useRouter()
const taking = useRowsImport(
  (commit, rows) => call(importParts, { body: { commit, rows } }),
  MOST_ROWS,
  () => router.push('/shop/parts'),
)
</script>

<template>
  <RowsFile title="Parts from a file" :of="taking">
    A file with a heading line and the columns <strong>{{ PART_COLUMNS.join(', ') }}</strong>; only the first two must
    be there. Several things in one cell stand with semicolons between. A number that is there already is written anew.
    All rows are taken, or none.
    <template #sum>{{ taking.rows.length }} parts, {{ taking.preview?.changed }} of them there already.</template>
  </RowsFile>
</template>
