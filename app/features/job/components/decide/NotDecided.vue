<script setup lang="ts">
import Button from 'primevue/button'
import { useRouter } from 'vue-router'
import { useJobContext } from '../../use-job-context'

/** A step that rests on a decision, before there is one. */
const { id, closed } = useJobContext()
const router = useRouter()
</script>

<template>
  <div class="card stack">
    <h2>{{ closed ? 'This job is closed' : 'Nothing is decided yet' }}</h2>
    <template v-if="!closed">
      <p>Its steps, its part and what has to hold follow from the repair: choose it under Decide.</p>
      <Button @click="router.replace(`/jobs/${id}/decide`)">To Decide</Button>
    </template>
  </div>
</template>
