<script setup lang="ts">
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { formatIn, type Dimension } from '../../../../core/foundation/quantity'
import { capital } from '../../../../core/words'
import { useShopSwitch } from '../../../data/shop-switch'
import { formatMoment } from '../../../ui'
import { useSession } from '../../session'
import { NuxtLink } from '#components'
import { usePast } from '../use-past'
import TrendChart from './TrendChart.vue'

/** What a machine's past says: what comes again, what was read of it over the years, and what the shop has learnt of such machines. */
const props = defineProps<{ unit: string; revision: string }>()
const session = useSession()
const { id, timeZone } = session.person!
const { history, learnt, trends, trouble } = usePast(id, props.unit, props.revision)
const { on } = useShopSwitch()

const picked = ref<string | null>(null)
const trend = computed(() => trends.value.find((t) => t.test === picked.value) ?? trends.value[0])
const shown = (si: number, dimension: string) => formatIn(si, dimension as Dimension, 'metric')
const range = (list: readonly number[], dimension: string) =>
  list.length ? `${shown(Math.min(...list), dimension)} to ${shown(Math.max(...list), dimension)}` : 'none yet'
const outside = computed(() => {
  const own = trend.value
  return own?.band ? own.readings.filter((r) => r.si < own.band!.least || r.si > own.band!.most).length : 0
})
/** Each with what was written down last, and what before. */
const settings = computed(() => {
  const all = history.value?.settings ?? []
  return [...new Set(all.map((s) => s.setting))].map((id) => {
    const [newest, ...before] = all.filter((s) => s.setting === id)
    return { id, title: newest!.title, newest: newest!, before }
  })
})
/** A chance as so many of a hundred calls: half a one is said too. */
const ofHundred = (p: number) => (p < 0.095 ? (100 * p).toFixed(1) : String(Math.round(100 * p)))
const most = computed(() => Math.max(0.01, ...(learnt.value?.rates ?? []).flatMap((r) => [r.book, r.now])))
</script>

<template>
  <section v-if="history?.repeated.length" class="card again" aria-label="Comes again">
    <h2>Comes again</h2>
    <ul class="plain-list">
      <li v-for="r in history.repeated" :key="r.repair">
        <strong>{{ capital(r.title) }}</strong>: {{ r.times }} times in two years, last on
        {{ formatMoment(r.last, timeZone, 'day') }}. What brings it about?
      </li>
    </ul>
  </section>
  <p v-if="trouble" class="small soft" role="status">What was read of it cannot be shown just now: {{ trouble }}</p>
  <section v-if="trend" class="card stack" aria-label="What was read of it">
    <div class="row">
      <h2>What was read of it</h2>
      <Select
        :model-value="trend.test"
        class="push which"
        :options="trends"
        option-label="title"
        option-value="test"
        filter
        aria-label="What was read"
        @update:model-value="picked = $event"
      />
    </div>
    <TrendChart :trend="trend" :time-zone="timeZone" />
    <p class="small">
      {{ trend.readings.length }} {{ trend.readings.length === 1 ? 'reading' : 'readings'
      }}<template v-if="trend.band"
        >, {{ outside }} outside the published band of
        {{ range([trend.band.least, trend.band.most], trend.dimension) }} (shaded). Good ones of such machines:
        {{ range(trend.known, trend.dimension)
        }}<template v-if="trend.known.length">
          ({{ trend.known.length }} {{ trend.known.length === 1 ? 'reading' : 'readings' }}, between the dashed
          lines)</template
        ></template
      >.
    </p>
    <details>
      <summary>As a list</summary>
      <ol class="plain-list small" aria-label="Readings">
        <li v-for="r in trend.readings" :key="r.at">
          <NuxtLink :to="`/jobs/${r.job}`">{{ formatMoment(r.at, timeZone, 'day') }}</NuxtLink>:
          <span class="number">{{ shown(r.si, trend.dimension) }}</span>
        </li>
      </ol>
    </details>
  </section>
  <section v-if="settings.length" class="card stack" aria-label="Settings">
    <h2>Settings</h2>
    <ul class="plain-list">
      <li v-for="s in settings" :key="s.id">
        <strong>{{ capital(s.title) }}</strong>: {{ s.newest.text }}
        <span class="small soft"
          >{{ s.newest.as === 'left' ? 'as left' : 'as found' }} on
          {{ formatMoment(s.newest.at, timeZone, 'day') }}</span
        >
        <details v-if="s.before.length">
          <summary class="small">Before that</summary>
          <ol class="plain-list small">
            <li v-for="b in s.before" :key="b.at + b.as">
              <NuxtLink :to="`/jobs/${b.job}`">{{ formatMoment(b.at, timeZone, 'day') }}</NuxtLink>:
              {{ b.as === 'left' ? 'left at' : 'found at' }} {{ b.text }}
            </li>
          </ol>
        </details>
      </li>
    </ul>
  </section>
  <section v-if="history?.photos.length" class="card stack" aria-label="Photos">
    <h2>Photos</h2>
    <div class="photos">
      <NuxtLink v-for="p in history.photos" :key="`${p.job} ${p.photo} ${p.at}`" :to="`/jobs/${p.job}/wiring`">
        <img :src="`/api/photos/${p.photo}`" :alt="p.text || 'Photo of it'" loading="lazy" />
        <span class="small">{{ formatMoment(p.at, timeZone, 'day') }}</span>
      </NuxtLink>
    </div>
  </section>
  <section v-if="learnt?.jobs" class="card stack" aria-label="What the shop has learnt">
    <h2>What the shop has learnt of such machines</h2>
    <p class="small">
      {{ learnt.jobs }} closed {{ learnt.jobs === 1 ? 'job' : 'jobs' }} in
      {{ learnt.machineYears.toFixed(1) }} machine-years. Of a hundred calls so many end so:
    </p>
    <ul class="plain-list" aria-label="How often">
      <li v-for="r in learnt.rates.slice(0, 12)" :key="r.repair" class="rate">
        <span>{{ capital(r.title) }}</span>
        <span class="bars" aria-hidden="true"
          ><span class="book" :style="{ width: `${(100 * r.book) / most}%` }" /><span
            class="now"
            :style="{ width: `${(100 * r.now) / most}%` }"
        /></span>
        <span class="small"
          >{{ ofHundred(r.book) }} by the book, {{ ofHundred(r.now) }} now
          <span class="soft">({{ r.cases }} {{ r.cases === 1 ? 'case' : 'cases' }})</span></span
        >
      </li>
    </ul>
    <table v-if="learnt.windings.length" class="table">
      <caption class="small">
        Good windings
      </caption>
      <thead>
        <tr>
          <th>Winding</th>
          <th>Published band</th>
          <th>What good ones have shown</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="w in learnt.windings" :key="w.test">
          <td>{{ w.title }}</td>
          <td class="number">{{ w.band ? range([w.band.least, w.band.most], 'resistance') : '' }}</td>
          <td class="number">
            {{ range(w.known, 'resistance') }} <span v-if="w.known.length" class="soft">({{ w.known.length }})</span>
          </td>
        </tr>
      </tbody>
    </table>
    <label class="row switch"
      ><input v-model="on" type="checkbox" /> The advice on this device counts in what the shop has learnt</label
    >
  </section>
</template>

<style scoped>
.again {
  border-left: 6px solid var(--ink);
}
.which {
  max-width: 60%;
}
.photos {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(8rem, 1fr));
  gap: 0.6rem;
}
.photos img {
  width: 100%;
  height: 6rem;
  object-fit: cover;
  border-radius: var(--radius);
}
.rate {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 3fr) 15rem;
  gap: 0.8rem;
  align-items: center;
  min-height: 34px;
}
.bars {
  display: grid;
  gap: 2px;
}
.bars span {
  display: block;
  height: 7px;
}
.book {
  border: 1.5px solid var(--ink);
  box-sizing: border-box;
}
.now {
  background: var(--ink);
}
caption {
  text-align: left;
}
.switch {
  min-height: 44px;
}
@media (max-width: 700px) {
  .rate {
    grid-template-columns: minmax(0, 1fr);
    gap: 0.2rem;
  }
  .which {
    max-width: 100%;
  }
}
</style>
