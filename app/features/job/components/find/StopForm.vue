<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { ENDINGS, type Ending } from '../../../../../core/job'
import { describeAwaited, describeEnding } from '../../../../../core/words'

/** Stops without a cause: the job ends as it is, or waits for a part or somebody. */
const props = defineProps<{
  /** What is off, shut or bridged: said before the machine is left. */ left: string[]
  bypassed: boolean
}>()
const emit = defineEmits<{
  end: [as: Ending, text: string]
  wait: [what: 'part' | 'person' | 'customer', text: string]
}>()
const WAITS = ['part', 'person', 'customer'] as const
const choice = ref('')
const text = ref('')
const choices = computed(() => [
  ...ENDINGS.map((id) => ({ id: id as string, title: describeEnding(id) })),
  ...WAITS.map((id) => ({ id: `wait ${id}`, title: describeAwaited(id) })),
])
const waits = computed(() => choice.value.startsWith('wait '))
const said = computed(() =>
  [text.value.trim(), waits.value && props.left.length ? `Left so: ${props.left.join('; ')}.` : '']
    .filter(Boolean)
    .join(' '),
)
function stop() {
  if (waits.value) emit('wait', choice.value.slice(5) as (typeof WAITS)[number], said.value)
  else emit('end', choice.value as Ending, said.value)
}
</script>

<template>
  <details class="stop">
    <summary class="small">Stop without a cause</summary>
    <div class="form">
      <label v-for="c in choices" :key="c.id" class="row">
        <input v-model="choice" type="radio" name="ending" :value="c.id" /> {{ c.title }}
      </label>
      <InputText
        v-model="text"
        maxlength="4000"
        fluid
        aria-label="What to know about it"
        placeholder="What to know about it"
      />
      <p v-if="bypassed" role="alert" class="small">
        A jumper is in or a lead is off. Neither stays so in a machine that is left with its user: put it right first.
      </p>
      <p v-else-if="left.length" class="small"><strong>Left so:</strong> {{ left.join('; ') }}.</p>
      <Button severity="secondary" :disabled="!choice || bypassed" @click="stop">{{
        waits ? 'Leave it waiting' : 'End the job so'
      }}</Button>
    </div>
  </details>
</template>

<style scoped>
summary {
  color: var(--soft);
}
.form {
  display: grid;
  gap: 0.4rem;
}
label {
  min-height: 44px;
}
</style>
