<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { z } from 'zod'
import { importUnits, MOST_ROWS } from '../../../../shared/contracts/units'
import { call } from '../../../data/http'

const router = useRouter()
const rows = ref<Record<string, string>[]>([])
const file = ref('')
const preview = ref<z.infer<(typeof importUnits)['answer']>>()
const trouble = ref('')
const busy = ref(false)
const columns = computed(() => Object.keys(rows.value[0] ?? {}))
const wrongIn = (row: number) => preview.value?.problems.filter((p) => p.row === row + 1) ?? []
const SHOWN = 200

async function send(commit: boolean) {
  busy.value = true
  try {
    preview.value = await call(importUnits, { body: { commit, rows: rows.value } })
    trouble.value = ''
    if (commit && preview.value.made) await router.push('/machines')
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
  file.value = chosen.name
  const { default: Papa } = await import('papaparse')
  const { data, errors } = Papa.parse<Record<string, string>>((await chosen.text()).replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim().toLowerCase(),
  })
  const broken = errors.find((e) => e.type !== 'Delimiter')
  if (broken) trouble.value = `Row ${(broken.row ?? 0) + 1}: ${broken.message}`
  else if (!data.length) trouble.value = 'There are no rows in this file.'
  else if (data.length > MOST_ROWS) trouble.value = `At most ${MOST_ROWS} rows at a time; this file has ${data.length}.`
  else {
    rows.value = data
    await send(false)
  }
}
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
      <div class="wide">
        <table>
          <thead>
            <tr>
              <th>Row</th>
              <th v-for="c in columns" :key="c">{{ c }}</th>
              <th>What is wrong</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(r, i) in rows.slice(0, SHOWN)" :key="i" :class="{ wrong: wrongIn(i).length }">
              <td class="number">{{ i + 1 }}</td>
              <td v-for="c in columns" :key="c">{{ r[c] }}</td>
              <td>
                <span v-for="p in wrongIn(i)" :key="p.column + p.message">{{ p.column }}: {{ p.message }} </span>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <ul v-if="preview.problems.some((p) => p.row > SHOWN)">
        <li v-for="p in preview.problems.filter((x) => x.row > SHOWN)" :key="`${p.row}${p.column}`">
          Row {{ p.row }}, {{ p.column }}: {{ p.message }}
        </li>
      </ul>
      <div class="row">
        <Button :disabled="preview.problems.length > 0" :loading="busy" @click="send(true)"
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
.wide {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 0.92rem;
}
th,
td {
  text-align: left;
  padding: 0.35rem 0.6rem;
  border-bottom: 1px solid var(--line);
}
.wrong td {
  background: var(--shade);
}
.wrong td:first-child {
  border-left: 6px solid var(--ink);
  font-weight: 700;
}
</style>
