<script setup lang="ts">
import Button from 'primevue/button'
import { computed, onScopeDispose, ref, shallowRef, watchEffect } from 'vue'
import { useRouter } from 'vue-router'
import type { z } from 'zod'
import { readUnit, updateSite, updateUnit, type UnitFields } from '../../../../shared/contracts/units'
import { fetchOrKept } from '../../../data/fetched'
import { ApiError, call } from '../../../data/http'
import { hear } from '../../../data/tabs'
import { formatMoment, TroubleBar } from '../../../ui'
import { CarePlans } from '../../schedule'
import { useSession } from '../../session'
import { NuxtLink } from '#components'
import MachineFields from './MachineFields.vue'
import MachinePast from './MachinePast.vue'
import NameField from './NameField.vue'

const props = defineProps<{ id: string }>()
const session = useSession()
const router = useRouter()
const shown = shallowRef<z.infer<(typeof readUnit)['answer']>>()
const trouble = ref('')
const lost = ref(false)
const problems = ref<ApiError['problems']>([])
const editing = ref<UnitFields>()
const mayWrite = computed(() => ['lead', 'technician'].includes(session.person?.role ?? ''))
watchEffect(() => (document.title = `${shown.value?.unit.title ?? 'Machine'} · Duckweed`))

async function attempt(act: () => Promise<void>) {
  try {
    await act()
    trouble.value = ''
    problems.value = []
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    if (error.status === 401) return session.expire()
    lost.value = error.status === 404
    trouble.value = error.message
    problems.value = error.problems
  }
}
const load = () =>
  attempt(async () => {
    const asked = { params: { id: props.id } }
    shown.value = (await fetchOrKept(session.person!.id, `unit:${props.id}`, readUnit, asked)).value
  })
void load()
onScopeDispose(hear(({ type }) => (type === 'again' || type === 'job') && void load()))

function edit() {
  const { title, serial, sheet, customer, site } = shown.value!.unit
  editing.value = { title, serial, sheet, customer: customer.name, site: site.name }
}
async function renameSite(name: string) {
  await call(updateSite, { params: { id: shown.value!.unit.site.id }, body: { name } })
  await load()
}
const write = (fields: UnitFields, retired: boolean) =>
  attempt(async () => {
    await call(updateUnit, { params: { id: props.id }, body: { ...fields, retired } })
    editing.value = undefined
    await load()
  })
function retire() {
  const { title, serial, sheet, customer, site, retired } = shown.value!.unit
  void write({ title, serial, sheet, customer: customer.name, site: site.name }, !retired)
}
</script>

<template>
  <main class="page narrow">
    <section v-if="lost" class="card">
      <h1>There is no such machine</h1>
      <NuxtLink to="/machines">To the machines</NuxtLink>
    </section>
    <TroubleBar v-else-if="trouble && !shown" :text="trouble" />
    <template v-if="shown">
      <div class="row">
        <div>
          <h1>{{ shown.unit.title }}</h1>
          <p class="soft">
            {{ shown.unit.customer.name }},
            <NameField :name="shown.unit.site.name" what="place" :may="mayWrite" :change="renameSite" />
          </p>
        </div>
        <span class="push" />
        <Button
          v-if="!shown.unit.retired && session.person?.role !== 'read-only'"
          @click="router.push(`/jobs/new?unit=${id}`)"
          >New call on it</Button
        >
      </div>
      <p v-if="trouble" role="alert" class="card">{{ trouble }}</p>
      <form v-if="editing" class="card form" @submit.prevent="write(editing, shown.unit.retired)">
        <MachineFields v-model="editing" :problems="problems" @trouble="trouble = $event" />
        <div class="row">
          <Button type="submit">Keep the changes</Button>
          <Button type="button" severity="secondary" @click="editing = undefined">Leave as it was</Button>
        </div>
      </form>
      <div v-else class="card form">
        <dl class="facts">
          <dt>Sheet</dt>
          <dd>{{ shown.unit.sheetTitle }}</dd>
          <dt>Serial</dt>
          <dd>{{ shown.unit.serial || 'not noted' }}</dd>
          <dt>State</dt>
          <dd>{{ shown.unit.retired ? 'retired' : 'in use' }}</dd>
        </dl>
        <div v-if="mayWrite" class="row acts">
          <Button severity="secondary" @click="edit">Change</Button>
          <Button severity="secondary" @click="retire">{{ shown.unit.retired ? 'Back in use' : 'Retire it' }}</Button>
        </div>
      </div>
      <CarePlans v-if="!shown.unit.retired" :unit="id" :locked="!mayWrite" />
      <MachinePast v-if="shown.unit.revision" :unit="id" :revision="shown.unit.revision" />
      <section class="visits" aria-label="Visits">
        <h2>Visits</h2>
        <p v-if="!shown.visits.length" class="soft">None yet.</p>
        <ul>
          <li v-for="v in shown.visits" :key="v.id">
            <NuxtLink :to="`/jobs/${v.id}`" class="visit">
              <span>{{ formatMoment(v.createdAt, session.person?.timeZone ?? 'UTC', 'day') }}</span>
              <span
                ><strong>{{ v.complaints.join(', ') }}</strong
                ><br /><span class="soft small">{{ v.by }}</span></span
              >
              <span class="soft">{{ v.closed ? v.repair || 'closed' : 'open' }}</span>
            </NuxtLink>
          </li>
        </ul>
      </section>
    </template>
  </main>
</template>

<style scoped>
.narrow {
  max-width: 1000px;
}
.form {
  display: grid;
  gap: 1rem;
}
.facts {
  display: grid;
  grid-template-columns: 7rem 1fr;
  gap: 0.4rem 1rem;
  margin: 0;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.visits {
  display: grid;
  gap: 0.4rem;
}
.visit {
  display: grid;
  grid-template-columns: 7rem 1fr auto;
  gap: 1rem;
  align-items: center;
  min-height: 56px;
  border-top: 1px solid var(--line);
  color: inherit;
  text-decoration: none;
}
</style>
