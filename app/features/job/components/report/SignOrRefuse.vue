<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { defineAsyncComponent, ref } from 'vue'
import { useJobContext } from '../../use-job-context'

/** A hand signs for the work or for a warning, or it is noted that it does not, and why. */
const props = defineProps<{ what: 'work' | 'warning' }>()
const SignatureField = defineAsyncComponent(() => import('./SignatureField.vue'))
const { enter } = useJobContext()
const WORDS = {
  work: {
    who: 'Name of who signs',
    field: 'Signature for the work',
    not: 'Nobody signs',
    why: 'Why nobody signs',
    note: 'Note it',
  },
  warning: {
    who: 'Who was warned',
    field: 'Signature of who was warned',
    not: 'They will not sign',
    why: 'Why they do not sign',
    note: 'Note the refusal',
  },
} as const
const name = ref('')
const strokes = ref<number[][]>([])
const why = ref('')
const refusing = ref(false)
function sign() {
  enter({ type: 'signed', for: props.what, name: name.value.trim(), strokes: strokes.value })
  strokes.value = []
}
const noteRefusal = () =>
  enter({ type: 'not-signed', for: props.what, name: name.value.trim(), text: why.value.trim() })
</script>

<template>
  <div class="stack">
    <InputText v-model="name" maxlength="120" fluid :aria-label="WORDS[what].who" :placeholder="WORDS[what].who" />
    <template v-if="refusing">
      <InputText v-model="why" maxlength="600" fluid :aria-label="WORDS[what].why" :placeholder="WORDS[what].why" />
      <Button severity="secondary" :disabled="!why.trim()" @click="noteRefusal">{{ WORDS[what].note }}</Button>
    </template>
    <template v-else>
      <SignatureField v-model="strokes" :label="WORDS[what].field" />
      <Button severity="secondary" :disabled="!strokes.length || !name.trim()" @click="sign">Take the signature</Button>
      <button type="button" class="word-button" @click="refusing = true">{{ WORDS[what].not }}</button>
    </template>
  </div>
</template>
