<script setup lang="ts">
import AppIcon from './AppIcon.vue'

/** Takes one entry of a list back. */
defineProps<{ label: string }>()
</script>

<template>
  <button type="button" class="undo" :aria-label="label"><AppIcon name="undo" /></button>
</template>

<style scoped>
.undo {
  min-width: 44px;
  min-height: 44px;
  border: 0;
  background: none;
  color: inherit;
  cursor: pointer;
}
</style>
