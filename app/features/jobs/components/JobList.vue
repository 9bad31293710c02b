<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { AppIcon, TroubleBar, useKeys } from '../../../ui'
import { useSession } from '../../session'
import { useJobs, type Filter } from '../use-jobs'
import JobRow from './JobRow.vue'

const FILTERS: { id: Filter; title: string }[] = [
  { id: 'all', title: 'All' },
  { id: 'mine', title: 'Mine' },
  { id: 'open', title: 'Open' },
  { id: 'waiting', title: 'Waiting' },
  { id: 'closed', title: 'Closed' },
  { id: 'bypass', title: 'Jumper in, lead off' },
]
const session = useSession()
const router = useRouter()
const { filter, words, rows, next, trouble, more } = useJobs()
const mayOpen = computed(() => session.person?.role !== 'read-only')
const asked = computed(() => words.value.trim() !== '' || filter.value !== 'all')
useKeys({ n: () => mayOpen.value && void router.push('/jobs/new') })
</script>

<template>
  <main class="page">
    <div class="row">
      <h1>Jobs</h1>
      <Button v-if="mayOpen" class="push" @click="router.push('/jobs/new')"
        ><AppIcon name="plus" /> New call <kbd>N</kbd></Button
      >
    </div>
    <div class="row sift">
      <InputText
        v-model="words"
        class="words"
        placeholder="Complaint, machine, customer, place, words"
        aria-label="Search jobs"
      />
      <div class="filters" role="radiogroup" aria-label="Which jobs">
        <button
          v-for="f in FILTERS"
          :key="f.id"
          type="button"
          role="radio"
          :aria-checked="filter === f.id"
          @click="filter = f.id"
        >
          {{ f.title }}
        </button>
      </div>
    </div>
    <TroubleBar v-if="trouble" :text="trouble" />
    <p v-else-if="!rows" class="soft">Fetching the jobs …</p>
    <section v-if="rows && !rows.length" class="card empty">
      <h2>{{ asked ? 'No job fits' : 'No calls yet' }}</h2>
      <p v-if="asked">Try fewer words, or another choice above.</p>
      <p v-else>A call begins with a machine and what the customer says. From there the next test is one tap away.</p>
    </section>
    <ul v-if="rows?.length" class="jobs" aria-label="Jobs">
      <li v-for="j in rows" :key="j.id"><JobRow :job="j" :time-zone="session.person?.timeZone ?? 'UTC'" /></li>
    </ul>
    <Button v-if="next" severity="secondary" class="more" @click="more">Show more</Button>
  </main>
</template>

<style scoped>
.jobs {
  list-style: none;
  margin: 0;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  overflow: hidden;
}
.jobs li:last-child > * {
  border-bottom: 0;
}
.words {
  flex: 1 1 16rem;
}
.filters {
  display: flex;
  flex-wrap: wrap;
}
.filters button {
  min-height: 44px;
  padding: 0 0.9rem;
  border: 0;
  border-bottom: 4px solid transparent;
  background: none;
  cursor: pointer;
}
.filters button[aria-checked='true'] {
  border-bottom-color: var(--ink);
  font-weight: 700;
}
.empty {
  display: grid;
  gap: 0.4rem;
}
.more {
  justify-self: center;
}
</style>
