<script setup lang="ts">
import type { TestCard } from '../../../../../core/advice'

/** The rows of readings that are taken in one go, as far as they have been read. */
defineProps<{ strip: NonNullable<TestCard['strip']> }>()
</script>

<template>
  <ol class="column" :aria-label="`Column of ${strip.rows.length} readings`">
    <li v-for="(row, i) in strip.rows" :key="row.id" :aria-current="i === strip.at ? 'step' : undefined">
      <span>{{ row.title }}</span>
      <span class="number push">{{ row.text ?? (i === strip.at ? 'now' : '') }}</span>
    </li>
  </ol>
</template>

<style scoped>
.column {
  margin: 0;
  padding: 0;
  list-style: none;
  border-top: 1.5px solid var(--soft);
}
.column li {
  display: flex;
  gap: 0.6rem;
  padding: 0.15rem 0.5rem;
  border-bottom: 1px solid var(--shade);
  font-size: 0.95rem;
}
.column li[aria-current] {
  border-left: 6px solid var(--ink);
  background: var(--shade);
  font-weight: 600;
}
</style>
