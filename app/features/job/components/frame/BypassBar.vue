<script setup lang="ts">
import Button from 'primevue/button'
import { describeStanding } from '../../../../../core/words'

/** What is still bridged or off its terminal, until somebody says that it is as it was. */
defineProps<{ bypasses: { id: string; lead: boolean; title: string }[]; closed: boolean; locked: boolean }>()
const emit = defineEmits<{ out: [part: string, lead: boolean] }>()
</script>

<template>
  <section v-if="bypasses.length" class="card" aria-label="Bypasses">
    <p v-if="closed" role="alert"><strong>Closed with this still noted.</strong> Reopen the job and put it right.</p>
    <div v-for="p in bypasses" :key="`${p.id} ${p.lead}`" class="row" role="alert">
      <strong>{{ describeStanding(p.lead, p.title) }}</strong>
      <span class="soft small">{{
        p.lead ? 'Lifted and put back dead, its bare end insulated.' : 'Fitted and taken out dead. Never left in.'
      }}</span>
      <Button v-if="!locked" class="push" size="small" @click="emit('out', p.id, p.lead)">{{
        p.lead ? 'It is back' : 'It is out'
      }}</Button>
    </div>
  </section>
</template>
