<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { NuxtLink } from '#components'
import { useTimers } from '../use-timers'

/** The clocks of this device that go on; each was started among the tools. */
const state = useTimers()
const clocks = computed(() => state.clocks.filter((c) => c.ended === null))
const now = ref(Date.now())
let ticking: ReturnType<typeof setInterval> | undefined
onMounted(() => (ticking = setInterval(() => (now.value = Date.now()), 1000)))
onBeforeUnmount(() => clearInterval(ticking))
const two = (n: number) => String(Math.floor(n)).padStart(2, '0')
const since = (began: number) => {
  const s = Math.max(0, now.value - began) / 1000
  return `${Math.floor(s / 3600) ? `${Math.floor(s / 3600)}:` : ''}${two((s / 60) % 60)}:${two(s % 60)}`
}
</script>

<template>
  <li v-for="c in clocks" :key="c.name + c.began">
    <NuxtLink to="/tools/timers" class="line"
      ><strong class="number">{{ since(c.began) }}</strong> <span>{{ c.name }}</span></NuxtLink
    >
  </li>
</template>

<style scoped>
.line {
  display: flex;
  gap: 1rem;
  align-items: center;
  min-height: 44px;
  color: inherit;
  text-decoration: none;
}
</style>
