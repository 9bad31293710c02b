<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '../store'

const session = useSession()
const route = useRoute()
const router = useRouter()
const email = ref('')
const password = ref('')
const wrong = ref('')
const busy = ref(false)
/** Nobody on the way reads along; a browser takes its own machine for that too. */
const isPrivate = window.isSecureContext

async function signIn() {
  wrong.value = ''
  busy.value = true
  try {
    await session.enter(email.value, password.value)
    const to = String(route.query.to ?? '/today')
    await router.push(to.startsWith('/') && !to.startsWith('//') ? to : '/today')
  } catch (error) {
    wrong.value = error instanceof Error ? error.message : String(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="door">
    <svg viewBox="0 0 360 120" class="meet" aria-hidden="true">
      <path d="M0 60H160" stroke="var(--water)" />
      <path d="M200 60H360" stroke="var(--power)" />
      <path d="M180 80V108H360" stroke="var(--level)" />
      <rect x="150" y="40" width="60" height="40" rx="10" />
      <path d="M168 60l9 10 16-20" class="tick" />
    </svg>
    <h1>Find out why water does not come, does not stop or does not leave.</h1>
    <form class="card form" @submit.prevent="signIn">
      <label>E-mail <InputText v-model="email" type="email" autocomplete="username" required fluid autofocus /></label>
      <label
        >Password <InputText v-model="password" type="password" autocomplete="current-password" required fluid
      /></label>
      <p v-if="!isPrivate" role="note" class="small">
        Over plain http your password can be read on its way. Ask for an https address.
      </p>
      <p v-if="wrong" role="alert" class="wrong">{{ wrong }}</p>
      <Button type="submit" label="Sign in" :loading="busy" />
    </form>
  </main>
</template>

<style scoped>
.door {
  max-width: 26rem;
  margin: 5vh auto;
  padding: 1rem;
  display: grid;
  gap: 1.2rem;
}
.meet {
  width: 100%;
  stroke-width: 8;
  fill: none;
}
.meet rect {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 3;
}
.tick {
  stroke: var(--good);
  stroke-width: 6;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.form {
  display: grid;
  gap: 0.9rem;
}
label {
  display: grid;
  gap: 0.3rem;
  font-weight: 600;
}
.wrong {
  border-left: 5px solid var(--ink);
  padding-left: 0.7rem;
}
</style>
