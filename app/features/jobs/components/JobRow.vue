<script setup lang="ts">
import { computed } from 'vue'
import type { JobRow } from '../../../../shared/contracts/jobs'
import { describeAwaited } from '../../../../core/words'
import { formatMoment } from '../../../ui'
import { NuxtLink } from '#components'

const props = defineProps<{ job: JobRow; timeZone: string }>()
const state = computed(() => (props.job.closed ? 'closed' : 'open'))
const found = computed(() => {
  const { closed, readings, repairs } = props.job
  if (closed) return closed.repair || 'Closed'
  const tries = repairs ? `, ${repairs} ${repairs === 1 ? 'repair' : 'repairs'} in vain` : ''
  return readings ? `${readings} ${readings === 1 ? 'reading' : 'readings'}${tries}` : 'Nothing read yet'
})
</script>

<template>
  <NuxtLink :to="`/jobs/${job.id}`" class="job">
    <span class="state" :class="state">{{ state }}</span>
    <span class="what">
      <strong>{{ job.complaints.join(', ') || 'No complaint noted' }}</strong>
      <span>{{ job.title }}</span>
      <span class="soft small">{{ job.customer }}, {{ job.place }}</span>
    </span>
    <span class="found">
      <span>{{ found }}</span>
      <span v-if="job.awaits">{{ describeAwaited(job.awaits.what) }}. {{ job.awaits.text }}</span>
      <span v-if="job.disconnected.length">Still off: {{ job.disconnected.join(', ') }}</span>
      <strong v-if="job.bypasses.length" class="bypass">To put right: {{ job.bypasses.join(', ') }}</strong>
    </span>
    <span class="small soft time"
      ><span>{{ job.touchedBy }}</span> <span>{{ formatMoment(job.touchedAt, timeZone) }}</span></span
    >
  </NuxtLink>
</template>

<style scoped>
.job {
  display: grid;
  grid-template-columns: 4.6rem minmax(0, 5fr) minmax(0, 4fr) 8rem;
  gap: 1rem;
  align-items: center;
  color: inherit;
  text-decoration: none;
  padding: 0.65rem 0.9rem;
  border-bottom: 1px solid var(--line);
  background: var(--card);
}
.job:hover {
  background: color-mix(in srgb, var(--ink) 5%, var(--card));
}
.what,
.found {
  display: grid;
}
.state {
  font-weight: 700;
  border-left: 5px solid var(--ink);
  padding-left: 0.5rem;
}
.state.closed {
  color: var(--soft);
  border-left: 5px dotted var(--soft);
  font-weight: 400;
}
.bypass {
  color: var(--danger);
}
.time {
  display: grid;
}
@media (max-width: 700px) {
  .job {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0.2rem 0.8rem;
  }
  .what {
    grid-area: 1 / 1;
  }
  .state {
    grid-area: 1 / 2;
    align-self: start;
  }
  .found,
  .time {
    grid-column: 1 / -1;
  }
  .time {
    display: block;
  }
}
</style>
