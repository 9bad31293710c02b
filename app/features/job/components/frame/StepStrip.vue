<script setup lang="ts">
import { onMounted, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { JOB_STEPS, keepStep, type JobStep } from '../../../../data/last-step'
import { AppIcon } from '../../../../ui'
import { NuxtLink } from '#components'

/** The steps of a job in their order; a step stands here only when it works. */
const props = defineProps<{
  id: string
  /** How much is disconnected and not back. */
  off: number
}>()
const TITLES: Record<JobStep, string> = {
  call: 'Call',
  safe: 'Safe',
  wiring: 'Wiring',
  find: 'Find',
  run: 'Run',
  decide: 'Decide',
  repair: 'Repair',
  prove: 'Prove',
  report: 'Report',
}
const route = useRoute()
const isHere = (step: JobStep): boolean => route.path.endsWith(`/${step}`)
// Whoever comes back to the job comes back to where they were.
watch(
  () => JOB_STEPS.find(isHere),
  (step) => step && keepStep(props.id, step),
  { immediate: true },
)
const strip = useTemplateRef<HTMLElement>('strip')
/** On a phone the strip is longer than the screen: where one is stays in sight. */
function show() {
  const here = strip.value?.querySelector<HTMLElement>('[aria-current]')
  if (here) strip.value!.scrollLeft = here.offsetLeft - (strip.value!.clientWidth - here.offsetWidth) / 2
}
onMounted(show)
watch(() => route.path, show, { flush: 'post' })
</script>

<template>
  <nav ref="strip" class="steps" aria-label="Steps of this job">
    <NuxtLink to="/jobs" class="back" aria-label="All jobs"><AppIcon name="back" /></NuxtLink>
    <NuxtLink
      v-for="step in JOB_STEPS"
      :key="step"
      :to="`/jobs/${id}/${step}`"
      class="step-link"
      :class="{ here: isHere(step) }"
      :aria-current="isHere(step) ? 'step' : undefined"
      replace
      >{{ TITLES[step] }}<span v-if="step === 'wiring' && off" class="small"> {{ off }} off</span></NuxtLink
    >
  </nav>
</template>

<style scoped>
.steps {
  position: relative;
  display: flex;
  gap: 0.2rem;
  overflow-x: auto;
  scrollbar-width: none;
}
.steps > * {
  flex: none;
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
