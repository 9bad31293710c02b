<script setup lang="ts">
/** Offered before the first act that takes something off. */
const emit = defineEmits<{ record: [] }>()
</script>

<template>
  <p class="first small" role="note" aria-label="Record the wiring first">
    <span>Something comes off here that has to go back where it was.</span>
    <button type="button" class="word-button" @click="emit('record')">Record the wiring first</button>
  </p>
</template>

<style scoped>
.first {
  border-left: 5px solid var(--ink);
  padding-left: 0.7rem;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 0.6rem;
}
</style>
