<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { csvOf } from '../../../../core/foundation/csv'
import { ARCHIVE_PATH } from '../../../../shared/contracts/archive'
import { CUSTOMER_COLUMNS, listCustomers, listUnits, UNIT_COLUMNS } from '../../../../shared/contracts/units'
import { call } from '../../../data/http'
import { saveFile } from '../../../data/save-file'
import { useAttempt } from '../../../data/use-attempt'
import { useSession } from '../../session'
import JobBundle from './JobBundle.vue'

/** Everything that comes in or goes out as a file. */
const router = useRouter()
const session = useSession()
const role = computed(() => session.person?.role)
const mayWrite = computed(() => role.value === 'lead' || role.value === 'technician')
const { trouble, attempt } = useAttempt()

const saveCustomers = () =>
  attempt(async () => {
    const { customers } = await call(listCustomers)
    const rows = customers.flatMap(({ name, sites }) =>
      sites.length ? sites.map((s) => [name, s.name]) : [[name, '']],
    )
    saveFile('customers.csv', csvOf([CUSTOMER_COLUMNS, ...rows]))
  })
const saveMachines = () =>
  attempt(async () => {
    const { units } = await call(listUnits)
    const rows = units.map((u) => [u.title, u.serial, u.sheet, u.customer.name, u.site.name])
    saveFile('machines.csv', csvOf([UNIT_COLUMNS, ...rows]))
  })
const TABLES = [
  {
    title: 'Customers and places',
    saves: 'Save customers',
    save: saveCustomers,
    takes: 'Customers from a file',
    from: '/shop/files/customers',
  },
  {
    title: 'Machines',
    saves: 'Save machines',
    save: saveMachines,
    takes: 'Machines from a file',
    from: '/machines/import',
  },
  {
    title: 'Parts',
    saves: 'To the parts',
    save: () => router.push('/shop/parts'),
    takes: 'Parts from a file',
    from: '/shop/parts/import',
  },
]
</script>

<template>
  <main class="page narrow">
    <h1>In and out</h1>
    <p v-if="trouble" role="alert" class="card">{{ trouble }}</p>
    <section class="card stack" aria-labelledby="tables">
      <h2 id="tables">Tables for a spreadsheet</h2>
      <ul class="tables">
        <li v-for="t in TABLES" :key="t.title">
          <strong>{{ t.title }}</strong>
          <span class="push" />
          <Button severity="secondary" @click="t.save">{{ t.saves }}</Button>
          <Button v-if="mayWrite" severity="secondary" @click="router.push(t.from)">{{ t.takes }}</Button>
        </li>
      </ul>
    </section>
    <section v-if="role === 'lead'" class="card stack" aria-labelledby="all">
      <h2 id="all">All that the shop owns</h2>
      <p>
        One open file: every job with every entry and photo, customers, machines, parts, visits, people, and the sheets
        that jobs were begun with, as lines of JSON. It opens with any program that reads ZIP, and an empty installation
        of Duckweed takes it in whole. Passwords are not in it. It holds your customers' data: keep it as you keep
        those.
      </p>
      <a class="archive" :href="ARCHIVE_PATH" download="duckweed-archive.zip">Save the archive</a>
    </section>
    <JobBundle v-if="role === 'lead'" />
  </main>
</template>

<style scoped>
.narrow {
  max-width: 900px;
}
.tables {
  display: grid;
  gap: 0.6rem;
  margin: 0;
  padding: 0;
  list-style: none;
}
.tables li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  align-items: center;
}
@media (max-width: 700px) {
  .tables strong {
    width: 100%;
  }
  .tables .push {
    display: none;
  }
}
.archive {
  display: inline-grid;
  justify-self: start;
  align-items: center;
  min-height: 44px;
  padding: 0 1rem;
  color: inherit;
  font-weight: 600;
  border: 2px solid var(--ink);
  border-radius: 8px;
  text-decoration: none;
}
</style>
