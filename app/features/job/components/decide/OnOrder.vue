<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, watch } from 'vue'

/** A part that is not at hand: what is ordered, when somebody comes back, and what is shut or off until then. */
const props = defineProps<{
  /** What the chosen repair needs. */
  parts: { title: string; number?: string | undefined }[]
  /** What is off, shut or bridged. */
  left: readonly string[]
  bypassed: boolean
}>()
const emit = defineEmits<{
  wait: [text: string, parts: { title: string; number?: string | undefined }[], until: string | undefined]
}>()
const title = ref('')
const number = ref('')
watch(
  () => props.parts,
  ([first]) => {
    title.value = first?.title ?? ''
    number.value = first?.number ?? ''
  },
  { immediate: true },
)
const text = ref('')
const until = ref('')
const said = computed(() =>
  [text.value.trim(), props.left.length ? `Left so: ${props.left.join('; ')}.` : ''].filter(Boolean).join(' '),
)
function wait() {
  const own = { title: title.value.trim(), ...(number.value.trim() ? { number: number.value.trim() } : {}) }
  emit('wait', said.value, [own], until.value || undefined)
}
</script>

<template>
  <details class="card">
    <summary>The part is on order</summary>
    <div class="stack">
      <label class="field"
        ><span class="small">Part</span><InputText v-model="title" maxlength="200" aria-label="Part on order" fluid
      /></label>
      <label class="field"
        ><span class="small">Its number</span
        ><InputText v-model="number" maxlength="60" aria-label="Number of the part" fluid
      /></label>
      <label class="field"
        ><span class="small">Somebody comes back on</span>
        <input
          v-model="until"
          type="date"
          class="p-inputtext"
          aria-label="Somebody comes back on"
          min="2000-01-01"
          max="2099-12-31"
      /></label>
      <label class="field"
        ><span class="small">What to know meanwhile</span
        ><InputText v-model="text" maxlength="4000" aria-label="What to know meanwhile" fluid
      /></label>
      <p v-if="bypassed" role="alert" class="small">
        A jumper is in or a lead is off. Neither stays so in a machine that is left with its user: put it right first.
      </p>
      <p v-else class="small">
        <strong>Left so until then:</strong>
        {{ left.length ? `${left.join('; ')}.` : 'nothing is off or shut.' }} Can it be used like that? If not, leave it
        out of service, below.
      </p>
      <Button severity="secondary" :disabled="bypassed || !title.trim()" @click="wait"
        >Leave it waiting for the part</Button
      >
    </div>
  </details>
</template>
