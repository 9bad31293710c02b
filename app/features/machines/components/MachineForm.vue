<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { v7 as uuidv7 } from 'uuid'
import { createUnit, type UnitFields } from '../../../../shared/contracts/units'
import { ApiError, call } from '../../../data/http'
import MachineFields from './MachineFields.vue'

const router = useRouter()
const fields = ref<UnitFields>({ title: '', serial: '', sheet: '', customer: '', site: '' })
const trouble = ref('')
const problems = ref<ApiError['problems']>([])
const busy = ref(false)
// Made once: sending the same form twice makes one machine.
const id = uuidv7()
const ready = computed(() => fields.value.title && fields.value.sheet && fields.value.customer && fields.value.site)

async function keep() {
  busy.value = true
  try {
    await call(createUnit, { body: { id, ...fields.value } })
    await router.push(`/machines/${id}`)
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    trouble.value = error.message
    problems.value = error.problems
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="page narrow">
    <h1>New machine</h1>
    <p v-if="trouble" role="alert" class="card">{{ trouble }}</p>
    <form class="card form" @submit.prevent="keep">
      <MachineFields v-model="fields" :problems="problems" @trouble="trouble = $event" />
      <div class="row"><Button type="submit" :disabled="!ready" :loading="busy">Keep this machine</Button></div>
    </form>
  </main>
</template>

<style scoped>
.narrow {
  max-width: 900px;
}
.form {
  display: grid;
  gap: 1rem;
}
</style>
