<script setup lang="ts">
import { useRoute } from 'vue-router'
import { AppIcon } from '../../../ui'
import { NuxtLink } from '#components'

/** The steps of a job in their order; a step stands here only when it works. */
defineProps<{
  id: string
  /** How much is disconnected and not back. */
  off: number
}>()
const STEPS = [
  { path: 'call', title: 'Call' },
  { path: 'safe', title: 'Safe' },
  { path: 'wiring', title: 'Wiring' },
  { path: 'find', title: 'Find' },
] as const
const route = useRoute()
</script>

<template>
  <nav class="steps" aria-label="Steps of this job">
    <NuxtLink to="/jobs" class="back" aria-label="All jobs"><AppIcon name="back" /></NuxtLink>
    <NuxtLink
      v-for="s in STEPS"
      :key="s.path"
      :to="`/jobs/${id}/${s.path}`"
      class="step-link"
      :class="{ here: route.path.endsWith(`/${s.path}`) }"
      :aria-current="route.path.endsWith(`/${s.path}`) ? 'step' : undefined"
      replace
      >{{ s.title }}<span v-if="s.path === 'wiring' && off" class="small"> {{ off }} off</span></NuxtLink
    >
  </nav>
</template>

<style scoped>
.steps {
  display: flex;
  gap: 0.2rem;
}
.back {
  min-width: 44px;
  min-height: 44px;
  display: grid;
  place-items: center;
  color: inherit;
}
.step-link {
  min-height: 44px;
  display: grid;
  place-items: center;
  padding: 0 0.9rem;
  color: inherit;
  text-decoration: none;
  border-bottom: 4px solid transparent;
}
.here {
  border-bottom-color: var(--ink);
  font-weight: 700;
}
@media (min-width: 901px) {
  .steps {
    flex-direction: column;
    padding: 0.8rem 0 0;
    border-right: 1px solid var(--line);
    background: var(--card);
  }
  .step-link {
    min-height: 56px;
    border-bottom: 0;
    border-left: 5px solid transparent;
    padding: 0 0.4rem;
  }
  .here {
    border-left-color: var(--ink);
    background: var(--shade);
  }
}
</style>
