<script setup lang="ts">
import { clearError, type NuxtError } from 'nuxt/app'

const props = defineProps<{ error: NuxtError }>()
const lost = props.error.statusCode === 404
</script>

<template>
  <main class="page lost">
    <h1>{{ lost ? 'There is no such page' : 'This page could not be shown' }}</h1>
    <p>
      {{
        lost
          ? 'The address may be old or mistyped. Nothing you entered is lost.'
          : 'Something went wrong here. What you entered is kept on this device.'
      }}
    </p>
    <button type="button" @click="clearError({ redirect: '/jobs' })">To the jobs</button>
  </main>
</template>

<style scoped>
.lost {
  justify-items: start;
  padding-top: 12vh;
  max-width: 40rem;
}
button {
  min-height: 52px;
  padding: 0 1.4rem;
  font-weight: 700;
  background: var(--good);
  color: var(--card);
  border: 0;
  border-radius: 10px;
  cursor: pointer;
}
</style>
