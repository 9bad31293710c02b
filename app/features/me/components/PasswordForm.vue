<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { changePassword, SHORTEST_PASSWORD } from '../../../../shared/contracts/accounts'
import { call } from '../../../data/http'
import { useAttempt } from '../../../data/use-attempt'

/** A password of one's own. */
const old = ref('')
const fresh = ref('')
const again = ref('')
const { trouble, attempt } = useAttempt()
const done = ref('')
const wrong = computed(() => {
  if (fresh.value && fresh.value.length < SHORTEST_PASSWORD) return `At least ${SHORTEST_PASSWORD} characters.`
  return again.value && again.value !== fresh.value ? 'The two are not the same.' : ''
})
const sound = computed(() => old.value && fresh.value && again.value && !wrong.value)

async function keep(): Promise<void> {
  if (!sound.value) return
  done.value = ''
  await attempt(async () => {
    const { ended } = await call(changePassword, { body: { old: old.value, password: fresh.value } })
    done.value = ended
      ? `Kept. You were signed out in ${ended === 1 ? 'one other place' : `${ended} other places`}.`
      : 'Kept.'
    old.value = fresh.value = again.value = ''
  })
}
const FIELDS = [
  { title: 'Password now', model: old, complete: 'current-password' },
  { title: 'New password', model: fresh, complete: 'new-password' },
  { title: 'New password again', model: again, complete: 'new-password' },
]
</script>

<template>
  <form class="card stack" aria-labelledby="password" @submit.prevent="keep">
    <h2 id="password">Your password</h2>
    <label v-for="f in FIELDS" :key="f.title" class="field"
      >{{ f.title }} <InputText v-model="f.model.value" type="password" maxlength="200" :autocomplete="f.complete"
    /></label>
    <p v-if="wrong" class="small" role="status">{{ wrong }}</p>
    <p v-if="trouble" class="small" role="alert">{{ trouble }}</p>
    <div class="row">
      <Button type="submit" severity="secondary" :disabled="!sound">Keep this password</Button>
      <span role="status">{{ done }}</span>
    </div>
  </form>
</template>

<style scoped>
.field {
  max-width: 24rem;
}
</style>
