<script setup lang="ts">
import { computed } from 'vue'

/** The rows of a file before they are taken, each wrong one with what is wrong. */
const props = defineProps<{
  rows: readonly Record<string, string>[]
  /** Rows count from 1. */
  problems: readonly { row: number; column: string; message: string }[]
}>()
const SHOWN = 200
const columns = computed(() => Object.keys(props.rows[0] ?? {}))
const wrongIn = (row: number) => props.problems.filter((p) => p.row === row + 1)
const beyond = computed(() => props.problems.filter((p) => p.row > SHOWN))
</script>

<template>
  <div class="wide-table">
    <table class="table">
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
  <ul v-if="beyond.length">
    <li v-for="p in beyond" :key="`${p.row}${p.column}`">Row {{ p.row }}, {{ p.column }}: {{ p.message }}</li>
  </ul>
</template>

<style scoped>
.wrong td {
  background: var(--shade);
}
.wrong td:first-child {
  border-left: 6px solid var(--ink);
  font-weight: 700;
}
</style>
