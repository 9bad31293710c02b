<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { NuxtLink } from '#components'
import { missBound } from '../../../../core/measuring'
import { formatTime } from '../../../ui'
import { useKept } from '../kept'

/**
 * Any number of named clocks, and counts of cycles. A clock is the moment at which it was started: it goes on while the page is closed
 * or the phone is locked.
 */
interface Clock {
  name: string
  /** Milliseconds since 1970; of stopped ones both. */
  began: number
  ended: number | null
}
interface Count {
  name: string
  times: number
  misses: number
}
const whole = (x: unknown): number => (typeof x === 'number' && Number.isFinite(x) && x >= 0 ? x : 0)
const text = (x: unknown): string => (typeof x === 'string' ? x : '')
const state = useKept('duckweed:timers', (found) => {
  const { clocks, counts } = (found ?? {}) as { clocks?: unknown; counts?: unknown }
  const list = <T,>(of: unknown, one: (x: Record<string, unknown>) => T): T[] =>
    Array.isArray(of)
      ? of.flatMap((x) => (typeof x === 'object' && x !== null ? [one(x as Record<string, unknown>)] : []))
      : []
  return {
    clocks: list(clocks, (c): Clock => ({
      name: text(c.name),
      began: whole(c.began),
      ended: c.ended === null ? null : whole(c.ended),
    })),
    counts: list(counts, (c): Count => ({ name: text(c.name), times: whole(c.times), misses: whole(c.misses) })),
  }
})
const now = ref(Date.now())
let ticking: ReturnType<typeof setInterval> | undefined
onMounted(() => (ticking = setInterval(() => (now.value = Date.now()), 200)))
onBeforeUnmount(() => clearInterval(ticking))
const fresh = ref('')
function start(): void {
  state.clocks.unshift({
    name: fresh.value.trim() || `Clock ${state.clocks.length + 1}`,
    began: Date.now(),
    ended: null,
  })
  fresh.value = ''
}
function count(): void {
  state.counts.unshift({ name: fresh.value.trim() || `Count ${state.counts.length + 1}`, times: 0, misses: 0 })
  fresh.value = ''
}
/** A device clock that was set back shows nothing below nought. */
const passed = (c: Clock) => Math.max(0, (c.ended ?? now.value) - c.began) / 1000
const pad = (x: number) => String(x).padStart(2, '0')
function shown(seconds: number): string {
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, Math.floor(seconds) % 60]
  const tenth = seconds < 60 ? `.${Math.floor(seconds * 10) % 10}` : ''
  return h ? `${h}:${pad(m)}:${pad(s)}` : `${m}:${pad(s)}${tenth}`
}
const bounds = computed(() =>
  state.counts.map((c) =>
    c.times
      ? `may miss up to ${(100 * missBound(Math.min(c.misses, c.times), c.times)).toFixed(0)} % of times (95 %)`
      : '',
  ),
)
</script>

<template>
  <main class="page narrow">
    <p class="back"><NuxtLink to="/tools">Tools</NuxtLink></p>
    <h1>Clocks and counts</h1>
    <p class="soft">Any number at once. A clock goes on while this page is closed or the phone is locked.</p>
    <form class="row" aria-label="New clock" @submit.prevent="start">
      <InputText
        v-model="fresh"
        class="push-field"
        placeholder="Of what: cold fill, lower float …"
        aria-label="Name"
        autocomplete="off"
      />
      <Button type="submit">Start a clock</Button>
      <Button type="button" severity="secondary" @click="count">Start a count</Button>
    </form>
    <ul aria-label="Clocks">
      <li v-for="(c, k) in state.clocks" :key="c.began" class="card">
        <span
          ><strong>{{ c.name }}</strong
          >{{ ' ' }}<span class="soft small">since {{ formatTime(new Date(c.began).toISOString()) }}</span></span
        >
        <span class="number big" role="timer">{{ shown(passed(c)) }}</span>
        <span class="row">
          <Button v-if="c.ended === null" @click="c.ended = Date.now()">Stop</Button>
          <Button v-else severity="secondary" @click="c.ended = null">Let it run on</Button>
          <Button severity="secondary" :aria-label="`Remove ${c.name}`" @click="state.clocks.splice(k, 1)"
            >Remove</Button
          >
        </span>
      </li>
    </ul>
    <ul aria-label="Counts">
      <li v-for="(c, k) in state.counts" :key="k" class="card">
        <span
          ><strong>{{ c.name }}</strong> <span class="soft small">{{ bounds[k] }}</span></span
        >
        <span class="number big">{{ c.times - c.misses }} of {{ c.times }}</span>
        <span class="row">
          <Button @click="c.times++">Worked</Button>
          <Button severity="secondary" @click="(c.times++, c.misses++)">Missed</Button>
          <Button severity="secondary" :aria-label="`Remove ${c.name}`" @click="state.counts.splice(k, 1)"
            >Remove</Button
          >
        </span>
      </li>
    </ul>
  </main>
</template>

<style scoped>
.back {
  margin: 0;
}
.push-field {
  flex: 1;
  min-width: 12rem;
}
ul {
  list-style: none;
  margin: 0.8rem 0 0;
  padding: 0;
  display: grid;
  gap: 0.6rem;
}
li.card {
  display: grid;
  gap: 0.4rem;
}
.card .soft {
  margin-left: 0.4rem;
}
.big {
  font-size: 2.4rem;
  font-weight: 700;
}
</style>
