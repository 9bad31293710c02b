<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { AppIcon, formatDay, formatTime, TroubleBar, useKeys } from '../../../ui'
import { JobRow } from '../../jobs'
import { VisitsToday } from '../../schedule'
import { RunningClocks } from '../../tools'
import { useSession } from '../../session'
import { NuxtLink } from '#components'
import { useNotes } from '../use-notes'
import { useToday, type Unsent } from '../use-today'

const session = useSession()
const router = useRouter()
const { lists, unsent, trouble } = useToday()
const notes = useNotes(session.person!.id)
const mayOpen = computed(() => session.person?.role !== 'read-only')
const timeZone = computed(() => session.person?.timeZone ?? 'UTC')
/** Jumpers and lifted leads that somebody has noted, with those that only this device knows of. */
const bypassed = computed(() => {
  const known = (lists.value.bypassed ?? []).map((j) => ({
    id: j.id,
    title: j.title,
    place: `${j.customer}, ${j.place}`,
    parts: j.bypasses,
    by: j.touchedBy,
  }))
  const own = unsent.value
    .filter((u) => u.bypasses.length && !known.some((k) => k.id === u.job))
    .map((u) => ({ id: u.job, title: u.title, place: u.place, parts: u.bypasses, by: session.person?.name ?? '' }))
  // What this device knows to be out is out, also before the server hears of it.
  const out = unsent.value.filter((u) => !u.bypasses.length).map((u) => u.job)
  return [...own, ...known].filter((k) => !out.includes(k.id))
})
const came = computed(() => (lists.value.waiting ?? []).filter((j) => notes.value.came.includes(j.id)))
const waitingIds = computed(() => new Set((lists.value.waiting ?? []).map((j) => j.id)))
const mine = computed(() => lists.value.mine?.filter((j) => !waitingIds.value.has(j.id)))
const nothing = computed(
  () => mine.value?.length === 0 && !lists.value.waiting?.length && !unsent.value.length && !bypassed.value.length,
)
const counted = (n: number, one: string, many: string) => (n ? [`${n} ${n === 1 ? one : many}`] : [])
const saysOf = ({ waiting, refused, photos }: Unsent): string =>
  [
    ...counted(waiting, 'entry waits', 'entries wait'),
    ...counted(photos, 'photo among them', 'photos among them'),
    ...counted(refused, 'entry was not taken', 'entries were not taken'),
  ].join(', ')
useKeys({ n: () => mayOpen.value && void router.push('/jobs/new') })
</script>

<template>
  <main class="page">
    <div class="row">
      <h1>Today</h1>
      <Button class="push" severity="secondary" @click="router.push('/find')"
        ><AppIcon name="find" /> Find <kbd>/</kbd></Button
      >
      <Button v-if="mayOpen" @click="router.push('/jobs/new')"><AppIcon name="plus" /> New call <kbd>N</kbd></Button>
    </div>
    <TroubleBar v-if="trouble" :text="trouble" />
    <section v-if="bypassed.length" class="card danger" aria-label="To put right">
      <h2><AppIcon name="danger" /> Jumpers in, leads off</h2>
      <ul>
        <li v-for="b in bypassed" :key="b.id">
          <NuxtLink :to="`/jobs/${b.id}`" class="line">
            <strong>{{ b.parts.join(', ') }}</strong>
            <span
              >{{ b.title }} <span class="soft small">{{ b.place }}</span></span
            >
            <span class="soft small">{{ b.by }}</span>
          </NuxtLink>
        </li>
      </ul>
    </section>
    <VisitsToday />
    <section v-if="came.length" class="card" aria-label="Parts that have come">
      <h2>The part has come</h2>
      <ul>
        <li v-for="j in came" :key="j.id">
          <NuxtLink :to="`/jobs/${j.id}`" class="line">
            <strong>{{ j.title }}</strong>
            <span
              >{{ j.awaits?.text }} <span class="soft small">{{ j.customer }}, {{ j.place }}</span></span
            >
          </NuxtLink>
        </li>
      </ul>
    </section>
    <section v-if="notes.followUps.length" class="card" aria-label="To look at again">
      <h2>To look at again</h2>
      <ul>
        <li v-for="f in notes.followUps" :key="f.job">
          <NuxtLink :to="`/jobs/${f.job}`" class="line">
            <strong>{{ f.title }}</strong>
            <span
              >{{ f.text }} <span class="soft small">{{ f.customer }}, {{ f.place }}</span></span
            >
            <span class="small">{{ formatDay(f.on) }}</span>
          </NuxtLink>
        </li>
      </ul>
    </section>
    <ul class="clocks" aria-label="Running clocks">
      <li v-for="r in notes.running" :key="r.job">
        <NuxtLink :to="`/jobs/${r.job}/run`" class="line">
          <strong>A run goes on</strong>
          <span
            >{{ r.title }} <span class="soft small">{{ r.customer }}, {{ r.place }}</span></span
          >
          <span class="small">since {{ formatTime(r.since, timeZone) }}</span>
        </NuxtLink>
      </li>
      <RunningClocks />
    </ul>
    <section v-if="unsent.length" class="card" aria-label="Not sent yet">
      <h2>On this device and not sent yet</h2>
      <ul>
        <li v-for="u in unsent" :key="u.job">
          <NuxtLink :to="`/jobs/${u.job}`" class="line">
            <strong>{{ u.title }}</strong>
            <span class="soft small">{{ u.place }}</span>
            <span>{{ saysOf(u) }}</span>
          </NuxtLink>
        </li>
      </ul>
    </section>
    <section v-if="lists.waiting?.length" aria-label="Waiting">
      <h2>Waiting for a part or for somebody</h2>
      <ul class="jobs">
        <li v-for="j in lists.waiting" :key="j.id"><JobRow :job="j" :time-zone="timeZone" /></li>
      </ul>
    </section>
    <section v-if="mine?.length" aria-label="Mine, open">
      <h2>Mine, open</h2>
      <ul class="jobs">
        <li v-for="j in mine" :key="j.id"><JobRow :job="j" :time-zone="timeZone" /></li>
      </ul>
    </section>
    <section v-if="nothing" class="card" aria-label="Nothing open">
      <h2>Nothing of yours is open</h2>
      <p>A call begins with a machine and what the customer says. All jobs of the house stand under Jobs.</p>
    </section>
    <p v-else-if="!lists.mine && !trouble" class="soft">Fetching your jobs …</p>
  </main>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
section {
  display: grid;
  gap: 0.5rem;
}
.danger {
  border: 3px solid var(--danger);
}
.danger h2 {
  color: var(--danger);
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 2fr) auto;
  gap: 0.2rem 1rem;
  align-items: center;
  min-height: 44px;
  padding: 0.3rem 0;
  border-top: 1px solid var(--line);
  color: inherit;
  text-decoration: none;
}
.line:hover {
  background: var(--shade);
}
@media (max-width: 700px) {
  .line {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
