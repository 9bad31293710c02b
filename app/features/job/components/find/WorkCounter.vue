<script setup lang="ts">
import { computed } from 'vue'

/** Counts how often a switch that is worked by hand did what it should; what is counted stands in the field. */
const text = defineModel<string>('text', { required: true })
const counted = computed(() => {
  const [, clean, of] = /^(\d+)\s*(?:\/|of)\s*(\d+)$/.exec(text.value.trim()) ?? []
  return { clean: Number(clean ?? 0), of: Number(of ?? 0) }
})
const count = (clean: boolean) => (text.value = `${counted.value.clean + (clean ? 1 : 0)}/${counted.value.of + 1}`)
</script>

<template>
  <button type="button" class="chip" @click="count(true)">+ clean</button>
  <button type="button" class="chip" @click="count(false)">+ missed</button>
</template>

<style scoped>
.chip {
  flex: 1;
  font-weight: 600;
}
</style>
