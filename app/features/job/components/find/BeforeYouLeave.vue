<script setup lang="ts">
import type { MachineFacts } from '../../../../engine'

/** What is worth saying to whoever owns the machine. */
defineProps<{ facts: Pick<MachineFacts, 'care'> }>()
</script>

<template>
  <details v-if="facts.care.length" class="leave">
    <summary>Before you leave: care</summary>
    <section aria-label="Care worth saying">
      <h3>Care worth saying</h3>
      <p v-for="c in facts.care" :key="c.id" class="small">
        <strong>{{ c.every }}</strong>: {{ c.text }}. <span class="soft">{{ c.why }}</span>
      </p>
    </section>
  </details>
</template>

<style scoped>
.leave {
  border-left: 5px solid var(--line);
  padding-left: 0.7rem;
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
  text-decoration: underline;
}
h3,
p {
  margin: 0;
}
p {
  padding: 0.15rem 0;
}
</style>
