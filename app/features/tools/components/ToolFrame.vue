<script setup lang="ts">
import { NuxtLink } from '#components'

/** A tool: what is measured on the left, what comes out beside it; on a phone below it. */
defineProps<{ title: string; use: string }>()
</script>

<template>
  <main class="page">
    <p class="back"><NuxtLink to="/tools">Tools</NuxtLink></p>
    <div class="row">
      <h1>{{ title }}</h1>
      <span class="push" />
      <slot name="aside" />
    </div>
    <p class="soft">{{ use }}</p>
    <div class="halves">
      <form class="card" aria-label="Measured" @submit.prevent>
        <slot name="measured" />
      </form>
      <section class="card results" aria-label="What comes out" aria-live="polite">
        <slot />
      </section>
    </div>
  </main>
</template>

<style scoped>
.back {
  margin: 0;
}
.halves {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
  gap: 0.8rem;
  align-items: start;
}
@media (max-width: 700px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
}
.results {
  display: grid;
  gap: 0.6rem;
  align-content: start;
}
.results :slotted(p) {
  margin: 0;
}
.results :slotted(.means) {
  font-size: 1.1rem;
  font-weight: 600;
}
</style>
