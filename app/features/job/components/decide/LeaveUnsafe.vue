<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { computed, defineAsyncComponent, ref } from 'vue'
import { AppIcon, PhotoPicker } from '../../../../ui'
import { useJobContext } from '../../use-job-context'

/**
 * A machine that cannot be left in use: isolated, tagged, photographed, warned of in writing, and signed for or the refusal noted.
 * Then the job may end, whatever else is open.
 */
const SignatureField = defineAsyncComponent(() => import('../report/SignatureField.vue'))
const { id, job, power, photos, enter, locked, bypasses } = useJobContext()
const { state } = job
const isOff = computed(() => power.value.state === 'isolated' || power.value.state === 'dead')
const tagged = computed(() => state.value.photos.findLast((p) => p.about === 'tagged'))
const warning = ref(
  'This machine is not safe to use. It has been switched off and tagged "do not use". Do not switch it on, refill it or take the tag off before it has been repaired and proved.',
)
const left = computed(() => (state.value.unsafe ? state.value.leftUnsafe.at(-1) : undefined))
const name = ref('')
const strokes = ref<number[][]>([])
const why = ref('')
const refusing = ref(false)
const signed = computed(() => left.value && state.value.unsafe?.answered)
function sign() {
  enter({ type: 'signed', for: 'warning', name: name.value.trim(), strokes: strokes.value })
}
function refuse() {
  enter({ type: 'not-signed', for: 'warning', name: name.value.trim(), text: why.value.trim() })
}
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
            <Textarea v-model="warning" rows="4" fluid aria-label="The warning" />
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
          <template v-else-if="!locked">
            <InputText v-model="name" fluid aria-label="Who was warned" placeholder="Who was warned" />
            <template v-if="refusing">
              <InputText v-model="why" fluid aria-label="Why they do not sign" placeholder="Why they do not sign" />
              <Button severity="secondary" :disabled="!why.trim()" @click="refuse">Note the refusal</Button>
            </template>
            <template v-else>
              <SignatureField v-model="strokes" label="Signature of who was warned" />
              <Button severity="secondary" :disabled="!strokes.length || !name.trim()" @click="sign"
                >Take the signature</Button
              >
              <button type="button" class="word-button" @click="refusing = true">They will not sign</button>
            </template>
          </template>
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
