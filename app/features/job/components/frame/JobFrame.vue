<script setup lang="ts">
import Button from 'primevue/button'
import { preloadRouteComponents } from '#imports'
import { computed, watch, watchEffect } from 'vue'
import { describeAwaited, describeEnding } from '../../../../../core/words'
import { JOB_STEPS } from '../../../../data/last-step'
import { formatDay, TroubleBar } from '../../../../ui'
import { useTrouble } from '../../../shell'
import { useRouter } from 'vue-router'
import { NuxtLink } from '#components'
import { provideJobContext } from '../../use-job-context'
import BypassBar from './BypassBar.vue'
import JobHead from './JobHead.vue'
import RefusedEntries from './RefusedEntries.vue'
import StepStrip from './StepStrip.vue'

/** What stands above every step of a job. */
const props = defineProps<{ id: string }>()
const { job, advice, person, closed, mayWrite, locked, said, bypasses, power, water, enter, act } = provideJobContext(
  props.id,
)
const ended = computed(() => {
  const { repair, as } = state.value.closed ?? {}
  return as ? describeEnding(as) : (facts.value?.repairs.find((r) => r.id === repair)?.title ?? repair)
})
const router = useRouter()
const texts = computed(() => new Map((facts.value?.makeSafe ?? []).map((s) => [s.id, s.text])))
const { meta, state, waiting, refused, missing: noSuchJob } = job
const { facts, view, broken } = advice
/** What is not asked for yet is fetched so long after the advice came, ms. */
const LATER = 1500
// Its other steps are there when the connection is not, and do not hold up the advice.
watch(
  () => view.value !== undefined,
  (is, _, onCleanup) => {
    if (!is) return
    const timer = setTimeout(() => {
      for (const step of JOB_STEPS) void preloadRouteComponents(`/jobs/${props.id}/${step}`).catch(() => undefined)
    }, LATER)
    onCleanup(() => clearTimeout(timer))
  },
  { immediate: true, flush: 'post' },
)
const sending = useTrouble()
const trouble = computed(() => (waiting.value.length ? sending.value?.message : undefined) ?? job.trouble.value)
/** What stops the engine: only where nothing else is known to be wrong. */
const stopped = computed(() => (broken.value && !view.value && !trouble.value ? broken.value : ''))
watchEffect(() => {
  document.title = meta.value ? `${meta.value.unit.title} · Duckweed` : 'Job · Duckweed'
})
</script>

<template>
  <div class="job">
    <main class="page">
      <JobHead
        :id="id"
        :unit="meta?.unit"
        :said="said"
        :words="state.words"
        :power="state.closed ? undefined : power"
        :water="water"
        :texts="texts"
        :time-zone="person.timeZone"
        @safe="router.replace(`/jobs/${id}/safe`)"
      />
      <TroubleBar v-if="trouble" :text="trouble" :waiting="waiting.length" />
      <section v-if="noSuchJob" class="card" aria-label="No such job">
        <h2>There is no such job</h2>
        <p>
          The address may be old, or the job belongs to another organisation.
          <NuxtLink to="/jobs">To the jobs</NuxtLink>
        </p>
      </section>
      <RefusedEntries :entries="refused" @discard="job.discard" @resend="job.resend" />
      <p v-if="stopped" role="alert" class="card">This machine cannot be run: {{ stopped }}</p>
      <BypassBar
        :bypasses="bypasses"
        :closed="closed"
        :locked="locked"
        @out="(target, lead) => act({ type: 'action', action: { verb: lead ? 'land' : 'unjumper', target } })"
      />
      <section v-if="state.closed" class="card row" aria-label="Closed">
        <strong>Closed: {{ ended }}.</strong>
        <span>{{ state.closed.text }}</span>
        <Button v-if="mayWrite" class="push" severity="secondary" @click="enter({ type: 'reopened' })">Reopen</Button>
      </section>
      <p v-if="state.awaits && !state.closed" role="note" aria-label="Waiting" class="card">
        <strong>{{ describeAwaited(state.awaits.what) }}.</strong>
        <template v-if="state.awaits.parts?.length">
          {{ state.awaits.parts.map((p) => [p.title, p.number].filter(Boolean).join(', ')).join('; ') }}.</template
        >
        <template v-if="state.awaits.until"> Somebody comes back on {{ formatDay(state.awaits.until) }}.</template>
        {{ state.awaits.text }}
        <span class="soft small">{{ state.awaits.by }}</span>
      </p>
      <p v-if="!view && !stopped && !trouble && !noSuchJob" class="soft">Running the machine, healthy and broken …</p>
      <slot v-if="!noSuchJob" />
    </main>
    <!-- After the work in the order of the keyboard, beside it on the screen. -->
    <StepStrip v-if="!noSuchJob" :id="id" :off="state.disconnected?.length ?? 0" class="strip" />
  </div>
</template>

<style scoped>
.job {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
}
.strip {
  order: -1;
}
/* A step has the rest of the screen and scrolls by itself. */
@media (min-width: 901px) {
  .job {
    grid-template-columns: 84px minmax(0, 1fr);
    min-height: 100dvh;
  }
  .page {
    width: 100%;
    height: 100dvh;
    padding: 0.6rem 1rem 1rem;
    gap: 0.6rem;
    display: flex;
    flex-direction: column;
  }
  .page > * {
    flex: none;
  }
  .page > :deep(.step) {
    flex: 1;
    min-height: 0;
    overflow-y: auto;
  }
}
/* Beside the act that stands at the right hand. */
@media (max-width: 900px) and (max-height: 500px) and (orientation: landscape) {
  .page:has(.act) {
    margin: 0;
    gap: 0.3rem;
    padding-top: 0.2rem;
    padding-right: calc(46vw + 0.75rem);
  }
}
</style>
