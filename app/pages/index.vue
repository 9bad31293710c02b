<script setup lang="ts">
interface Row {
  id: string
  createdAt: string
  machine: string
  customer: string
  place: string
  complaints: string[]
  words: string
  readings: number
  closed: boolean
}
const jobs = ref<Row[]>()
const trouble = ref('')
let timer: ReturnType<typeof setTimeout>

async function load() {
  try {
    jobs.value = (await ask<{ jobs: Row[] }>('/api/jobs')).jobs
    trouble.value = ''
  } catch (error) {
    if (!(error instanceof AskError)) throw error
    if (error.status === 401) return navigateTo('/sign-in')
    trouble.value = error.message
    timer = setTimeout(load, 2500)
  }
}
onMounted(load)
onBeforeUnmount(() => clearTimeout(timer))
useKeys({ n: () => void navigateTo('/jobs/new') })
const when = (iso: string) =>
  new Date(iso).toLocaleString('en', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
</script>

<template>
  <main class="page">
    <div class="row">
      <h1>Jobs</h1>
      <NuxtLink to="/jobs/new" class="push new"
        ><Button tabindex="-1"><i class="pi pi-plus" aria-hidden="true" /> New call <kbd>N</kbd></Button></NuxtLink
      >
    </div>
    <TroubleBar v-if="trouble" :text="trouble" />
    <p v-else-if="!jobs" class="soft">Fetching the jobs …</p>
    <section v-if="jobs && !jobs.length" class="card empty">
      <h2>No calls yet</h2>
      <p>A call begins with a machine and what the customer says. From there the next test is one tap away.</p>
    </section>
    <ul v-if="jobs?.length" class="jobs">
      <li v-for="j in jobs" :key="j.id">
        <NuxtLink :to="`/jobs/${j.id}`" class="card job">
          <span class="state" :class="{ closed: j.closed }">{{ j.closed ? 'closed' : 'open' }}</span>
          <span class="what">
            <strong>{{ j.complaints.join(', ') || 'No complaint noted' }}</strong>
            <span>{{ j.machine }}</span>
            <span class="soft small">{{ j.customer }}, {{ j.place }}</span>
          </span>
          <span class="count"
            ><span class="number">{{ j.readings }}</span>
            <span class="small soft">{{ j.readings === 1 ? 'reading' : 'readings' }}</span></span
          >
          <span class="small soft time">{{ when(j.createdAt) }}</span>
        </NuxtLink>
      </li>
    </ul>
  </main>
</template>

<style scoped>
.jobs {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.6rem;
}
.job {
  display: grid;
  grid-template-columns: 4.5rem 1fr 6rem 7.5rem;
  gap: 1rem;
  align-items: center;
  color: inherit;
  text-decoration: none;
}
.job:hover {
  border-color: var(--soft);
}
.what {
  display: grid;
}
.state {
  font-weight: 700;
  color: var(--good);
  border: 2px solid currentcolor;
  border-radius: 99px;
  text-align: center;
  padding: 0.1rem 0.4rem;
}
.state.closed {
  color: var(--soft);
  border-style: dotted;
}
.number {
  font-size: 1.4rem;
}
.empty {
  display: grid;
  gap: 0.4rem;
}
.new {
  text-decoration: none;
}
@media (max-width: 700px) {
  .job {
    grid-template-columns: 4rem 1fr;
  }
  .count,
  .time {
    display: none;
  }
}
</style>
