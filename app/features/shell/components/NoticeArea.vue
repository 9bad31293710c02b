<script setup lang="ts">
import { dismiss, useNotices } from '../notices'

const notices = useNotices()
</script>

<template>
  <section class="notices" aria-label="Notices" aria-live="polite">
    <div v-for="n in notices" :key="n.kind" class="notice">
      <span>{{ n.text }}</span>
      <button v-if="n.act" type="button" class="do" @click="n.act.run()">{{ n.act.label }}</button>
      <button type="button" class="away" :aria-label="`Put away: ${n.text}`" @click="dismiss(n.kind)">Put away</button>
    </div>
  </section>
</template>

<style scoped>
.notices:empty {
  display: none;
}
.notice {
  display: flex;
  gap: 0.8rem;
  align-items: center;
  padding: 0.3rem 1rem;
  border-bottom: 1px solid var(--line);
  border-left: 6px solid var(--ink);
  background: var(--card);
}
.notice span {
  flex: 1;
}
button {
  min-height: 44px;
  border: 0;
  background: none;
  text-decoration: underline;
  cursor: pointer;
}
.do {
  font-weight: 700;
}
</style>
