<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { v7 as uuidv7 } from 'uuid'
import { ref } from 'vue'
import { NuxtLink } from '#components'
import { allowMeter, removeMeter } from '../../../../shared/contracts/meters'
import { call } from '../../../data/http'
import { useMeters } from '../use-meters'
import MeterPanel from './MeterPanel.vue'

/** A linked meter without a job, and which addresses may be reached. */
const { meters, look, isLead } = useMeters()
const name = ref('')
const host = ref('')
const port = ref('5025')
const refusal = ref('')
/** The panel looks anew at what is allowed. */
const round = ref(0)
async function change(work: () => Promise<unknown>): Promise<void> {
  try {
    await work()
    refusal.value = ''
    await look()
    round.value++
  } catch (error) {
    refusal.value = error instanceof Error ? error.message : String(error)
  }
}
async function allow(): Promise<void> {
  const number = Number(port.value)
  if (!name.value.trim() || !host.value.trim()) return void (refusal.value = 'A name and an address are needed.')
  if (!Number.isInteger(number) || number < 1024 || number > 65535)
    return void (refusal.value = 'A port is a whole number from 1024 to 65535; meters mostly listen on 5025.')
  await change(async () => {
    const body = { name: name.value.trim(), host: host.value.trim(), port: number }
    await call(allowMeter, { params: { id: uuidv7() }, body })
    name.value = host.value = ''
  })
}
</script>

<template>
  <main class="page narrow">
    <p class="back"><NuxtLink to="/tools">Tools</NuxtLink></p>
    <h1>Linked meter</h1>
    <p class="soft">A bench or logging meter on the network that understands SCPI; the server opens its line.</p>
    <section class="card" aria-label="Reading"><MeterPanel :key="round" title="Meter" place="tools" /></section>
    <section class="card allowed" aria-label="Allowed meters">
      <h2>Allowed meters</h2>
      <ul v-if="meters.length">
        <li v-for="m in meters" :key="m.id" class="row">
          <span
            ><strong>{{ m.name }}</strong> <span class="number soft">{{ m.host }} : {{ m.port }}</span></span
          >
          <button
            v-if="isLead"
            type="button"
            class="chip push"
            :aria-label="`No longer: ${m.name}`"
            @click="change(() => call(removeMeter, { params: { id: m.id } }))"
          >
            No longer
          </button>
        </li>
      </ul>
      <p v-else class="soft">None yet.</p>
      <form v-if="isLead" class="row" aria-label="Allow a meter" @submit.prevent="allow">
        <InputText v-model="name" placeholder="Name" aria-label="Name of the meter" maxlength="60" />
        <InputText v-model="host" placeholder="Address" aria-label="Address of the meter" maxlength="253" />
        <InputText v-model="port" class="port" inputmode="numeric" aria-label="Port of the meter" maxlength="5" />
        <Button type="submit" severity="secondary">Allow</Button>
      </form>
      <p v-else class="small soft">A lead says which addresses the server may open a line to.</p>
      <p v-if="refusal" class="small bad" role="alert">{{ refusal }}</p>
    </section>
  </main>
</template>

<style scoped>
.back {
  margin: 0;
}
.narrow {
  max-width: 44rem;
}
.allowed {
  display: grid;
  gap: 0.6rem;
  margin-top: 1rem;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.4rem;
}
.port {
  width: 6rem;
}
.bad {
  color: var(--danger);
}
</style>
