<script setup lang="ts">
import type { MachineFacts } from '../../../../engine'

/** What is set and noted as left, and what is worth saying to whoever owns the machine. */
defineProps<{ facts: Pick<MachineFacts, 'settings' | 'care'> }>()
</script>

<template>
  <details v-if="facts.settings.length || facts.care.length" class="leave">
    <summary>Before you leave: settings and care</summary>
    <section v-if="facts.settings.length" aria-label="Settings as left">
      <h3>Settings, written down as left</h3>
      <p v-for="s in facts.settings" :key="s.id" class="small">
        <strong>{{ s.title }}</strong><template v-if="s.usual">, usually {{ s.usual }}</template
        >: {{ s.found }}
      </p>
    </section>
    <section v-if="facts.care.length" aria-label="Care worth saying">
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
section + section {
  margin-top: 0.5rem;
}
</style>
