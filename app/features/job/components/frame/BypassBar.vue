<script setup lang="ts">
import Button from 'primevue/button'

/** What is still bridged, until somebody says that it is out. */
defineProps<{ jumpers: { id: string; title: string }[]; closed: boolean; locked: boolean }>()
const emit = defineEmits<{ out: [part: string] }>()
</script>

<template>
  <section v-if="jumpers.length" class="card" aria-label="Bypasses">
    <p v-if="closed" role="alert">
      <strong>Closed with a jumper still noted in.</strong> Reopen the job and take it out.
    </p>
    <div v-for="p in jumpers" :key="p.id" class="row" role="alert">
      <strong>A jumper is still across the {{ p.title }}.</strong>
      <span class="soft small">Fitted and taken out dead. Never left in.</span>
      <Button v-if="!locked" class="push" size="small" @click="emit('out', p.id)">It is out</Button>
    </div>
  </section>
</template>
