<script setup lang="ts">
import Select from 'primevue/select'
import { computed, shallowRef } from 'vue'
import type { OrderCost } from '../../../../../core/advice'
import type { Acceptance as Bands, MachineFacts, Strategy as Order } from '../../../../engine'

const props = defineProps<{
  order: Order
  bands: Bands
  closed: boolean
  experience: MachineFacts['experience'] | undefined
  /** The orders side by side, as the evidence stands. */
  compare: () => Promise<OrderCost[]>
}>()
const emit = defineEmits<{ order: [order: Order]; bands: [bands: Bands] }>()

const ORDERS: { id: Order; title: string }[] = [
  { id: 'best', title: 'what saves most' },
  { id: 'live-first', title: 'live first' },
  { id: 'dead-first', title: 'dead first' },
  { id: 'water-first', title: 'water first' },
  { id: 'by-hand-first', title: 'by hand first, no meter' },
  { id: 'control-first', title: 'at the control first' },
  { id: 'own-sequence', title: 'by the machine’s own sequence' },
]
const BANDS: { id: Bands; title: string }[] = [
  { id: 'published', title: 'inside the printed band' },
  { id: 'sibling', title: 'like its sibling' },
  { id: 'not-open-or-short', title: 'not open or shorted' },
  { id: 'kind-band', title: 'inside the band of its kind' },
]
const ways = computed(() => [
  {
    asks: 'Order',
    about: 'Order of tests',
    now: props.order,
    options: ORDERS,
    choose: (id: string) => emit('order', id as Order),
  },
  {
    asks: 'A coil is good when',
    about: 'What makes a coil good',
    now: props.bands,
    options: BANDS,
    choose: (id: string) => emit('bands', id as Bands),
  },
])
/** What of the shop's own record is counted in; nothing where there is none yet. */
const own = computed(() => {
  const { jobs = 0, machineYears = 0, knownGood = 0 } = props.experience ?? {}
  if (!jobs) return ''
  const years = machineYears < 10 ? machineYears.toFixed(1) : machineYears.toFixed(0)
  const coils = knownGood
    ? `, ${knownGood} ${knownGood === 1 ? 'reading' : 'readings'} of windings that went on working`
    : ''
  return `Counted in, from our own work on this model: ${jobs} closed ${jobs === 1 ? 'job' : 'jobs'} in ${years} years of machines${coils}.`
})
const compared = shallowRef<OrderCost[]>()
const comparing = shallowRef(false)
async function compareNow() {
  comparing.value = true
  compared.value = await props.compare().catch(() => undefined)
  comparing.value = false
}
function moreOf({ strategy, title, more }: OrderCost): string {
  const best = compared.value?.find((c) => c.strategy === 'best')
  if (strategy === 'best') return `begins with “${title}”`
  if (title === best?.title) return 'begins in the same way'
  const costs = more === undefined ? '' : more < 1 ? ', at no loss' : `, ${more.toFixed(0)} min more of work and parts`
  return `begins with “${title}”${costs}`
}
const titleOf = (options: { id: string; title: string }[], id: string) => options.find((o) => o.id === id)?.title
const said = computed(() => `Order: ${titleOf(ORDERS, props.order)} · Coils: ${titleOf(BANDS, props.bands)}`)
</script>

<template>
  <details class="push">
    <summary class="small">{{ said }}</summary>
    <label v-for="way in ways" :key="way.asks" class="small"
      >{{ way.asks }}
      <Select
        :model-value="way.now"
        :options="way.options"
        option-label="title"
        option-value="id"
        :disabled="closed"
        :aria-label="way.about"
        @update:model-value="way.choose"
      />
    </label>
    <button type="button" class="chip small" :disabled="comparing" @click="compareNow">
      {{ comparing ? 'Comparing …' : 'Compare the orders' }}
    </button>
    <ul v-if="compared" class="small" aria-label="The orders compared">
      <li v-for="c in compared" :key="c.strategy">
        <strong>{{ titleOf(ORDERS, c.strategy) }}</strong>: {{ moreOf(c) }}
      </li>
    </ul>
    <p v-if="own" class="small soft" role="note" aria-label="Our own record">{{ own }}</p>
  </details>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0.4rem 0 0;
  padding: 0;
}
summary {
  justify-content: flex-end;
  color: var(--soft);
}
label {
  display: grid;
  gap: 0.2rem;
  margin-bottom: 0.5rem;
}
</style>
