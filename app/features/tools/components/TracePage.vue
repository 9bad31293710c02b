<script setup lang="ts">
import Select from 'primevue/select'
import { wrap } from 'comlink'
import { computed, defineAsyncComponent, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { NuxtLink } from '#components'
import type { OnInterval, TraceSummary } from '../../../../core/metering'
import { describeTraceProblem, formatClock } from '../../../../core/words'
import type { OpenedTrace, TraceApi } from '../trace-protocol'

/** What a logger wrote, as a picture: its highest and lowest, and when something was on. */
const TraceChart = defineAsyncComponent(() => import('./TraceChart.vue'))
/** Steps of a picture: more a screen cannot show. */
const STEPS = 600
/** More intervals are no list that anybody reads. */
const MOST_SHOWN = 40

const worker = new Worker(new URL('../trace.worker.ts', import.meta.url), { type: 'module' })
const remote = wrap<TraceApi>(worker)
onBeforeUnmount(() => worker.terminate())

const opened = shallowRef<OpenedTrace>()
const refusal = ref('')
const reading = ref('')
const column = ref(0)
const points = shallowRef<[number, number | null][]>([])
const summary = shallowRef<TraceSummary>()
const intervals = shallowRef<OnInterval[]>([])
const span = ref<[number, number]>([0, 1])

async function open(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  opened.value = undefined
  refusal.value = ''
  reading.value = file.name
  try {
    const answer = await remote.open(file)
    if ('problem' in answer) refusal.value = describeTraceProblem(answer.problem)
    else {
      column.value = 0
      span.value = [0, Math.max(answer.opened.lasts, 1e-9)]
      opened.value = answer.opened
      intervals.value = await remote.intervals(0)
    }
  } catch {
    refusal.value = 'The file could not be read.'
  }
  reading.value = ''
  // The same file can be chosen again once it was mended.
  input.value = ''
}
watch([opened, column, span], async () => {
  const own = opened.value
  if (!own) return
  const [from, to] = span.value
  const [picture, sums] = await Promise.all([
    remote.picture(column.value, from, to, STEPS),
    remote.summary(column.value, from, to),
  ])
  if (own !== opened.value) return
  points.value = picture
  summary.value = sums
})
watch(column, async (c) => (intervals.value = await remote.intervals(c)))
const names = computed(() => (opened.value?.columns ?? []).map((title, id) => ({ id, title })))
const figure = (x: number) => (Number.isFinite(x) ? String(Number(x.toPrecision(5))) : 'over its range')
const length = (s: number) => (s < 60 ? `${Math.round(s * 10) / 10} s` : formatClock(s))
</script>

<template>
  <main class="page">
    <p class="back"><NuxtLink to="/tools">Tools</NuxtLink></p>
    <h1>Trace of a logger</h1>
    <p class="soft">
      A file with rows of numbers; separator, decimal comma and titles are found out. It stays on this device.
    </p>
    <label class="pick card"
      ><span>Choose a file</span> <input type="file" accept=".csv,.txt,.tsv,text/csv,text/plain" @change="open"
    /></label>
    <p v-if="reading" role="status">Reading {{ reading }} …</p>
    <p v-if="refusal" role="alert" class="card refused">{{ refusal }}</p>
    <template v-if="opened">
      <section class="card" aria-label="The trace">
        <div class="row">
          <span class="number" role="note" aria-label="Size"
            >{{ opened.rows.toLocaleString('en') }} rows{{
              opened.timeIs === 'rows' ? ', no time in it: rows are counted' : `, ${length(opened.lasts)}`
            }}</span
          >
          <Select
            v-if="names.length > 1"
            v-model="column"
            class="push"
            :options="names"
            option-label="title"
            option-value="id"
            aria-label="Column"
          />
          <strong v-else class="push">{{ names[0]?.title }}</strong>
        </div>
        <TraceChart
          :points="points"
          :lasts="opened.lasts"
          :title="names[column]?.title ?? ''"
          @span="(from, to) => (span = [from, to])"
        />
        <dl v-if="summary" aria-label="In the window">
          <div>
            <dt>Highest</dt>
            <dd class="number">{{ figure(summary.most) }}</dd>
          </div>
          <div>
            <dt>Lowest</dt>
            <dd class="number">{{ figure(summary.least) }}</dd>
          </div>
          <div>
            <dt>Mean</dt>
            <dd class="number">{{ figure(summary.mean) }}</dd>
          </div>
          <div v-if="summary.over">
            <dt>Beyond the range</dt>
            <dd class="number">{{ summary.over }} times</dd>
          </div>
        </dl>
        <p v-else class="soft">Nothing was read in this window.</p>
      </section>
      <section class="card" aria-label="When it was on">
        <h2>When it was on</h2>
        <p v-if="!intervals.length" class="soft">It hardly moves: nothing that goes on and off.</p>
        <ol v-else>
          <li v-for="(s, k) in intervals.slice(0, MOST_SHOWN)" :key="k" class="number">
            {{ formatClock(s.from) }} to {{ formatClock(s.to) }}, {{ length(s.to - s.from) }}, {{ figure(s.mean) }} on
            the mean
          </li>
        </ol>
        <p v-if="intervals.length > MOST_SHOWN" class="small soft">and {{ intervals.length - MOST_SHOWN }} more</p>
      </section>
    </template>
  </main>
</template>

<style scoped>
.back {
  margin: 0;
}
.pick {
  display: flex;
  gap: 1rem;
  align-items: center;
  flex-wrap: wrap;
  min-height: 44px;
}
.refused {
  border-color: var(--danger);
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 2rem;
  margin: 0.6rem 0 0;
}
dd {
  margin: 0;
  font-weight: 700;
  font-size: 1.2rem;
}
</style>
