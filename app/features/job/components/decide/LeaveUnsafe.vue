<script setup lang="ts">
import Button from 'primevue/button'
import Textarea from 'primevue/textarea'
import { computed, ref } from 'vue'
import { AppIcon, PhotoPicker } from '../../../../ui'
import { useJobContext } from '../../use-job-context'
import SignOrRefuse from '../report/SignOrRefuse.vue'

/**
 * A machine that cannot be left in use: isolated, tagged, photographed, warned of in writing, and signed for or the refusal noted.
 * Then the job may end, whatever else is open.
 */
const { id, job, power, photos, enter, locked, bypasses } = useJobContext()
const { state } = job
const isOff = computed(() => power.value.state === 'isolated' || power.value.state === 'dead')
const tagged = computed(() => state.value.photos.findLast((p) => p.about === 'tagged'))
const warning = ref(
  'This machine is not safe to use. It has been switched off and tagged "do not use". Do not switch it on, refill it or take the tag off before it has been repaired and proved.',
)
const left = computed(() => (state.value.unsafe ? state.value.leftUnsafe.at(-1) : undefined))
const signed = computed(() => left.value && state.value.unsafe?.answered)
</script>

<template>
  <details class="card unsafe" :open="!!left || undefined">
    <summary>It cannot be left in use</summary>
    <ol class="plain-list stack" aria-label="Out of service">
      <li>
        <AppIcon :name="isOff ? 'check' : 'danger'" />
        <span
          ><strong>Isolated.</strong> {{ isOff ? 'It is.' : 'It is not said to be: do it under Safe.' }}
          <NuxtLink v-if="!isOff" :to="`/jobs/${id}/safe`" replace>To Safe</NuxtLink></span
        >
      </li>
      <li>
        <AppIcon :name="tagged ? 'check' : 'danger'" />
        <div class="stack">
          <span
            ><strong>Tagged "do not use", with a photo of the tag.</strong> {{ tagged ? 'There is one.' : '' }}</span
          >
          <PhotoPicker
            v-if="!locked && !left"
            :busy="photos.busy.value"
            :fault="photos.fault.value"
            @picked="photos.add($event, 'tagged')"
          />
        </div>
      </li>
      <li>
        <AppIcon :name="left ? 'check' : 'danger'" />
        <div class="stack">
          <strong>Warned in writing.</strong>
          <p v-if="left">{{ left.warning }}</p>
          <template v-else-if="!locked">
            <Textarea v-model="warning" maxlength="4000" rows="4" fluid aria-label="The warning" />
            <Button
              severity="secondary"
              :disabled="!isOff || !tagged || !warning.trim()"
              @click="enter({ type: 'left-unsafe', warning: warning.trim(), photo: tagged!.photo })"
              >Warn in these words</Button
            >
          </template>
        </div>
      </li>
      <li v-if="left">
        <AppIcon :name="signed ? 'check' : 'danger'" />
        <div class="stack">
          <strong>Signed for, or the refusal noted.</strong>
          <p v-if="signed">It is.</p>
          <SignOrRefuse v-else-if="!locked" what="warning" />
        </div>
      </li>
    </ol>
    <p v-if="bypasses.length" role="alert" class="small">
      A jumper is in or a lead is off: no bypass stays in a machine that is left with its user. Take it out first.
    </p>
    <Button
      v-if="left && !locked"
      :disabled="!signed || bypasses.length > 0"
      @click="enter({ type: 'closed', repair: '', text: left.warning, as: 'out-of-service' })"
      >Close the job: out of service</Button
    >
  </details>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 1.6rem minmax(0, 1fr);
  gap: 0.4rem;
  align-items: start;
}
.unsafe[open] {
  border: 3px solid var(--danger);
}
</style>
