<script setup lang="ts">
import Button from 'primevue/button'
import { onMounted, ref } from 'vue'
import {
  makeCalendarLink,
  myVisitsFile,
  readCalendarLink,
  revokeCalendarLink,
} from '../../../../shared/contracts/schedule'
import { call } from '../../../data/http'
import { useAttempt } from '../../../data/use-attempt'
import { saveFile } from '../../../data/save-file'
import { formatMoment } from '../../../ui'
import { useSession } from '../../session'

/** One's own visits in any calendar: under a secret address that can be revoked, or as a file. */
const session = useSession()
const since = ref<string | null>(null)
const address = ref('')
const { trouble, attempt } = useAttempt()
onMounted(() => attempt(async () => void (since.value = (await call(readCalendarLink)).since)))
const make = () =>
  attempt(async () => {
    const made = await call(makeCalendarLink, { body: {} })
    since.value = made.since
    address.value = location.origin + made.path
  })
const revoke = () =>
  attempt(async () => {
    since.value = (await call(revokeCalendarLink)).since
    address.value = ''
  })
const save = () => attempt(async () => saveFile('visits.ics', await call(myVisitsFile), 'text/calendar'))
</script>

<template>
  <section class="card part" aria-label="Calendar">
    <h2>My visits in a calendar</h2>
    <p v-if="trouble" role="alert">{{ trouble }}</p>
    <p v-if="address" role="status">
      Give your calendar this address. It is shown once; whoever knows it can read where you are to be.<br /><code
        class="address"
        >{{ address }}</code
      >
    </p>
    <p v-else-if="since" class="soft">
      A calendar may read them since {{ formatMoment(since, session.person?.timeZone ?? 'UTC', 'day') }}.
    </p>
    <div class="row">
      <Button severity="secondary" @click="make">{{ since ? 'New address' : 'Make an address' }}</Button>
      <Button v-if="since" severity="secondary" @click="revoke">Revoke it</Button>
      <Button severity="secondary" @click="save">Save as a file</Button>
    </div>
  </section>
</template>

<style scoped>
.part {
  display: grid;
  gap: 0.7rem;
}
.address {
  overflow-wrap: anywhere;
}
</style>
