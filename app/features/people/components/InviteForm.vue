<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { v7 as uuidv7 } from 'uuid'
import type { Role } from '../../../../core/job'
import { invite } from '../../../../shared/contracts/accounts'
import { call } from '../../../data/http'
import { useAttempt } from '../../../data/use-attempt'
import { ROLE_CHOICES } from '../roles'

/** Lets somebody in. */
const emit = defineEmits<{ invited: [name: string, password: string] }>()
const name = ref('')
const email = ref('')
const role = ref<Role>('technician')
const { trouble, busy, attempt } = useAttempt()
const sound = computed(() => name.value.trim() !== '' && /^\S+@\S+\.\S+$/.test(email.value.trim()))

const send = () =>
  sound.value &&
  !busy.value &&
  attempt(async () => {
    const body = { id: uuidv7(), name: name.value.trim(), email: email.value.trim(), role: role.value }
    const answer = await call(invite, { body })
    name.value = ''
    email.value = ''
    emit('invited', answer.account.name, answer.password)
  })
</script>

<template>
  <form class="card stack" aria-labelledby="invite" @submit.prevent="send">
    <h2 id="invite">Let somebody in</h2>
    <div class="fields">
      <label class="field">Name <InputText v-model="name" autocomplete="off" :maxlength="80" /></label>
      <label class="field">E-mail <InputText v-model="email" type="email" autocomplete="off" :maxlength="200" /></label>
      <label class="field"
        >What they may do
        <Select v-model="role" :options="[...ROLE_CHOICES]" option-value="value" option-label="title" aria-label="Role"
      /></label>
    </div>
    <p v-if="trouble" role="alert">{{ trouble }}</p>
    <div class="row"><Button type="submit" :disabled="!sound" :loading="busy">Let them in</Button></div>
  </form>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 1rem;
}
</style>
