<script setup lang="ts">
import Select from 'primevue/select'
import { computed, ref, shallowRef, watch } from 'vue'
import { csvOf } from '../../../../core/foundation/csv'
import { dayAfter } from '../../../../core/schedule'
import { capital } from '../../../../core/words'
import { shopFigures, type ShopFigures } from '../../../../shared/contracts/figures'
import { call } from '../../../data/http'
import { saveFile } from '../../../data/save-file'
import { formatDay, TroubleBar } from '../../../ui'
import Button from 'primevue/button'
import MonthsChart from './MonthsChart.vue'

/** What the shop's closed jobs came to: causes, first visits, call-backs, repairs in vain, minutes to the cause against what was expected. */
const SPANS = [
  { days: 92, title: 'three months' },
  { days: 365, title: 'a year' },
  { days: 730, title: 'two years' },
  { days: 3650, title: 'ten years' },
]
const span = ref(365)
const figures = shallowRef<ShopFigures>()
const trouble = ref('')
let round = 0
async function load() {
  const mine = ++round
  try {
    const today = new Date().toISOString().slice(0, 10)
    const found = await call(shopFigures, { query: { from: dayAfter(today, -span.value) } })
    if (mine !== round) return
    figures.value = found
    trouble.value = ''
  } catch (error) {
    if (mine === round) trouble.value = error instanceof Error ? error.message : String(error)
  }
}
watch(span, load, { immediate: true })

type Sum = 'jobs' | 'firstVisit' | 'callBacks' | 'inVain'
const sum = (of: Sum) => (figures.value?.months ?? []).reduce((n, m) => n + m[of], 0)
const share = (of: Sum) => (sum('jobs') ? `${Math.round((100 * sum(of)) / sum('jobs'))} % of jobs` : '')
const tiles = computed(() => [
  { title: 'Closed jobs', number: String(sum('jobs')), text: '' },
  { title: 'Right on the first visit', number: String(sum('firstVisit')), text: share('firstVisit') },
  { title: 'Called back within a month', number: String(sum('callBacks')), text: share('callBacks') },
  { title: 'Repairs that did not do', number: String(sum('inVain')), text: '' },
])
const against = computed(() => {
  const own = figures.value?.against
  if (!own?.jobs) return ''
  const times = (x: number) => `${x.toFixed(1)} ×`
  return `The way to the cause took ${times(own.middle)} what the engine expected when the call came, in eight of ten jobs ${times(own.low)} to ${times(own.high)} (${own.jobs} jobs).`
})

const family = ref<string | null>(null)
const families = computed(() => {
  const all = new Map<string, { id: string; title: string; jobs: number }>()
  for (const c of figures.value?.causes ?? []) {
    const own = all.get(c.family) ?? { id: c.family, title: capital(c.familyTitle), jobs: 0 }
    own.jobs += c.jobs
    all.set(c.family, own)
  }
  return [...all.values()].sort((a, b) => b.jobs - a.jobs)
})
const model = ref<string | null>(null)
watch(family, () => (model.value = null))
const models = computed(() => {
  const of = (figures.value?.causes ?? []).filter((c) => c.family === family.value)
  return [...new Map(of.map((c) => [c.sheet, { id: c.sheet, title: c.sheetTitle }])).values()]
})
/** The same repair in all models of a family is one cause. */
const causes = computed(() => {
  const all = new Map<string, { title: string; family: string; jobs: number; callBacks: number }>()
  for (const c of figures.value?.causes ?? []) {
    if ((family.value && c.family !== family.value) || (model.value && c.sheet !== model.value)) continue
    const key = `${c.family} ${c.repair}`
    const own = all.get(key) ?? { title: c.title, family: c.familyTitle, jobs: 0, callBacks: 0 }
    own.jobs += c.jobs
    own.callBacks += c.callBacks
    all.set(key, own)
  }
  return [...all.values()].sort((a, b) => b.jobs - a.jobs).slice(0, 25)
})
const most = computed(() => Math.max(1, ...causes.value.map((c) => c.jobs)))
function save() {
  const lines = [
    ['family', 'model', 'repair', 'jobs', 'called back'],
    ...(figures.value?.causes ?? []).map((c) => [
      c.familyTitle,
      c.sheetTitle,
      c.title,
      String(c.jobs),
      String(c.callBacks),
    ]),
  ]
  saveFile('causes.csv', csvOf(lines))
}
</script>

<template>
  <main class="page">
    <div class="row">
      <h1>Figures</h1>
      <span class="push small soft"
        ><template v-if="figures">{{ formatDay(figures.from) }} {{ figures.from.slice(0, 4) }} to today</template></span
      >
      <Select v-model="span" :options="SPANS" option-label="title" option-value="days" aria-label="Period" />
      <Button severity="secondary" @click="save">Save as CSV</Button>
    </div>
    <TroubleBar v-if="trouble" :text="trouble" />
    <p v-else-if="!figures" class="soft">Counting …</p>
    <section v-if="figures && !figures.months.length" class="card">
      <h2>No job was closed in this time</h2>
      <p>What is closed is counted here, by cause and by month.</p>
    </section>
    <template v-if="figures?.months.length">
      <dl class="tiles" aria-label="In short">
        <div v-for="t in tiles" :key="t.title" class="card">
          <dt class="small">{{ t.title }}</dt>
          <dd class="number">
            {{ t.number }} <span class="small soft">{{ t.text }}</span>
          </dd>
        </div>
      </dl>
      <section class="card stack" aria-label="By month">
        <h2>By month</h2>
        <MonthsChart :months="figures.months" />
        <p v-if="against" class="small">{{ against }}</p>
        <details>
          <summary>As a table</summary>
          <div class="wide-table">
            <table class="table">
              <thead>
                <tr>
                  <th>Month</th>
                  <th>Closed</th>
                  <th>First visit</th>
                  <th>Called back</th>
                  <th>In vain</th>
                  <th>Minutes to the cause</th>
                  <th>Expected</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="m in figures.months" :key="m.month">
                  <td>{{ m.month }}</td>
                  <td class="number">{{ m.jobs }}</td>
                  <td class="number">{{ m.firstVisit }}</td>
                  <td class="number">{{ m.callBacks }}</td>
                  <td class="number">{{ m.inVain }}</td>
                  <td class="number">{{ Math.round(m.minutes) }}</td>
                  <td class="number">{{ m.expected === null ? '' : Math.round(m.expected) }}</td>
                </tr>
              </tbody>
            </table>
          </div>
        </details>
      </section>
      <section class="card stack" aria-label="Causes">
        <div class="row">
          <h2>What put them right</h2>
          <span class="push" />
          <Select
            v-model="family"
            :options="families"
            option-label="title"
            option-value="id"
            show-clear
            placeholder="All kinds"
            aria-label="Kind of machine"
          />
          <Select
            v-if="models.length > 1"
            v-model="model"
            :options="models"
            option-label="title"
            option-value="id"
            show-clear
            placeholder="All models"
            aria-label="Model"
          />
        </div>
        <ol class="plain-list" aria-label="Causes, most frequent first">
          <li v-for="c in causes" :key="`${c.family} ${c.title}`" class="cause">
            <span
              >{{ capital(c.title) }} <span v-if="!family" class="small soft">{{ c.family }}</span></span
            >
            <span class="bar"><span :style="{ width: `${(100 * c.jobs) / most}%` }" /></span>
            <span class="number">{{ c.jobs }}</span>
            <span class="small soft">{{ c.callBacks ? `${c.callBacks} called back` : '' }}</span>
          </li>
        </ol>
      </section>
    </template>
  </main>
</template>

<style scoped>
.tiles {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
  gap: 0.7rem;
  margin: 0;
}
.tiles dd {
  margin: 0;
  font-size: 1.7rem;
  font-weight: 700;
}
.tiles dd .small {
  font-weight: 400;
}
.cause {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 3fr) 3rem 7rem;
  gap: 0.8rem;
  align-items: center;
  min-height: 34px;
}
.bar {
  display: block;
  height: 12px;
}
.bar span {
  display: block;
  height: 100%;
  background: var(--water);
}
@media (max-width: 700px) {
  .cause {
    grid-template-columns: minmax(0, 1fr) 3rem;
  }
  .bar {
    grid-column: 1 / 2;
  }
}
</style>
