<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { NuxtLink } from '#components'
import { missBound, switchRecord, type SwitchTurn } from '../../../../core/measuring'
import { formatTime } from '../../../ui'
import { useTimers, type Clock, type Watched } from '../use-timers'

const state = useTimers()
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
function watchSwitch(): void {
  state.records.unshift({
    name: fresh.value.trim() || `Switch ${state.records.length + 1}`,
    began: Date.now(),
    turns: [],
  })
  fresh.value = ''
}
/** What was read beside it, typed before it turns. */
const beside = ref<Record<number, string>>({})
function turned(r: Watched, to: SwitchTurn['turned']): void {
  const typed = (beside.value[r.began] ?? '').trim().replace(',', '.')
  const value = typed === '' ? undefined : Number(typed)
  if (value !== undefined && !Number.isFinite(value)) return
  r.turns.push({ at: Math.max(0, Date.now() - r.began) / 1000, turned: to, value })
  beside.value[r.began] = ''
}
const isNumber = (typed: string | undefined) =>
  !typed?.trim() || Number.isFinite(Number(typed.trim().replace(',', '.')))
const round = (x: number) => String(Number(x.toPrecision(4)))
function told(r: Watched): string[] {
  const w = switchRecord(r.turns)
  const within = (range: readonly [number, number] | undefined) =>
    range && range[1] > range[0] ? ` (${round(range[0])} to ${round(range[1])})` : ''
  return [
    w.opensAt !== undefined && `opens at ${round(w.opensAt)}${within(w.opensWithin)}`,
    w.closesAt !== undefined && `closes at ${round(w.closesAt)}${within(w.closesWithin)}`,
    w.difference !== undefined && `${round(w.difference)} between`,
    w.closedFor !== undefined && `closed for ${shown(w.closedFor)}`,
    w.openFor !== undefined && `open for ${shown(w.openFor)}`,
  ].filter((x): x is string => typeof x === 'string')
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
      <Button type="button" severity="secondary" @click="watchSwitch">Watch a switch</Button>
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
    <ul aria-label="Switches">
      <li v-for="(r, k) in state.records" :key="r.began" class="card">
        <span
          ><strong>{{ r.name }}</strong> <span class="soft small">{{ told(r).join(', ') }}</span></span
        >
        <span class="row">
          <InputText
            v-model="beside[r.began]"
            class="beside number"
            placeholder="°C, mm …"
            :aria-label="`Read beside ${r.name}`"
            :aria-invalid="!isNumber(beside[r.began])"
            inputmode="decimal"
            autocomplete="off"
          />
          <Button @click="turned(r, 'opened')">Opened</Button>
          <Button @click="turned(r, 'closed')">Closed</Button>
          <Button
            severity="secondary"
            :aria-label="`Take back the last of ${r.name}`"
            :disabled="!r.turns.length"
            @click="r.turns.pop()"
            >Take back</Button
          >
          <Button severity="secondary" :aria-label="`Remove ${r.name}`" @click="state.records.splice(k, 1)"
            >Remove</Button
          >
        </span>
        <span v-if="!isNumber(beside[r.began])" class="small wrong" role="alert"
          >A number is wanted here, or nothing.</span
        >
        <ol class="small number turns">
          <li v-for="(t, i) in r.turns" :key="i">
            {{ shown(t.at) }} {{ t.turned }}{{ t.value === undefined ? '' : ` at ${round(t.value)}` }}
          </li>
        </ol>
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
.beside {
  width: 8rem;
  min-height: 44px;
}
.wrong {
  color: var(--danger);
}
.turns {
  margin: 0;
  padding-left: 1.4rem;
  columns: 2;
}
.turns li {
  display: list-item;
}
</style>
