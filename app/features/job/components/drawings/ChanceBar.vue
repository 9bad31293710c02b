<script setup lang="ts">
/** How likely something is, as a length. A name makes it known to whoever does not see it; without one the words beside it stand for it. */
defineProps<{
  /** 0 … 1 */
  p: number
  name?: string
  /** Told apart by its pattern: what no repair on the sheet would cure. */
  hatched?: boolean
}>()
</script>

<template>
  <span
    class="bar"
    :role="name ? 'meter' : undefined"
    :aria-hidden="name ? undefined : true"
    :aria-label="name"
    :aria-valuenow="name ? Math.round(p * 100) : undefined"
    :aria-valuemin="name ? 0 : undefined"
    :aria-valuemax="name ? 100 : undefined"
    ><span class="fill fade" :class="{ hatched }" :style="{ width: `${Math.max(2, p * 100)}%` }"
  /></span>
</template>

<style scoped>
.bar {
  display: inline-block;
  flex: none;
  width: 3.4rem;
  height: 0.65rem;
  border: 1px solid var(--soft);
  border-radius: 3px;
  overflow: hidden;
}
.fill {
  display: block;
  height: 100%;
  background: var(--ink);
}
.fill.hatched {
  background: repeating-linear-gradient(135deg, var(--soft) 0 4px, var(--card) 4px 7px);
}
</style>
