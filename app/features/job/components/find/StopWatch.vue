<script setup lang="ts">
import { computed, onScopeDispose, ref } from 'vue'

/** Times a length: started and stopped here, written down as minutes and seconds. It goes on by stamps while nobody looks. */
const text = defineModel<string>('text', { required: true })
const begun = ref<number>()
const now = ref(0)
const timer = setInterval(() => (now.value = Date.now()), 200)
onScopeDispose(() => clearInterval(timer))

const seconds = computed(() => (begun.value === undefined ? 0 : Math.max(0, (now.value - begun.value) / 1000)))
const format = (s: number) => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`
function press() {
  now.value = Date.now()
  if (begun.value === undefined) begun.value = now.value
  else {
    text.value = format(Math.round(seconds.value))
    begun.value = undefined
  }
}
</script>

<template>
  <button type="button" class="chip watch number" @click="press">
    {{ begun === undefined ? 'Start the watch' : `Stop at ${format(seconds)}` }}
  </button>
</template>

<style scoped>
.watch {
  flex: 1;
  font-weight: 600;
}
</style>
