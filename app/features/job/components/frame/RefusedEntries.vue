<script setup lang="ts">
import Button from 'primevue/button'
import type { KeptEntry } from '../../../../data/database'

defineProps<{ entries: KeptEntry[] }>()
const emit = defineEmits<{ discard: [id: string]; resend: [id: string] }>()

const titleOf = ({ event: { payload } }: KeptEntry): string => {
  switch (payload.type) {
    case 'reading':
      return `Reading ${payload.text} of ${payload.test}`
    case 'note':
      return `Note: ${payload.text}`
    case 'closed':
      return 'Closing the job'
    case 'action':
      return `${payload.action.verb} ${payload.action.target ?? ''}`
    case 'photo':
      return 'A photo'
    case 'label':
      return `Label: ${payload.name}`
    case 'disconnected':
      return `Off: ${payload.name}`
    default:
      return payload.type
  }
}
</script>

<template>
  <section v-if="entries.length" class="card refused" aria-label="Entries that were not taken">
    <h2>Not taken by the server</h2>
    <p class="soft small">They stay on this device until you send them again or discard them.</p>
    <div v-for="e in entries" :key="e.id" class="entry" role="alert">
      <span
        ><strong>{{ titleOf(e) }}</strong
        ><br />{{ e.message }}</span
      >
      <Button severity="secondary" @click="emit('resend', e.id)">Send again</Button>
      <Button severity="secondary" @click="emit('discard', e.id)">Discard</Button>
    </div>
  </section>
</template>

<style scoped>
.refused {
  border: 2px solid var(--ink);
  display: grid;
  gap: 0.5rem;
}
.entry {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 0.6rem;
  align-items: center;
}
@media (max-width: 700px) {
  .entry {
    grid-template-columns: 1fr 1fr;
  }
  .entry > span {
    grid-column: 1 / -1;
  }
}
</style>
