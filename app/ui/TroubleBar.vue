<script setup lang="ts">
import AppIcon from './AppIcon.vue'

defineProps<{ text: string; waiting?: number }>()
</script>

<template>
  <div class="trouble" role="status" aria-label="Connection">
    <AppIcon name="cloud" />
    <span
      >{{ text }}
      <strong v-if="waiting">{{ waiting }} {{ waiting === 1 ? 'entry waits' : 'entries wait' }} on this device.</strong>
      Trying again …</span
    >
  </div>
</template>

<style scoped>
.trouble {
  display: flex;
  gap: 0.7rem;
  align-items: center;
  padding: 0.7rem 1rem;
  border: 2px dashed var(--soft);
  border-radius: var(--radius);
  background: var(--card);
}
</style>
