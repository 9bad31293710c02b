<script setup lang="ts">
import { computed } from 'vue'
import { formatQuantity, type Dimension } from '../../../../../core/foundation/quantity'
import type { TestCard } from '../../../../../core/advice'
import ChanceBar from '../drawings/ChanceBar.vue'

/** Why a test is worth its minutes, and what each suspect would make it show. */
const props = defineProps<{ card: TestCard; dimension: Dimension | undefined }>()

/** Suspects that would show the same stand together: one row for each reading that tells something. */
const groups = computed(() => {
  const by = new Map<string, TestCard['suspects']>()
  for (const s of props.card.suspects) by.set(s.text, [...(by.get(s.text) ?? []), s])
  return [...by].map(([text, suspects]) => ({ text, suspects }))
})
</script>

<template>
  <div class="reasons">
    <div v-if="card.why.length" class="why">
      <h3>What would follow</h3>
      <ul>
        <li v-for="w in card.why" :key="w.text">
          <ChanceBar :p="w.chance" />
          <strong class="number">{{ w.text }}</strong> → {{ w.toward.join(' or ') }}
        </li>
      </ul>
    </div>
    <div class="expect">
      <h3>What each suspect would make it show</h3>
      <table aria-label="What each suspect would make it show">
        <tbody>
          <tr>
            <td><strong>healthy</strong></td>
            <td class="number">
              {{ card.healthy.text
              }}<span v-if="card.healthy.sd !== undefined && dimension" class="soft">
                ± {{ formatQuantity(2 * card.healthy.sd, dimension) }}</span
              >
            </td>
          </tr>
          <tr v-for="g in groups" :key="g.text">
            <td>
              <span v-for="s in g.suspects" :key="s.title" class="who">{{ s.title }}</span>
            </td>
            <td class="number">{{ g.text }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.reasons {
  display: grid;
  gap: 0.65rem;
}
.why ul {
  margin: 0.2rem 0 0;
  padding: 0;
  list-style: none;
}
.why li {
  display: flex;
  gap: 0.5rem;
  align-items: baseline;
}
.expect h3 {
  margin-bottom: 0.3rem;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 0.92rem;
}
td {
  padding: 0.25rem 0;
  border-top: 1px solid var(--line);
}
/* Whitespace between elements on lines of their own is dropped by the compiler. */
.expect td > span {
  margin-left: 0.35em;
}
.who {
  display: block;
}
.expect td.number {
  font-size: 1.1rem;
  vertical-align: top;
}
td:last-child {
  text-align: right;
  white-space: nowrap;
}
</style>
