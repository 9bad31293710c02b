<script setup lang="ts">
import Select from 'primevue/select'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import type { z } from 'zod'
import { eraseCustomer, erasePerson, listErasures, readHeld } from '../../../../shared/contracts/erasure'
import { listPeople } from '../../../../shared/contracts/people'
import { listCustomers } from '../../../../shared/contracts/units'
import { call } from '../../../data/http'
import { useAttempt } from '../../../data/use-attempt'
import { formatMoment, HoldButton } from '../../../ui'
import { useSession } from '../../session'

/** A person's data, erased when they ask for it. */
const session = useSession()
const customers = shallowRef<{ id: string; name: string }[]>([])
const people = shallowRef<{ id: string; name: string }[]>([])
const erasures = shallowRef<z.infer<(typeof listErasures)['answer']>['erasures']>([])
const customer = ref<string>()
const colleague = ref<string>()
const held = shallowRef<z.infer<(typeof readHeld)['answer']>>()
const { trouble, attempt } = useAttempt()
const done = ref('')

async function load(): Promise<void> {
  const [c, p, e] = await Promise.all([call(listCustomers), call(listPeople), call(listErasures)])
  customers.value = c.customers
  people.value = p.people.filter((x) => x.id !== session.person?.id)
  erasures.value = e.erasures
}
onMounted(() => attempt(load))
watch(customer, (id) => {
  held.value = undefined
  if (id !== undefined)
    void attempt(async () => {
      const answer = await call(readHeld, { params: { id } })
      if (customer.value === id) held.value = answer
    })
})
const waits = computed(() => Boolean(held.value && (held.value.open || held.value.planned)))
const counted = (n: number, what: string) => `${n} ${what}${n === 1 ? '' : 's'}`
const jobs = (n: number) => counted(n, 'job')
const eraseOne = () =>
  attempt(async () => {
    const answer = await call(eraseCustomer, { params: { id: customer.value! } })
    done.value = `Erased, with the papers of ${jobs(answer.jobs)}.`
    customer.value = undefined
    await load()
  })
const eraseColleague = () =>
  attempt(async () => {
    const answer = await call(erasePerson, { params: { id: colleague.value! } })
    done.value = `Erased: ${jobs(answer.jobs)} name a former colleague now.`
    colleague.value = undefined
    await load()
  })
const WHAT = { customer: 'A customer', person: 'A colleague', papers: 'Papers past their time' } as const
</script>

<template>
  <section class="card stack" aria-labelledby="persons">
    <h2 id="persons">A person's data</h2>
    <p>
      On request, who somebody is goes from every table and from every device the next time it is on line. Copies that
      were made before (archives, job files, copies of the database, reports that were handed out) still hold it: see to
      those yourself.
    </p>
    <div class="two">
      <div class="stack">
        <h3>Of a customer</h3>
        <Select
          v-model="customer"
          :options="customers"
          option-value="id"
          option-label="name"
          filter
          placeholder="Choose a customer"
          aria-label="Customer"
        />
        <template v-if="held">
          <p class="small">
            {{ jobs(held.jobs) }}, {{ counted(held.photos, 'photo') }}, {{ counted(held.signatures, 'signature') }},
            {{ counted(held.reports, 'report') }}. Names, serial numbers, words, remarks, photos and signatures go;
            machines are retired; what was measured and found stays without a name.
          </p>
          <p v-if="waits" role="alert" class="small">
            Still there: {{ jobs(held.open) }} open, {{ counted(held.planned, 'visit') }} planned. Close and call them
            off first.
          </p>
          <HoldButton :disabled="waits" @held="eraseOne">Erase {{ held.name }}</HoldButton>
        </template>
      </div>
      <div class="stack">
        <h3>Of a colleague who has left</h3>
        <Select
          v-model="colleague"
          :options="people"
          option-value="id"
          option-label="name"
          placeholder="Choose a colleague"
          aria-label="Colleague"
        />
        <template v-if="colleague">
          <p class="small">
            Name and address go, they are signed out everywhere and cannot sign in again. What they entered stays, under
            “former colleague”.
          </p>
          <HoldButton @held="eraseColleague">Erase {{ people.find((p) => p.id === colleague)?.name }}</HoldButton>
        </template>
      </div>
    </div>
    <p role="status">{{ done }}</p>
    <p v-if="trouble" role="alert">{{ trouble }}</p>
    <template v-if="erasures.length">
      <h3>Erased so far</h3>
      <div class="wide-table">
        <table class="table">
          <thead>
            <tr>
              <th>When</th>
              <th>What</th>
              <th>Jobs</th>
              <th>By</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="e in erasures" :key="e.id">
              <td>{{ formatMoment(e.at, session.person!.timeZone) }}</td>
              <td>{{ WHAT[e.what] }}</td>
              <td class="number">{{ e.jobs }}</td>
              <td>{{ e.by ?? 'the rule' }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
  </section>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
  gap: 1.5rem;
}
</style>
