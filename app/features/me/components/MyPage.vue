<script setup lang="ts">
import Button from 'primevue/button'
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { endSession, listSessions } from '../../../../shared/contracts/session'
import { waitingByPerson } from '../../../data/database'
import { call } from '../../../data/http'
import { useAttempt } from '../../../data/use-attempt'
import { formatMoment, useKeySwitch, useLook } from '../../../ui'
import { CalendarLink } from '../../schedule'
import { useSession } from '../../session'
import KitForm from './KitForm.vue'
import PasswordForm from './PasswordForm.vue'

const ROLE = {
  lead: 'lead',
  technician: 'technician',
  trainee: 'trainee, without live work',
  'read-only': 'may look, not write',
}
const LOOK = { light: 'Light', dark: 'Dark', sun: 'Sun' }
const session = useSession()
const router = useRouter()
const { look, looks } = useLook()
const { on: keys } = useKeySwitch()
const waiting = ref(0)
const refused = ref(0)
const asked = ref(false)
const { trouble, attempt } = useAttempt()
const sessions = ref<{ id: string; seenAt: string; device: string; here: boolean }[]>([])

const load = () => attempt(async () => void (sessions.value = (await call(listSessions)).sessions))
onMounted(load)
const end = (id: string) =>
  attempt(async () => {
    await call(endSession, { params: { id } })
    await load()
  })
async function leave(): Promise<void> {
  if (!asked.value) {
    // Counted when it matters: entries may have gone, or come, since this page was opened.
    const own = (await waitingByPerson().catch(() => undefined))?.get(session.person!.id)
    waiting.value = own?.waiting ?? 0
    refused.value = own?.refused ?? 0
    // Said once: what waits stays here and is sent when this person is back.
    asked.value = waiting.value + refused.value > 0
    if (asked.value) return
  }
  await attempt(async () => {
    await session.leave()
    await router.push('/sign-in')
  })
}
</script>

<template>
  <main v-if="session.person" class="page narrow">
    <h1>{{ session.person.name }}</h1>
    <p class="soft">{{ session.person.organisationName }} · {{ ROLE[session.person.role] }}</p>
    <p v-if="trouble" role="alert" class="card">{{ trouble }}</p>
    <section class="card part" aria-label="Look">
      <h2>Look</h2>
      <div class="choices" role="radiogroup" aria-label="Look">
        <button v-for="l in looks" :key="l" type="button" role="radio" :aria-checked="look === l" @click="look = l">
          {{ LOOK[l] }}
        </button>
      </div>
    </section>
    <KitForm v-if="session.person.role !== 'read-only'" />
    <section class="card part" aria-label="Keys">
      <h2>Keys</h2>
      <label class="switch"><input v-model="keys" type="checkbox" /> Single letters act on a laptop</label>
    </section>
    <CalendarLink />
    <PasswordForm />
    <section class="card part" aria-label="Signed in">
      <h2>Where you are signed in</h2>
      <ul>
        <li v-for="s in sessions" :key="s.id">
          <span
            >{{ s.here ? 'This browser' : s.device.slice(0, 60) || 'Another device' }}<br /><span class="soft small"
              >last used {{ formatMoment(s.seenAt, session.person.timeZone) }}</span
            ></span
          >
          <Button v-if="!s.here" severity="secondary" @click="end(s.id)">End it</Button>
        </li>
      </ul>
      <p v-if="asked" role="alert">
        <strong>{{ waiting + refused }} {{ waiting + refused === 1 ? 'entry' : 'entries' }} of yours</strong> stay on
        this device, for you alone, and are sent when you sign in here again. Everything else is erased from it.
      </p>
      <div class="row">
        <Button severity="secondary" @click="leave">{{ asked ? 'Sign out all the same' : 'Sign out' }}</Button>
      </div>
    </section>
    <p class="soft small">
      <a href="/licences.txt" target="_blank">Licences of what this program is built with</a>
    </p>
  </main>
</template>

<style scoped>
.narrow {
  max-width: 760px;
}
.part {
  display: grid;
  gap: 0.7rem;
}
.choices {
  display: flex;
  gap: 0.5rem;
}
.choices button {
  min-height: 48px;
  min-width: 90px;
  border: 2px solid var(--line);
  border-radius: 10px;
  background: none;
  cursor: pointer;
}
.choices button[aria-checked='true'] {
  border: 3px solid var(--ink);
  font-weight: 700;
}
.switch {
  display: flex;
  gap: 0.6rem;
  align-items: center;
  min-height: 44px;
}
.switch input {
  width: 22px;
  height: 22px;
  accent-color: var(--ink);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 56px;
  border-top: 1px solid var(--line);
}
</style>
