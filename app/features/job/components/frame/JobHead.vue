<script setup lang="ts">
import { ref } from 'vue'
import type { PowerState, WaterState } from '../../../../../core/job'
import { NuxtLink } from '#components'
import StatePill from './StatePill.vue'

defineProps<{
  id: string
  unit: { title: string; customer: string; place: string } | undefined
  /** The complaints as the sheet words them. */
  said: string
  /** The customer's own words. */
  words: string
  power: PowerState | undefined
  water: WaterState | undefined
  texts: ReadonlyMap<string, string>
  timeZone: string
}>()
const emit = defineEmits<{ safe: [] }>()
const open = ref(false)
</script>

<template>
  <div class="head">
    <div class="what">
      <h1>
        <template v-for="(word, i) in (unit?.title ?? 'Job').split(' ')" :key="i"
          >{{ i ? ' ' : '' }}<span class="whole">{{ word }}</span></template
        >
      </h1>
      <button type="button" class="said small" :aria-expanded="open" @click="open = !open">
        {{ unit ? `${unit.customer}, ${unit.place}` : '' }}<template v-if="said"> · {{ said }}</template>
      </button>
    </div>
    <StatePill v-if="power" :power="power" :water="water" :texts="texts" :time-zone="timeZone" @open="emit('safe')" />
    <p v-if="open" class="words small">
      {{ words ? `In their own words: “${words}”` : 'The customer’s own words were not written down.' }}
      <NuxtLink :to="`/jobs/${id}/call`">To the call</NuxtLink>
    </p>
  </div>
</template>

<style scoped>
/* A model is not broken at its hyphen. */
.whole {
  display: inline-block;
  max-width: 100%;
}
.head {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 0.5rem;
  align-items: center;
}
.said {
  border: 0;
  background: none;
  padding: 0;
  min-height: 24px;
  color: var(--soft);
  text-align: left;
  cursor: pointer;
}
.words {
  grid-column: 1 / -1;
}
@media (max-width: 900px) {
  .head {
    grid-template-columns: minmax(0, 1fr) minmax(0, 11.5rem);
  }
  h1 {
    font-size: 1.1rem;
  }
  .said {
    display: block;
    max-width: 100%;
    overflow: hidden;
    white-space: nowrap;
    text-overflow: ellipsis;
  }
}
@media (max-width: 900px) and (max-height: 500px) {
  .said {
    display: none;
  }
}
</style>
