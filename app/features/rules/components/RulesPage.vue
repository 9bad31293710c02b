<script setup lang="ts">
import { useSession } from '../../session'
import ErasePersons from './ErasePersons.vue'
import RulesForm from './RulesForm.vue'

/** What holds for the whole shop; for leads. */
const session = useSession()
</script>

<template>
  <main class="page narrow">
    <h1>Rules of the shop</h1>
    <template v-if="session.person?.role === 'lead'">
      <RulesForm />
      <ErasePersons />
    </template>
    <p v-else class="card">Whoever leads the shop sets these.</p>
  </main>
</template>

<style scoped>
.narrow {
  max-width: 900px;
}
</style>
