<script setup lang="ts">
import { NuxtLink } from '#components'
import EarPanel from './EarPanel.vue'
</script>

<template>
  <main class="page narrow">
    <p class="back"><NuxtLink to="/tools">Tools</NuxtLink></p>
    <h1>Ear</h1>
    <p class="soft">When a hum, a motor or a beep begins and ends, measured with no hand free.</p>
    <section class="card"><EarPanel /></section>
  </main>
</template>

<style scoped>
.back {
  margin: 0;
}
.narrow {
  max-width: 44rem;
}
</style>
