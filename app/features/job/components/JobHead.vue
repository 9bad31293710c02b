<script setup lang="ts">
import { AppIcon } from '../../../ui'
import { NuxtLink } from '#components'

defineProps<{
  unit: { title: string; customer: string; place: string } | undefined
  /** The complaints in the customer's words. */
  said: string
}>()
</script>

<template>
  <div class="head">
    <NuxtLink to="/jobs" class="back" aria-label="All jobs"><AppIcon name="back" /></NuxtLink>
    <div>
      <h1>{{ unit?.title ?? 'Job' }}</h1>
      <p class="soft small">
        {{ unit ? `${unit.customer}, ${unit.place}` : '' }}
        <template v-if="said"> · {{ said }} </template>
      </p>
    </div>
  </div>
</template>

<style scoped>
.head {
  display: grid;
  grid-template-columns: 44px minmax(0, 1fr);
  gap: 0 0.3rem;
  align-items: center;
}
.back {
  min-width: 44px;
  min-height: 44px;
  display: grid;
  place-items: center;
  color: inherit;
}
</style>
